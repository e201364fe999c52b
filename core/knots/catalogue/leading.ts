/** Small things by which one strand is led on into another knot. */
import { add, arcLengths, dot, scale, subtract, type Point3 } from '../../curve';

export const plus = (a: Point3, b: Point3, k = 1): Point3 => add(a, scale(b, k));
/** What of a vector stands across an axis of length one. */
export const across = (v: Point3, axis: Point3): Point3 => plus(v, axis, -dot(v, axis));

/** A line with points so far apart along it. */
export function evenly(line: readonly Point3[], apart = 0.5): Point3[] {
  const s = arcLengths(line);
  const n = Math.max(2, Math.ceil(s.at(-1)! / apart));
  let i = 0;
  return Array.from({ length: n + 1 }, (_, k): Point3 => {
    const a = (s.at(-1)! * k) / n;
    while (i < line.length - 2 && s[i + 1]! < a) i++;
    const t = (a - s[i]!) / (s[i + 1]! - s[i]! || 1);
    return plus(line[i]!, subtract(line[i + 1]!, line[i]!), Math.min(1, t));
  });
}
