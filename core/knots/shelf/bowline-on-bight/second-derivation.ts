/**
 * The bowline on the bight once more, as it is tied: both strands side by side make a nipping loop and an eye and come up through the loop as a bight; the
 * bight is opened, passed down in front of everything, under both eyes, and up behind to the standing strands. Here it lies where it has been
 * passed to, not drawn up: its two long legs go round the whole knot.
 */
import { lanes, nearestIndex, splineThrough, type Point3 } from '../../../curve';
import { NODE_SPACING } from '../../../rope';
import { flatDiagram, nodesOf, reversed, type Control } from '../../laying/authoring';
import { EYE, NIPPING_LOOP } from '../bowline/parts';

const SCALE = 1.7;
/** up through the nipping loop, in front of its top */
// prettier-ignore
const RISE: readonly Control[] = [[0.9, -3, -1], [0.9, 0, 0], [1.6, 2.6, 1], [3.2, 5.4, 0], [4.4, 8, 0], [5, 11, 0]];

/** @returns solver nodes, standing end first, and the far points of the two eyes, that of the first strand first */
export function bowlineOnBightTied(): { points: Point3[]; eyes: [number, number] } {
  const path = flatDiagram([...NIPPING_LOOP, ...EYE, [1.5, -5.2], ...RISE], {
    scale: SCALE,
    height: 0.7,
    plateau: 1.7,
  });
  const [first, second] = lanes(path, 2, 1.28) as [Point3[], Point3[]];
  const [a, b] = [first.at(-1)!, second.at(-1)!];
  // a leg of the opened bight: over the top, down in front on its side, under the eyes, up behind
  const leg = (from: Point3, side: 1 | -1, out: number): Point3[] => [
    from,
    [from[0] + side * 1.5, from[1] + 3, 2],
    [side * out * 0.7 + 2, from[1] + 2, 4.5],
    [side * out, 8, 5],
    [side * out, -16, 5],
    [side * out * 0.8, -38, 4],
    [side * 4, -46, 0],
    [side * out * 0.6, -40, -4],
    [side * out * 0.8, -16, -5],
    [side * 6, 10, -5],
    [side * 3, 20, -4],
  ];
  const bight = splineThrough([...leg(a, -1, 16), [0, 24, -3.5], ...reversed(leg(b, 1, 16))]);
  const points = nodesOf([...first, ...bight.slice(1, -1), ...reversed(second)], NODE_SPACING, 14);
  const far: Point3 = [0, -20.4 * SCALE, 0];
  const eyeOne = nearestIndex(points.slice(0, points.length >> 1), far);
  const half = points.length >> 1;
  return { points, eyes: [eyeOne, half + nearestIndex(points.slice(half), far)] };
}
