/**
 * Flemish bend with a bight: a flat eight in three lanes. The hanging rope runs it on a bight, in the first two, its eye beyond
 * the far end; the new rope's single end enters where the eye comes out and follows in the third.
 */
import { lanes, nearestIndex, splineThrough, straight, type Point3 } from '../../curve';
import { GENTLE, NODE_SPACING } from '../../rope';
import { flatDiagram, lyingDown, nodesOf, reversed } from '../authoring';
import type { LaidForms, LaidKnot } from '../laid';
import { EIGHT } from '../single-paths';

const LANES = 2.5;
const WIDENED = 1.06;

function joint(): LaidKnot {
  const path = flatDiagram(EIGHT.map(([x, y, z]) => [x * WIDENED, y, z ?? 0] as const), { scale: 2, height: 0.72, plateau: 2.8 });
  const [a, b, c] = lanes(path, 3, LANES / 2) as [Point3[], Point3[], Point3[]];
  const [fromA, fromB, fromC] = [a.at(-1)!, b.at(-1)!, c.at(-1)!];
  const y = fromA[1];
  const far: Point3 = [fromA[0] - 2.4, y + 13, 0];
  const eye = splineThrough([fromA, [fromA[0] - 0.8, y + 3, 0], [fromA[0] - 3.4, y + 9, 0], far, [fromA[0] + 0.6, y + 9, 0], [fromB[0] - 0.2, y + 3, 0], fromB]);
  const one = nodesOf(lyingDown([...a, ...eye.slice(1, -1), ...reversed(b)]), NODE_SPACING);
  const two = nodesOf(lyingDown([...straight([fromC[0], y + 24, 0], fromC).slice(0, -1), ...reversed(c)]), NODE_SPACING);
  const eyeNode = nearestIndex(one, [far[1], -far[0], 0]);
  return {
    points: one, eyeNode, second: { points: two },
    drawing: {
      pulls: [
        { rope: 0, end: 'standing', direction: [-1, 0.08, 0], share: 1 },
        { rope: 0, end: 'tail', direction: [-1, 0, 0], share: 1 },
        { rope: 1, end: 'standing', direction: [1, -0.12, 0], share: 1 },
        { rope: 1, end: 'tail', direction: [-1, -0.08, 0], share: 1 },
      ],
      eyes: [{ rope: 0, node: eyeNode, direction: [1, 0.12, 0], share: 1.4, radius: 2.2 }],
      stages: GENTLE,
    },
  };
}

export const forms = { right: joint } satisfies LaidForms;
