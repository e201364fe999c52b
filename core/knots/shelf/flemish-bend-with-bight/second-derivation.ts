/**
 * The Flemish bend with a bight once more, wound in space as it is tied: the hanging rope's eight on a bight, its two strands carried along the path in the
 * rope's own frame, and the new rope beside one of them. Three strands on a triangle about one path, not three lanes in a page.
 */
import { nearestIndex, onTube, splineThrough, straight, transportFrames, type Point3 } from '../../../curve';
import { NODE_SPACING } from '../../../rope';
import { nodesOf, wound } from '../../laying/authoring';
import type { LaidKnot, SecondRope } from '../../shape/laid';

const NECK = 4.6;
const APART = 0.9;

/** A single eight from below: up the neck, a loop, one turn round the neck, out through the loop. */
function single(): Point3[] {
  const neck = straight([0, -30, 0], [0, 6, 0], 0.2);
  const loop = splineThrough([
    [0, 5, 0],
    [0, 6, 0],
    [2, 12, 0],
    [8, 19, 0],
    [0, 27, 0],
    [-8, 19, 0],
    [-6, 10, 0],
    [-NECK, 4, 0.4],
  ]).slice(24);
  const turn = wound(
    Array.from({ length: 13 }, (_, k) => ({
      angle_deg: -90 + (360 * k) / 12,
      height: 3.6 - (9 * k) / 12,
      radius: NECK,
    })),
  );
  const through = splineThrough([
    [-NECK, -5.6, 0],
    [-8, -7, 1],
    [-14, -3, 2],
    [-16, 6, 3],
    [-14, 15, 4.4],
    [-8, 19, 5],
    [0, 19.6, 0],
    [8, 20, -5],
    [16, 20.5, -5],
    [24, 21, -5],
    [44, 21, -5],
  ]);
  return [...neck, ...loop.slice(1), ...turn.slice(1), ...through.slice(1)];
}

export function flemishWound(): Pick<LaidKnot, 'points' | 'eyeNode'> & { second: SecondRope } {
  const path = nodesOf(single(), 0.2, 40);
  const frames = transportFrames(path);
  const [a, b, c] = [0, 1, 2].map((k) => path.map((_, i) => onTube(path, frames, i, APART, (2 * Math.PI * k) / 3))) as [
    Point3[],
    Point3[],
    Point3[],
  ];
  const [p, q] = [a.at(-1)!, b.at(-1)!];
  const x = p[0];
  const far: Point3 = [x + 12, (p[1] + q[1]) / 2, (p[2] + q[2]) / 2 + 3];
  const eye = splineThrough([
    p,
    [x + 3, p[1] + 2, p[2] + 1],
    [x + 9, p[1] + 3, p[2] + 3],
    far,
    [x + 9, q[1] - 3, q[2] + 3],
    [x + 3, q[1] - 2, q[2] + 1],
    q,
  ]);
  const points = nodesOf([...a, ...eye.slice(1, -1), ...b.reverse()], NODE_SPACING);
  const end = c.at(-1)!;
  const second = nodesOf([...straight([end[0] + 26, end[1], end[2]], end).slice(0, -1), ...c.reverse()], NODE_SPACING);
  return { points, eyeNode: nearestIndex(points, far), second: { points: second } };
}
