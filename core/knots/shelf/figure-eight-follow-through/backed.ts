/**
 * A follow-through whose tail goes on into a barrel round the standing part and itself, started a little above and butted down on the knot.
 * The barrel's axis is the standing part, upright. The solver begins with the catalogue's follow-through as it is set and the barrel nearly shut above
 * it: so it stays butted. Unit: rope diameters.
 */
import { nearestIndex, splineThrough, straight, type Point3 } from '../../../curve';
import { NODE_SPACING } from '../../../rope';
import { flatDiagram, nodesOf } from '../../laying/authoring';
import { BARREL, barrel } from '../../laying/barrels';
import { EYE_RADIUS } from '../../laying/drawing';
import type { LaidKnot } from '../../shape/laid';
import { baked } from './baked';
import { joinedByEye, pair } from '../../laying/on-bight';
import { EIGHT } from '../../laying/single-paths';
import { pointsOf } from '../../shape/stored';

const SCALE = 1.4;
const LAID_PITCH = 2;
const LAID_GAP = 3;
/** turns of the barrel as the solver finds it: nearly shut, just above the eight */
const PITCH = 1.15;
const RADIUS = 1.72;
const GAP = 0.3;
const UP = 26;
/** a gap in which something could be clipped */
const SLID = 7;
const ASIDE = 3.2;

/** The barrel's own axis is x; here it stands upright, its y to the left. */
const upright = ([x, y, z]: Point3): Point3 => [-y, x, z];

/** What can be wrong with it. */
interface Wrong {
  /** so much rope between the knot and the barrel */
  readonly gap?: number;
  /** the barrel stands so far aside of the standing part that it goes round the tail alone */
  readonly aside?: number;
}

/** The laid form: the flat eight's pair, and on the tail's lane a wide barrel round both. */
function laidForm(turns: 1 | 2, { gap = 0, aside = 0 }: Wrong): { points: Point3[]; eyeNode: number } {
  const path = flatDiagram(EIGHT, { scale: SCALE, height: 0.68, plateau: 1.9 });
  const { points: loop, eyeNode } = joinedByEye(pair(path, 1));
  const eye = loop[eyeNode]!;
  const near = Math.max(...loop.filter((p) => Math.abs(p[2]) > 0.1).map((p) => p[1])) + LAID_GAP + gap + aside;
  const far = near + LAID_PITCH * turns;
  const end = loop.findLastIndex((p) => p[1] < (aside === 0 ? far - 0.8 : near - aside - LAID_GAP / 2));
  const lane = loop[end]![0];
  const away = Math.sign(lane) * aside;
  const across = ([y, z]: readonly [number, number]): readonly [number, number] => [y - away, z];
  const turned = barrel({
    ...BARREL,
    turns,
    near,
    far,
    comesIn: across([-lane, 0]),
    goesOut: across(BARREL.goesOut),
    middle: across(BARREL.middle),
  }).map(upright);
  const out = turned[0]!;
  const rise =
    aside === 0
      ? straight([lane, far - 0.8, 0], out)
      : splineThrough([
          loop[end - 2]!,
          loop[end]!,
          [lane + away / 2, near - aside / 2, 0],
          [out[0], near, 0],
          out,
        ]).slice(24);
  const points = nodesOf([...loop.slice(0, end), ...rise.slice(0, -1), ...turned], NODE_SPACING, 10);
  return { points, eyeNode: nearestIndex(points, eye) };
}

/** The catalogue's follow-through as it is set, its two strands led up side by side, and the barrel of the tail nearly shut above it. */
function startForm(
  turns: 1 | 2,
  { gap = 0, aside = 0 }: Wrong,
): { points: Point3[]; eyeNode: number; barrelFrom: number } {
  const eight = baked.forms['right']!.set.tight;
  const { standing, tail, eye } = eight.marks;
  const knot = pointsOf(eight).slice(standing[1], tail[0] + 1);
  const top = Math.max(...knot.map((p) => p[1]));
  const near = top + GAP + gap + aside;
  const far = near + PITCH * turns;
  const [s, t] = [knot[0]!, knot.at(-1)!];
  // side by side about their middle, a diameter and a little apart
  const middle: readonly [number, number] = [(s[0] + t[0]) / 2, (s[2] + t[2]) / 2];
  const l = Math.hypot(t[0] - s[0], t[2] - s[2]);
  const [ux, uz] = [(t[0] - s[0]) / l, (t[2] - s[2]) / l];
  const at = (along: number, out: number): readonly [number, number] => [
    middle[0] + ux * along - uz * out,
    middle[1] + uz * along + ux * out,
  ];
  const [sAt, tAt, oAt] = [at(-0.52, -0.3), at(0.52 + aside, -0.3), at(aside, 0.6)];
  const down = splineThrough([
    [sAt[0], far + UP, sAt[1]],
    [sAt[0], far, sAt[1]],
    [sAt[0], near, sAt[1]],
    [(sAt[0] + s[0]) / 2, (near + s[1]) / 2, (sAt[1] + s[2]) / 2],
    s,
    knot[2]!,
  ]).slice(0, -24);
  const rise = splineThrough([
    knot.at(-3)!,
    t,
    [(tAt[0] + t[0]) / 2, (near + t[1]) / 2, (tAt[1] + t[2]) / 2],
    [tAt[0], near, tAt[1]],
    [tAt[0], far - 0.3, tAt[1]],
  ]).slice(24);
  const across = (p: readonly [number, number]): readonly [number, number] => [-p[0], p[1]];
  const turned = barrel({
    turns,
    near,
    far,
    radius: RADIUS,
    comesIn: across(tAt),
    goesOut: across(oAt),
    middle: across(at(aside, 0)),
    tail: UP,
  }).map(upright);
  const before = [...down, ...knot.slice(1)];
  const points = nodesOf([...before, ...rise.slice(1), ...turned.slice(1)], NODE_SPACING, 4);
  const eyeNode = nearestIndex(points, pointsOf(eight)[eye!]!);
  return { points, eyeNode, barrelFrom: nearestIndex(points, turned[0]!, eyeNode) };
}

/** @param turns of the barrel: two for a double overhand, one for a single one */
export function backedFollowThrough(turns: 1 | 2, wrong: Wrong = {}): LaidKnot {
  const laid = laidForm(turns, wrong);
  const start = startForm(turns, wrong);
  const butted = wrong.gap === undefined && wrong.aside === undefined;
  const last = start.points.length - 1 - Math.round((UP - 4) / NODE_SPACING);
  return {
    points: laid.points,
    laidEyeNode: laid.eyeNode,
    start: start.points,
    eyeNode: start.eyeNode,
    drawing: {
      pulls: [
        { rope: 0, end: 'standing', direction: [0, 1, 0], share: 1 },
        { rope: 0, end: 'tail', direction: [0, 1, 0.03], share: turns === 2 ? 0.7 : 1 },
      ],
      eyes: [{ rope: 0, node: start.eyeNode, direction: [0, -1, 0], share: 1.7, radius: EYE_RADIUS }],
      turns: [
        { nodes: [start.barrelFrom, last], axis: [0, 1, 0], ...(butted && { along: turns === 2 ? -2.4 : -1.9 }) },
      ],
      stages: [
        { duration: 40, force: [0.02, 0.1], friction: 0.06, thickness: [0.8, 1] },
        { duration: 300, force: [0.1, 0.3], friction: 0.05, squeeze: 0.006 },
        { duration: 120, force: [0.3, 0.2], friction: 0.2, squeeze: 0.003 },
      ],
    },
  };
}

/** Wrong forms of a follow-through backed up so: slid away from the knot; round the tail alone, the standing part beside it. */
export const wronglyBacked = (turns: 1 | 2) => ({
  'stopper-gap': () => backedFollowThrough(turns, { gap: SLID }),
  'stopper-wrong-face': () => backedFollowThrough(turns, { aside: ASIDE }),
});
