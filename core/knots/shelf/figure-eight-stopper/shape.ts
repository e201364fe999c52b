/** Figure-eight stopper: a flat diagram with its over and under, standing part up: the path that the loops of its name double. */
import { NODE_SPACING } from '../../../rope';
import { flatDiagram, nodesOf, standingUp } from '../../laying/authoring';
import { drawnStraight } from '../../laying/drawing';
import type { LaidForms } from '../../shape/laid';
import { EIGHT } from '../../laying/single-paths';

export const forms = {
  right: () => ({
    points: standingUp(
      nodesOf(flatDiagram([...EIGHT, [0, 26]], { scale: 1, height: 0.66, plateau: 0.7 }), NODE_SPACING),
    ),
    drawing: drawnStraight(),
  }),
} satisfies LaidForms;
