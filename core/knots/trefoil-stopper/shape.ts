/**
 * Trefoil stopper: a flat diagram with its over and under, because it is tied flat, on a table. A small loop, the tail crossing under; a bight of
 * the standing part drawn through it; the tail round the back and through that bight.
 */
import { NODE_SPACING } from '../../rope';
import { flatDiagram, nodesOf, standingUp, type Control } from '../authoring';
import type { LaidForms } from '../laid';

const PATH: readonly Control[] = [
  [0, -28], [0, -14], [0, -7, 1], [0, -3.4, -1], [0.3, -1.8, 0], [1.6, -1.2, 0], [3.4, -1.2, 1], [5.6, -2.2, 0], [8, -3, 0], [10.6, 0, 0], [8, 3, 0], [5.6, 2.2, 0], [3.4, 1.2, 1],
  [1.6, 1.2, 0], [0.3, 1.8, 0], [0, 3.4, -1], [-0.2, 5.2, 0], [-1.8, 7, 0], [-4.2, 6.4, 0], [-4.8, 4, 1], [-3.8, 1.6, 0], [-3.4, -0.8, 0], [-2.3, -2.7, 0], [0, -3.4, 0], [2.3, -2.7, 0],
  [3.4, 0, 0], [2.3, 2.7, 0], [0, 3.4, 0], [-2.3, 3.4, 0], [-4.8, 3.8, -1],
  [-6.8, 4.7, 0], [-6.4, 8.2, 0], [-1.8, 10.4, 0], [4, 8.4, 0], [6.8, 5.2, 0], [7, 2.6, 1], [7, 0, 0], [7, -2.6, -1], [7.2, -6, 0], [7.4, -10], [7.4, -22],
];

export const forms = {
  right: () => ({ points: standingUp(nodesOf(flatDiagram(PATH, { scale: 1.3, height: 0.66, plateau: 0.6 }), NODE_SPACING, 10)) }),
} satisfies LaidForms;
