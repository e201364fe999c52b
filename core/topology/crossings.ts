/**
 * Crossings of ropes seen along a direction. Models ropes as polylines; a crossing is where two
 * segments meet in the projection at different depths. Whether they meet is decided with exact
 * predicates (Shewchuk's adaptive orientation test), so that the diagram is always that of one plane
 * picture; a view in which a point lies exactly on another strand is refused as not regular. The sign
 * is that of (over x under) seen from the viewer: the right-handed trefoil has writhe +3.
 */
import { orient2d } from 'robust-predicates';
import { cross, dot, perpendicular, type Line3, type Point3, unit } from '../curve';
import { fault } from '../errors';
import { refuseUnfit } from './fitness';

export interface Pass {
  /** which line */
  readonly line: number;
  /** point index, with the fraction along the segment that follows it */
  readonly at: number;
  readonly crossing: number;
  readonly over: boolean;
  readonly sign: 1 | -1;
}

export interface Crossings {
  readonly count: number;
  /** in order along line 0, then line 1, ... */
  readonly passes: readonly Pass[];
}

/** Right-handed basis whose third axis points to the viewer. */
export function viewBasis(toViewer: Point3): readonly [Point3, Point3, Point3] {
  const w = unit(toViewer);
  const u = perpendicular(w);
  return [u, cross(w, u), w];
}

interface Segment {
  readonly line: number;
  readonly i: number;
  /** segments on its line, and whether that closes up */
  readonly m: number;
  readonly closed: boolean;
  readonly a: Point3;
  readonly b: Point3;
  readonly left: number;
  readonly right: number;
  readonly low: number;
  readonly high: number;
}

function projected(lines: readonly Line3[], toViewer: Point3): Segment[] {
  const [u, v, w] = viewBasis(toViewer);
  return lines.flatMap((line, which) => {
    const q = line.points.map((p): Point3 => [dot(p, u), dot(p, v), dot(p, w)]);
    const m = line.closed ? q.length : q.length - 1;
    return Array.from({ length: m }, (_, i) => {
      const a = q[i]!;
      const b = q[(i + 1) % q.length]!;
      return {
        line: which,
        i,
        m,
        closed: line.closed,
        a,
        b,
        left: Math.min(a[0], b[0]),
        right: Math.max(a[0], b[0]),
        low: Math.min(a[1], b[1]),
        high: Math.max(a[1], b[1]),
      };
    });
  });
}

/** Depth below which two strands are one and the same place, as a share of the whole size. */
const TOUCH_SHARE = 1e-10;
/** No knot comes near it; without a limit a tangle of many points fills the memory. */
const MOST_PASSES = 20_000;

/**
 * All crossings seen from `toViewer`.
 * @param lines centre-lines, at least two points each, finite
 * @param toViewer direction from the rope to the eye; any length but zero
 * @param most more crossings than this are refused
 * @throws shape-not-finite, too-few-points, too-many-crossings, strands-touch where two strands meet in space,
 *   view-not-regular where a point lies on another strand in this view: turn a little and try again
 */
export function crossingsSeenFrom(lines: readonly Line3[], toViewer: Point3, most = MOST_PASSES): Crossings {
  refuseUnfit(lines);
  if (!toViewer.every(Number.isFinite)) throw fault('shape-not-finite');
  const segments = projected(lines, toViewer).sort((s, t) => s.left - t.left);
  const size = Math.max(...segments.map((s) => s.right)) - Math.min(...segments.map((s) => s.left)) || 1;
  const found: Pass[] = [];
  let count = 0;
  for (let i = 0; i < segments.length; i++) {
    const s = segments[i]!;
    for (let j = i + 1; j < segments.length && segments[j]!.left <= s.right; j++) {
      const t = segments[j]!;
      if (t.low > s.high || t.high < s.low) continue;
      const gap = Math.abs(s.i - t.i);
      if (s.line === t.line && (gap <= 1 || (s.closed && gap === s.m - 1))) continue;
      // orient2d is positive where the third point lies to the right of the first two
      const d1 = orient2d(s.a[0], s.a[1], s.b[0], s.b[1], t.a[0], t.a[1]);
      const d2 = orient2d(s.a[0], s.a[1], s.b[0], s.b[1], t.b[0], t.b[1]);
      if ((d1 > 0 && d2 > 0) || (d1 < 0 && d2 < 0)) continue;
      const d3 = orient2d(t.a[0], t.a[1], t.b[0], t.b[1], s.a[0], s.a[1]);
      const d4 = orient2d(t.a[0], t.a[1], t.b[0], t.b[1], s.b[0], s.b[1]);
      if ((d3 > 0 && d4 > 0) || (d3 < 0 && d4 < 0)) continue;
      if (d1 === 0 || d2 === 0 || d3 === 0 || d4 === 0) throw fault('view-not-regular');
      const p = d3 / (d3 - d4);
      const q = d1 / (d1 - d2);
      const depth = s.a[2] + p * (s.b[2] - s.a[2]) - t.a[2] - q * (t.b[2] - t.a[2]);
      if (Math.abs(depth) <= TOUCH_SHARE * size) throw fault('strands-touch');
      // t comes from the right of s where d1 is positive: then s x t points to the viewer
      const sign = d1 > 0 === depth > 0 ? 1 : -1;
      found.push(
        { line: s.line, at: s.i + p, crossing: count, over: depth > 0, sign },
        { line: t.line, at: t.i + q, crossing: count, over: depth < 0, sign },
      );
      count++;
      if (count > most) throw fault('too-many-crossings', { most });
    }
  }
  found.sort((x, y) => x.line - y.line || x.at - y.at);
  // numbered in the order met, so that the same view gives the same numbers
  const number = new Map<number, number>();
  const passes = found.map((p) => {
    if (!number.has(p.crossing)) number.set(p.crossing, number.size);
    return { ...p, crossing: number.get(p.crossing)! };
  });
  return { count, passes };
}
