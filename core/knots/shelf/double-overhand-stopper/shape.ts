/**
 * Double overhand stopper: a flat diagram, because so both turns of the end lie open and can be counted. A loop, and the end through it twice; the end's two turns lie
 * round the far side of the loop.
 */
import { NODE_SPACING } from '../../../rope';
import { flatDiagram, nodesOf, standingUp, type Control } from '../../laying/authoring';
import { drawnStraight } from '../../laying/drawing';
import type { LaidForms } from '../../shape/laid';

// standing part from the left into the loop, once round; then the end twice round the loop's far side
// prettier-ignore
const TWICE_THROUGH: readonly Control[] = [
  [-28, -6.4], [-14, -6.4], [-8, -6.4, 0], [0, -6, 1], [5.4, -4.6, 0], [7.4, -1, 0], [6.9, 2, 0], [5.6, 3.9, -1], [3.8, 4.7, 0], [1.9, 4.9, 1], [0, 4.6, 0], [-1.9, 4.9, -1], [-3.8, 4.7, 0], [-5.6, 3.9, 1],
  [-7, 2, 0], [-7.4, -1.2, 0], [-5.4, -4.4, 0], [0, -6, -1],
  [6, -8, 0], [10.6, -6, 0], [11.4, -0.6, 0], [9, 4, 0], [5.6, 3.9, 1], [3.8, 3.2, 0], [1.9, 4.9, -1], [0, 6.4, 0], [-1.9, 4.9, 1], [-3.8, 3.2, 0], [-5.6, 3.9, -1],
  [-8, 6.4, 0], [-12, 8.4, 0], [-16, 9, 0], [-26, 9],
];

export const forms = {
  right: () => ({
    points: standingUp(nodesOf(flatDiagram(TWICE_THROUGH, { scale: 1.2, height: 0.66, plateau: 0.7 }), NODE_SPACING)),
    drawing: drawnStraight(),
  }),
} satisfies LaidForms;
