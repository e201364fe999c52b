/** Overhand stopper: a flat diagram with its over and under, along an upright path, which the loop of its name doubles. */
import { flatDiagram, nodesOf, standingUp } from '../../laying/authoring';
import { NODE_SPACING } from '../../../rope';
import { drawnStraight } from '../../laying/drawing';
import type { LaidForms } from '../../shape/laid';
import { OVERHAND } from '../../laying/single-paths';

export const forms = {
  right: () => ({
    points: standingUp(nodesOf(flatDiagram(OVERHAND, { scale: 1.35, height: 0.66, plateau: 0.7 }), NODE_SPACING)),
    drawing: drawnStraight(),
  }),
} satisfies LaidForms;
