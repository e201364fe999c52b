/**
 * Alpine butterfly by the twist: the motion written down in space. The line is twisted half over, and
 * half over once more: two crossings, one above the other, and a far loop. The far loop is folded down
 * behind, one leg on each side of the knot, comes round in front of the line and up through the small loop
 * between the two crossings. The false one's second twist is made the other way; nothing else differs.
 */
import { nearestIndex, splineThrough, type Point3 } from '../../../curve';
import { NODE_SPACING } from '../../../rope';
import { nodesOf, turnedUpsideDown } from '../../laying/authoring';
import { drawnAcross } from '../../laying/drawing';
import type { LaidKnot } from '../../shape/laid';

const SCALE = 1.55;
/** half the height between the strands where the twists cross */
const LIFT = 0.45;

/** One half of the rope, from its end into the eye. `side` -1 left, 1 right; lifts of the first and second crossing. */
function half(side: 1 | -1, first: number, second: number, tucked = true): Point3[] {
  const q = side;
  if (!tucked)
    return [
      [q * 24, 0, 0],
      [q * 14, 0, 0],
      [q * 9, 0, 0],
      [q * 5.5, 0.3, 0],
      [q * 2.6, 1.4, first * 0.6],
      [0, 3, first],
      [-q * 2.8, 4.6, 0],
      [-q * 2.8, 6.6, 0],
      [0, 8.2, second],
      [q * 2.4, 9.6, second * 0.3],
      [q * 4.2, 11, -0.6],
      [q * 5.4, 11.4, -1.6],
      [q * 5.8, 10, -2],
      [q * 5.4, 6, -2],
      [q * 4.8, 2, -1.9],
      [q * 4.2, -0.7, -1.5],
      [q * 3.6, -3, -1],
      [q * 3.2, -6, -0.6],
      [q * 3, -9, -0.2],
      [q * 2, -11.2, 0],
    ];
  return [
    [q * 24, 0, 0],
    [q * 14, 0, 0],
    [q * 9, 0, 0],
    [q * 5.5, 0.3, 0],
    [q * 2.6, 1.4, first * 0.6],
    [0, 3, first],
    [-q * 2.8, 4.6, 0],
    [-q * 2.8, 6.6, 0],
    [0, 8.2, second],
    [q * 2.4, 9.6, second * 0.3],
    [q * 4.2, 11, -0.6],
    [q * 5.4, 11.4, -1.6],
    [q * 5.8, 10, -2],
    [q * 5.4, 6, -2],
    [q * 4.8, 2, -1.9],
    [q * 4.2, -0.7, -1.5],
    [q * 3.2, -2.3, -0.6],
    [q * 1.8, -2.3, 0.8],
    [q * 1.1, -0.9, 1.5],
    [q * 1, 1.4, 1.6],
    [q * 1, 3.6, 1.5],
    [q * 1, 5, 0.7],
    [q * 1, 6, -0.6],
    [q * 1, 7.2, -1.6],
    [q * 1, 9.6, -1.8],
    [q * 1.8, 13, -1.4],
    [q * 2.6, 16, -0.7],
    [q * 1.9, 18.6, 0],
  ];
}

/**
 * @param secondTwist 1 in the same sense as the first, -1 the other way
 * @param tucked false where the eye has been drawn back out of the small loop and hangs behind
 */
export function butterflyByTwist(secondTwist: 1 | -1, tucked = true): LaidKnot {
  const left = half(-1, -LIFT, secondTwist * LIFT, tucked);
  const right = half(1, LIFT, -secondTwist * LIFT, tucked);
  const far: Point3 = tucked ? [0, 19.8, 0] : [0, -12, 0];
  const control = [...left, far, ...right.reverse()].map((p): Point3 => [p[0] * SCALE, p[1] * SCALE, p[2] * SCALE]);
  const points = turnedUpsideDown(nodesOf(splineThrough(control), NODE_SPACING));
  const eyeNode = nearestIndex(points, [0, -far[1] * SCALE, 0]);
  const drawing = drawnAcross(eyeNode, points[0]![0] < 0 ? -1 : 1);
  return { points, eyeNode, drawing };
}
