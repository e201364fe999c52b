/**
 * Rope centre-lines as polylines: arc length, even resampling, light smoothing, centripetal Catmull-Rom.
 * Unit: rope diameters. Assumes at least two distinct points; closed lines do not repeat their first point.
 */
import type { Point3 } from './types';
import { distance, lerp } from './vector';

/**
 * Arc length from the first point to each point.
 * @example arcLengths([[0,0,0],[3,4,0]]) // [0, 5]
 */
export function arcLengths(points: readonly Point3[]): number[] {
  const lengths = [0];
  for (let i = 1; i < points.length; i++) lengths.push(lengths[i - 1]! + distance(points[i - 1]!, points[i]!));
  return lengths;
}

export function lengthOf(points: readonly Point3[]): number {
  return arcLengths(points).at(-1) ?? 0;
}

/**
 * Points at even arc length along an open line; both ends are kept.
 * @param step wished spacing, > 0, in the unit of the points; the true one divides the length evenly
 */
export const resample = (points: readonly Point3[], step: number): Point3[] =>
  resampleAlong(points, arcLengths(points), step);

/**
 * The same by another measure along the line, such as the length of its shadow.
 * @param s the measure at each point, growing from 0
 */
export function resampleAlong(points: readonly Point3[], s: readonly number[], step: number): Point3[] {
  const total = s.at(-1)!;
  const n = Math.max(2, Math.round(total / step));
  const out: Point3[] = [];
  let j = 0;
  for (let k = 0; k <= n; k++) {
    const at = (total * k) / n;
    while (j < s.length - 2 && s[j + 1]! < at) j++;
    const span = s[j + 1]! - s[j]! || 1;
    out.push(lerp(points[j]!, points[j + 1]!, Math.min(1, Math.max(0, (at - s[j]!) / span))));
  }
  return out;
}

/** Binomial smoothing (1/4, 1/2, 1/4), `rounds` times; the ends stay. */
export function smooth(points: readonly Point3[], rounds: number): Point3[] {
  let current = points.slice();
  for (let k = 0; k < rounds; k++) {
    current = current.map((p, i) => {
      const a = current[i - 1];
      const b = current[i + 1];
      if (!a || !b) return p;
      return [
        0.25 * a[0] + 0.5 * p[0] + 0.25 * b[0],
        0.25 * a[1] + 0.5 * p[1] + 0.25 * b[1],
        0.25 * a[2] + 0.5 * p[2] + 0.25 * b[2],
      ];
    });
  }
  return current;
}

/**
 * Centripetal Catmull-Rom spline through the control points (Barry and Goldman's pyramid, alpha = 1/2):
 * passes through every point and makes no cusps or loops inside a segment.
 * @param perSegment points computed for each segment, >= 1
 */
export function splineThrough(control: readonly Point3[], perSegment = 24): Point3[] {
  const n = control.length;
  const mirrored = (a: Point3, b: Point3): Point3 => [2 * a[0] - b[0], 2 * a[1] - b[1], 2 * a[2] - b[2]];
  const at = (i: number): Point3 =>
    i < 0 ? mirrored(control[0]!, control[1]!) : i >= n ? mirrored(control[n - 1]!, control[n - 2]!) : control[i]!;
  const out: Point3[] = [];
  for (let i = 0; i < n - 1; i++) {
    const p = [at(i - 1), at(i), at(i + 1), at(i + 2)] as const;
    const t: number[] = [0];
    for (let k = 1; k < 4; k++) t.push(t[k - 1]! + Math.sqrt(Math.max(1e-9, distance(p[k - 1]!, p[k]!))));
    for (let s = 0; s < perSegment; s++) {
      const u = t[1]! + ((t[2]! - t[1]!) * s) / perSegment;
      const mix = (a: Point3, b: Point3, ta: number, tb: number) => lerp(a, b, (u - ta) / (tb - ta));
      const a1 = mix(p[0], p[1], t[0]!, t[1]!);
      const a2 = mix(p[1], p[2], t[1]!, t[2]!);
      const a3 = mix(p[2], p[3], t[2]!, t[3]!);
      out.push(mix(mix(a1, a2, t[0]!, t[2]!), mix(a2, a3, t[1]!, t[3]!), t[1]!, t[2]!));
    }
  }
  out.push(control[n - 1]!);
  return out;
}

/** Index of the point nearest to `target`, searched from `from` on. */
export function nearestIndex(points: readonly Point3[], target: Point3, from = 0): number {
  let best = from;
  let least = Infinity;
  for (let i = from; i < points.length; i++) {
    const d = distance(points[i]!, target);
    if (d < least) {
      least = d;
      best = i;
    }
  }
  return best;
}

/** Evenly spaced points from `a` to `b`, both included, about `step` apart. */
export function straight(a: Point3, b: Point3, step = 1): Point3[] {
  const n = Math.max(1, Math.round(distance(a, b) / step));
  return Array.from({ length: n + 1 }, (_, i) => lerp(a, b, i / n));
}
