/**
 * How a drawn-up knot is turned, and how its eye and ends are drawn to size: loops and nooses with the
 * standing part up and the eye down, midline loops with the rope across and the eye down, stoppers with
 * the standing part up. Rope that lies in the eye or beyond the knot is free, so drawing it to size is what
 * working slack out by the legs does.
 */
import {
  add,
  cross,
  distance,
  dot,
  lerp,
  nearestIndex,
  norm,
  resample,
  scale,
  splineThrough,
  subtract,
  unit,
  type Point3,
} from '../../curve';
import { NODE_SPACING, type Moment } from '../../rope';
import { contactCentre } from '../../rope';
import type { Cut, Placed, Presentation } from '../shape/presentation';

type Sized = Exclude<Presentation, Placed>;

const KNOT_SHARE = 0.12;
/** strong contacts farther than this from one another along the way out are no part of the knot, diameters */
const LARGEST_GAP = 0.8;
const FARTHEST = 7.5;

/** Centre and radius of the ball round the loaded core of a tight knot. */
export function ballOf({ ropes, load }: Moment): { centre: Point3; radius: number } {
  const points = ropes[0]!;
  const centre = contactCentre(points, load);
  const most = Math.max(...load);
  const reaches = points
    .flatMap((p, i) => (load[i]! > KNOT_SHARE * most ? [distance(p, centre)] : []))
    .sort((a, b) => a - b);
  let radius = reaches[0] ?? 0;
  for (const r of reaches) if (r - radius < LARGEST_GAP && r < FARTHEST) radius = r;
  return { centre, radius: radius + 0.3 };
}

export interface Span {
  readonly first: number;
  readonly last: number;
  /** where the legs leave the knot; missing where there is no eye */
  readonly eye?: { readonly from: number; readonly to: number };
}

/** First and last node of the knot proper, and where the eye's legs leave it: inside the ball. */
export function spanIn(points: readonly Point3[], centre: Point3, radius: number, eyeNode: number | undefined): Span {
  const inside = points.map((p) => distance(p, centre) < radius);
  const first = inside.indexOf(true);
  const last = inside.lastIndexOf(true);
  if (eyeNode === undefined) return { first, last };
  let from = eyeNode;
  while (from > first && !inside[from]) from--;
  let to = eyeNode;
  while (to < last && !inside[to]) to++;
  return { first, last, eye: { from, to } };
}

/** Turned so that `up` is the y axis and `across` lies in the picture, then by the presentation's own angles. */
function upright(
  points: readonly Point3[],
  centre: Point3,
  up: Point3,
  across: Point3,
  { frontYaw_deg, frontPitch_deg = 0 }: Cut,
): Point3[] {
  const y = unit(up);
  const x0 = unit(subtract(across, scale(y, dot(across, y))));
  const z0 = cross(x0, y);
  const a = (frontYaw_deg * Math.PI) / 180;
  const b = (frontPitch_deg * Math.PI) / 180;
  return points.map((p): Point3 => {
    const q = subtract(p, centre);
    const [x, h, z] = [dot(q, x0), dot(q, y), dot(q, z0)];
    const z1 = -x * Math.sin(a) + z * Math.cos(a);
    return [x * Math.cos(a) + z * Math.sin(a), h * Math.cos(b) - z1 * Math.sin(b), h * Math.sin(b) + z1 * Math.cos(b)];
  });
}

const RUNS_ON = 1.2;
const LEGS_APART = 1.15;

/** The eye drawn to size: a drop of the wished depth in the plane of the picture. */
function withEye(
  points: readonly Point3[],
  eyeFrom: number,
  eyeTo: number,
  depth: number,
): { points: Point3[]; eye: number } {
  const keep = 4;
  const a = points[eyeFrom + keep]!;
  const b = points[eyeTo - keep]!;
  const middle = lerp(a, b, 0.5);
  const side = b[0] < a[0] ? -1 : 1;
  const half = Math.min(3.4, 1.4 + depth / 6);
  const at = (x: number, y: number): Point3 => add(middle, [side * x, -y, 0]);
  // a leg runs on a little as it leaves the knot, then swings out
  const straightFrom = add(a, scale(unit(subtract(a, points[eyeFrom + keep - 3]!)), RUNS_ON));
  const straightTo = add(b, scale(unit(subtract(b, points[eyeTo - keep + 3]!)), RUNS_ON));
  // and clear of the other, where the two lean together
  const between = subtract(straightTo, straightFrom);
  const aside = scale(unit(between), Math.max(0, LEGS_APART - norm(between)) / 2);
  const [onFrom, onTo] = [subtract(straightFrom, aside), add(straightTo, aside)];
  const drop = splineThrough([
    points[eyeFrom + keep - 2]!,
    a,
    onFrom,
    at(-half, depth * 0.6),
    at(-half * 0.86, depth * 0.82),
    at(-half * 0.45, depth * 0.96),
    at(0, depth),
    at(half * 0.45, depth * 0.96),
    at(half * 0.86, depth * 0.82),
    at(half, depth * 0.6),
    onTo,
    b,
    points[eyeTo - keep + 2]!,
  ]);
  const inner = resample(drop.slice(24, -24), NODE_SPACING);
  const before = points.slice(0, eyeFrom + keep);
  const all = [...before, ...inner, ...points.slice(eyeTo - keep + 1)];
  return { points: all, eye: nearestIndex(all, at(0, depth), before.length) };
}

/** An end led straight on from where it leaves the knot, easing into `direction`. */
function ledOn(points: readonly Point3[], last: number, direction: Point3, length: number): Point3[] {
  const out = points.slice(0, last + 1);
  let heading = unit(subtract(points[last]!, points[last - 2]!));
  for (let s = 0; s < length; s += NODE_SPACING) {
    heading = unit(lerp(heading, direction, 0.16));
    out.push(add(out.at(-1)!, scale(heading, NODE_SPACING)));
  }
  return out;
}

/** How far aside of the standing part a tail is led, tangent of the angle: no farther than it takes to lie clear of it. */
const ASIDE = [0.14, 0.24, 0.36, 0.5];
const CLEAR = 0.99;

/** Where the tail goes once it has left the knot. */
function tailHeading(points: readonly Point3[], { first, last }: Span, p: Sized, aside: number): Point3 {
  if (p.kind === 'midline') return [1, 0, 0];
  if (p.kind === 'stopper') return unit(subtract(points[Math.min(points.length - 1, last + 8)]!, points[last]!));
  if (p.kind === 'loop' && p.tail === 'inside-eye') return unit([0, -1, 0.22]);
  // up, and a little away from the standing part
  const exit = points[last]!;
  const beside = points
    .slice(0, first + 1)
    .reduce((best, q) => (Math.abs(q[1] - exit[1] - 3) < Math.abs(best[1] - exit[1] - 3) ? q : best), points[0]!);
  const away = unit([exit[0] - beside[0], 0, exit[2] - beside[2]]);
  return unit([aside * away[0], 1, aside * away[2]]);
}

export interface Presented {
  readonly points: Point3[];
  readonly things: Point3[][];
  readonly span: Span;
  /** index of the eye's far point */
  readonly eye: number | undefined;
  /** points that the eye, drawn to size, has more (or fewer) than nodes */
  readonly grown: number;
  /** points that stand before the solver's first node (an end led on anew) */
  readonly before: number;
  /** the knot proper, turned: for measuring */
  readonly core: readonly Point3[];
  /** turns any other points of the same solution likewise */
  readonly turn: (points: readonly Point3[]) => Point3[];
}

/** A knot with an end that never came back is turned by where that end goes. */
const OPEN_LEG_NODES = 8;

/** A tight knot opened evenly about its centre, the rope as thick as before: dressed, not set. It is similar to the tight one, so it is the same knot. */
export const loosened = (at: Moment, centre: Point3, by: number): Moment => ({
  ...at,
  ropes: at.ropes.map((rope) => rope.map((p) => add(centre, scale(subtract(p, centre), by)))),
  things: [],
});

/**
 * @param at the knot as solved, or that loosened
 * @param eyeNode far point of the eye; for an open end the node where it would be
 */
export function presented(
  at: Moment,
  centre: Point3,
  radius: number,
  eyeNode: number | undefined,
  openEnd: boolean,
  p: Sized,
): Presented {
  const points = at.ropes[0]!;
  const span = spanIn(points, centre, radius, openEnd ? undefined : eyeNode);
  const { first, last, eye } = span;
  const straightOn = points[Math.min(points.length - 1, last + OPEN_LEG_NODES)]!;
  const legs: readonly [Point3, Point3] = eye
    ? [points[Math.min(eye.from + 5, eyeNode!)]!, points[Math.max(eye.to - 5, eyeNode!)]!]
    : [straightOn, add(straightOn, [1, 0, 0])];
  const standing = points[Math.max(0, first - 12)]!;
  const up =
    p.kind === 'midline'
      ? subtract(centre, lerp(legs[0], legs[1], 0.5))
      : subtract(standing, p.kind === 'stopper' ? points[first]! : lerp(legs[0], legs[1], 0.5));
  const across = p.kind === 'midline' ? subtract(points[last]!, points[first]!) : subtract(legs[1], legs[0]);
  const turn = (q: readonly Point3[]) => upright(q, centre, up, across, p);
  const turned = turn(points);
  const things = at.things.map(turn);
  const core = turned.filter((_, i) => i >= first && i <= last && (!eye || i <= eye.from || i >= eye.to));
  const base = { things, core, turn, span };
  if (openEnd) return { ...base, points: turned, eye: undefined, grown: 0, before: 0 };
  const sized =
    'eye_ropeDiameters' in p && eye
      ? withEye(turned, eye.from, eye.to, p.eye_ropeDiameters)
      : { points: turned, eye: eyeNode };
  const grown = sized.points.length - turned.length;
  const led = ASIDE.map((aside) =>
    ledOn(sized.points, last + grown, tailHeading(turned, span, p, aside), p.tail_ropeDiameters),
  );
  const tailed =
    led.find((q) => q.slice(last + grown + 3).every((t) => q.slice(0, first).every((s) => distance(s, t) >= CLEAR))) ??
    led[0]!;
  if (p.kind !== 'midline') return { ...base, points: tailed, eye: sized.eye, grown, before: 0 };
  const both = ledOn(tailed.reverse(), tailed.length - 1 - first, [-1, 0, 0], p.standing_ropeDiameters).reverse();
  const before = both.length - tailed.length;
  return { ...base, points: both, eye: sized.eye === undefined ? undefined : sized.eye + before, grown, before };
}
