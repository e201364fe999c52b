/**
 * The follow-through with its backup once more, the backup as a flat diagram: the tail goes up beside the standing part, comes down round both in passes that
 * lie in front and behind in turn, and goes up again between them.
 */
import { nearestIndex, splineThrough, type Point3 } from '../../../curve';
import { NODE_SPACING } from '../../../rope';
import { flatDiagram, nodesOf } from '../../laying/authoring';
import { joinedByEye, pair } from '../../laying/on-bight';
import { EIGHT } from '../../laying/single-paths';

const STEP = 2.6;
const ASIDE = 5;
const FRONT = 2.6;

/** @param turns whole turns round standing part and tail */
export function backedFlat(turns: 1 | 2): { points: Point3[]; eyeNode: number } {
  const path = flatDiagram(EIGHT, { scale: 1.4, height: 0.68, plateau: 1.9 });
  const { points: loop, eyeNode: laidEye } = joinedByEye(pair(path, 1));
  const eye = loop[laidEye]!;
  const top = Math.max(...loop.filter((p) => Math.abs(p[2]) > 0.1).map((p) => p[1]));
  const foot = loop.findLastIndex((p) => p[1] < top + 3);
  const from = loop[foot]!;
  const side = Math.sign(from[0]);
  const high = from[1] + 3 + STEP * (2 * turns + 1);
  const at = (x: number, y: number, z: number): Point3 => [side * x, y, z];
  // up on its own side, then passes: across in front, back behind
  const passes: Point3[] = [];
  for (let k = 0; k <= turns; k++) {
    const y = high - 2 * STEP * k;
    passes.push(at(ASIDE, y + 0.6, FRONT), at(0, y, FRONT), at(-ASIDE, y - STEP * 0.3, 0));
    if (k < turns)
      passes.push(at(-ASIDE, y - STEP * 0.7, -FRONT), at(0, y - STEP, -FRONT), at(ASIDE, y - STEP * 1.4, 0));
  }
  const last = high - 2 * STEP * turns;
  // round behind once more and up inside, between the passes in front and those behind
  const inside: Point3[] = [
    at(-ASIDE, last - STEP * 0.8, -1),
    at(-2.6, last - STEP * 1.1, -0.6),
    at(-2, last, 0.2),
    at(-2, high, 0.2),
    at(-2.2, high + 8, 0),
    at(-3, high + 26, 0),
  ];
  const line = splineThrough([
    loop[foot - 8]!,
    from,
    at(1.8, from[1] + 5, 0),
    at(2, high + 0.4, 0.3),
    at(3.4, high + 2.4, 1.4),
    ...passes,
    ...inside,
  ]).slice(24);
  const points = nodesOf([...loop.slice(0, foot), ...line], NODE_SPACING, 8);
  return { points, eyeNode: nearestIndex(points, eye) };
}
