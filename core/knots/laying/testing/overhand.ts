/** An overhand to be drawn up, for tests. */
import type { Point3 } from '../../../curve';
import { flatDiagram, nodesOf, type Control } from '../authoring';
import { FIRM, NODE_SPACING, type Tightening } from '../../../rope';

/** An open overhand, its ends to the left and right, as a flat diagram. */
export function overhand(): Point3[] {
  const control = [
    [-24, 0],
    [-10, 0],
    [-6, 0, 0],
    [-3, 0, 1],
    [0.8, 0, -1],
    [4.2, 0.2, 0],
    [6.4, 2.6, 1],
    [4.6, 5.8, 0],
    [0, 6.6, 0],
    [-4.2, 5.2, 0],
    [-4.8, 2.6, 0],
    [-3.4, 0.3, -1],
    [-1.6, -2.2, 0],
    [0.4, -0.6, 1],
    [2.2, 2.2, 0],
    [6.4, 2.8, -1],
    [10, 3, 0],
    [24, 3],
  ] as unknown as Control[];
  return nodesOf(flatDiagram(control, { scale: 1.2, height: 0.66, plateau: 0.6 }), NODE_SPACING);
}

/** One rope drawn at both ends, to the left and right. */
export const drawnAtBothEnds = (points: readonly Point3[]): Tightening => ({
  ropes: [points],
  eyes: [],
  stages: FIRM,
  pulls: [
    { rope: 0, end: 'standing', direction: [-1, 0, 0], share: 1 },
    { rope: 0, end: 'tail', direction: [1, 0, 0], share: 1 },
  ],
});
