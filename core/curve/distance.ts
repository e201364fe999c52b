/**
 * Smallest distance between parts of ropes, centre-line to centre-line, in the unit of the points.
 * Neighbouring parts of one rope are left out up to a given arc length.
 */
import Flatbush from 'flatbush';
import { arcLengths } from './polyline';
import type { Line3, Point3 } from './types';
import { dot, norm, subtract } from './vector';

// looked up once: in a context of its own a program pays for each look
const { abs, hypot, max, min } = Math;

const clamp01 = (x: number) => (x < 0 ? 0 : x > 1 ? 1 : x);

/** Below this square of the sine of their angle two segments count as nearly parallel: the formula for skew lines loses its digits. */
const NEARLY_PARALLEL = 1e-5;

/** A segment whose squared length is below this is a point. */
const NO_LENGTH = 1e-30;

/** Distance of a point from the segment r-t. */
function pointDistance(p: Point3, r: Point3, t: Point3): number {
  const w = subtract(t, r);
  const d = subtract(p, r);
  const e = dot(w, w);
  const v = e === 0 ? 0 : clamp01(dot(w, d) / e);
  return norm([d[0] - v * w[0], d[1] - v * w[1], d[2] - v * w[2]]);
}

/**
 * Distance of the segments p-q and r-t (clamped closest points; Ericson, Real-Time Collision Detection, 5.1.9). Of
 * nearly parallel ones the ends are looked at too.
 */
export function segmentDistance(p: Point3, q: Point3, r: Point3, t: Point3): number {
  const u = subtract(q, p);
  const w = subtract(t, r);
  const d = subtract(p, r);
  const a = dot(u, u);
  const e = dot(w, w);
  const b = dot(u, w);
  const c = dot(u, d);
  const f = dot(w, d);
  const ends = () =>
    min(pointDistance(p, r, t), pointDistance(q, r, t), pointDistance(r, p, q), pointDistance(t, p, q));
  if (a < NO_LENGTH || e < NO_LENGTH) return ends();
  const denominator = a * e - b * b;
  let s = denominator > 1e-12 * a * e ? clamp01((b * f - c * e) / denominator) : 0.5;
  let v = (b * s + f) / e;
  if (v < 0) {
    v = 0;
    s = clamp01(-c / a);
  } else if (v > 1) {
    v = 1;
    s = clamp01((b - c) / a);
  }
  const inside = norm([d[0] + s * u[0] - v * w[0], d[1] + s * u[1] - v * w[1], d[2] + s * u[2] - v * w[2]]);
  return denominator > NEARLY_PARALLEL * a * e ? inside : min(inside, ends());
}

/** A piece of a line, with where along it its middle lies. */
interface Segment {
  readonly which: number;
  readonly from: Point3;
  readonly to: Point3;
  /** arc length at its middle, and half its own */
  readonly s: number;
  readonly half: number;
  /** length of the whole line where that is closed, else Infinity: the other way round is as long as this is more */
  readonly round: number;
}

function segmentsOf(line: Line3, which: number): Segment[] {
  const ring = line.closed ? [...line.points, line.points[0]!] : line.points;
  const s = arcLengths(ring);
  const round = line.closed ? s.at(-1)! : Infinity;
  return ring.slice(1).map((to, i) => ({
    which,
    from: ring[i]!,
    to,
    s: (s[i]! + s[i + 1]!) / 2,
    half: (s[i + 1]! - s[i]!) / 2,
    round,
  }));
}

/** Rope between two pieces of one line, the shorter way. */
function arcBetween(a: Segment, b: Segment): number {
  const arc = abs(a.s - b.s);
  return min(arc, a.round - arc) - a.half - b.half;
}

/**
 * Smallest distance of parts that are no neighbours. Pairs are looked for in an index of the pieces as seen along z.
 * @param lines centre-lines
 * @param neighbourArc parts of the same line closer than this along the rope count as neighbours (>= 0)
 * @returns Infinity where there are no such parts
 */
export function smallestDistance(lines: readonly Line3[], neighbourArc: number): number {
  const segments = lines.flatMap(segmentsOf);
  if (segments.length < 2) return Infinity;
  const index = new Flatbush(segments.length, 16, Float64Array);
  for (const { from, to } of segments)
    index.add(min(from[0], to[0]), min(from[1], to[1]), max(from[0], to[0]), max(from[1], to[1]));
  index.finish();
  let least = Infinity;
  segments.forEach((a, i) => {
    const { from, to } = a;
    const near = index.search(
      min(from[0], to[0]) - least,
      min(from[1], to[1]) - least,
      max(from[0], to[0]) + least,
      max(from[1], to[1]) + least,
      (j) => j > i,
    );
    for (const j of near) {
      const b = segments[j]!;
      if (a.which === b.which && arcBetween(a, b) < neighbourArc) continue;
      const mid = hypot(
        (from[0] + to[0] - b.from[0] - b.to[0]) / 2,
        (from[1] + to[1] - b.from[1] - b.to[1]) / 2,
        (from[2] + to[2] - b.from[2] - b.to[2]) / 2,
      );
      if (mid - a.half - b.half > least) continue;
      const d = segmentDistance(from, to, b.from, b.to);
      if (d < least) least = d;
    }
  });
  return least;
}
