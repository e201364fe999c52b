/**
 * A line made even and smooth in one go, for what is asked thousands of times: ropes that are compared, ropes that hands lead. The same as
 * `smooth(resample(points, step), rounds)` with its arc lengths, within rounding. Unit: that of the points.
 */
import type { Point3 } from './types';

/** Coordinates one after another, so that nothing is made anew for each point. */
const flat = (points: readonly Point3[]): Float64Array => {
  const xyz = new Float64Array(3 * points.length);
  for (let i = 0; i < points.length; i++) {
    const p = points[i]!;
    xyz[3 * i] = p[0];
    xyz[3 * i + 1] = p[1];
    xyz[3 * i + 2] = p[2];
  }
  return xyz;
};

/** Arc length from the first point to each. */
function along(xyz: Float64Array): Float64Array {
  const s = new Float64Array(xyz.length / 3);
  for (let i = 1; i < s.length; i++) {
    const k = 3 * i;
    const dx = xyz[k]! - xyz[k - 3]!;
    const dy = xyz[k + 1]! - xyz[k - 2]!;
    const dz = xyz[k + 2]! - xyz[k - 1]!;
    s[i] = s[i - 1]! + Math.sqrt(dx * dx + dy * dy + dz * dz);
  }
  return s;
}

function resampled(xyz: Float64Array, step: number): Float64Array {
  const s = along(xyz);
  const last = s.length - 1;
  const total = s[last]!;
  const n = Math.max(2, Math.round(total / step));
  const out = new Float64Array(3 * (n + 1));
  for (let k = 0, j = 0; k <= n; k++) {
    const at = (total * k) / n;
    while (j < last - 1 && s[j + 1]! < at) j++;
    const share = Math.min(1, Math.max(0, (at - s[j]!) / (s[j + 1]! - s[j]! || 1)));
    for (let c = 0; c < 3; c++) {
      const a = xyz[3 * j + c]!;
      out[3 * k + c] = a + share * (xyz[3 * j + 3 + c]! - a);
    }
  }
  return out;
}

export interface Evenly {
  readonly points: Point3[];
  /** arc length from the first point to each */
  readonly s: number[];
}

/**
 * @param points at least two @param step wished spacing, above 0; the true one divides the length evenly
 * @param rounds of binomial smoothing (1/4, 1/2, 1/4); the ends stay
 */
export function evenly(points: readonly Point3[], step: number, rounds: number): Evenly {
  let now: Float64Array = resampled(flat(points), step);
  let other: Float64Array = now.slice();
  for (let round = 0; round < rounds; round++) {
    for (let i = 3; i < now.length - 3; i++) other[i] = 0.25 * now[i - 3]! + 0.5 * now[i]! + 0.25 * now[i + 3]!;
    const last = now;
    now = other;
    other = last;
  }
  const out = new Array<Point3>(now.length / 3);
  for (let i = 0; i < out.length; i++) out[i] = [now[3 * i]!, now[3 * i + 1]!, now[3 * i + 2]!];
  return { points: out, s: Array.from(along(now)) };
}
