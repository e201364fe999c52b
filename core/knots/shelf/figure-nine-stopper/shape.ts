/** Figure-nine stopper: a flat diagram with its over and under, standing part up: the path that the loops of its name double. */
import { NODE_SPACING } from '../../../rope';
import { flatDiagram, nodesOf, standingUp } from '../../laying/authoring';
import { drawnStraight } from '../../laying/drawing';
import type { LaidForms } from '../../shape/laid';
import { NINE } from '../../laying/single-paths';

export const forms = {
  right: () => ({
    points: standingUp(
      nodesOf(flatDiagram([...NINE, [0.2, 27]], { scale: 1.05, height: 0.66, plateau: 0.7 }), NODE_SPACING),
    ),
    drawing: drawnStraight(),
  }),
} satisfies LaidForms;
