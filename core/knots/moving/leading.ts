/**
 * Rope led by hands: shapes said by control points or by a curve, laid upon a rope whose length stays, and stages that lead from one to the next.
 * What a shape needs more of comes from the straight leads at its ends. Unit: rope diameters.
 */
import {
  add,
  arcLengths,
  lerp,
  resample,
  scale,
  smooth,
  splineThrough,
  subtract,
  unit,
  type Point3,
} from '../../curve';
import type { Stage } from './way';

const DENSE = 0.25;
const ROUNDS = 4;

/** A line with straight leads, dense, its corners rounded. @param hold index of the point of the line at which a place of the rope is held */
export interface LedLine {
  readonly points: readonly Point3[];
  readonly hold: number;
}

/** A line with its corners rounded, dense. */
export const settled = (points: readonly Point3[]): Point3[] => smooth(resample(points, DENSE), ROUNDS);

/** A line through control points. @param held the control point that is held */
export function through(control: readonly Point3[], held: number): LedLine {
  const line = splineThrough(control, 12);
  return { points: line, hold: Math.min(line.length - 1, held * 12) };
}

/**
 * The rope as it lies along a line: evenly spaced points, the held place on the held point, its ends straight on where the line is too short, and cut where it is too long.
 * @param share of the rope's length that lies before the held place
 */
export function laidAlong({ points, hold }: LedLine, length: number, share: number, count: number): Point3[] {
  const before = arcLengths(points);
  const dense = settled(points);
  const s = arcLengths(dense);
  const total = s.at(-1)!;
  const held = (before[hold]! / before.at(-1)!) * total;
  const [first, last] = [dense[0]!, dense.at(-1)!];
  const [out0, out1] = [unit(subtract(first, dense[3]!)), unit(subtract(last, dense.at(-4)!))];
  let k = 0;
  return Array.from({ length: count }, (_, i): Point3 => {
    const at = held + length * (i / (count - 1) - share);
    if (at <= 0) return add(first, scale(out0, -at));
    if (at >= total) return add(last, scale(out1, at - total));
    while (k < s.length - 2 && s[k + 1]! < at) k++;
    return lerp(dense[k]!, dense[k + 1]!, (at - s[k]!) / (s[k + 1]! - s[k]! || 1));
  });
}

/** Of one rope: from one shape to the next, control point by control point. @param keys at least two, with as many control points each */
export function between(keys: readonly (readonly Point3[])[]): (u: number) => Point3[] {
  return (u) => {
    const k = Math.min(keys.length - 2, Math.floor(u * (keys.length - 1)));
    const t = u * (keys.length - 1) - k;
    return keys[k]!.map((p, i) => lerp(p, keys[k + 1]![i]!, t));
  };
}

/** From one lie of the ropes to another that lies near it, point by point. */
export const eased =
  (from: readonly (readonly Point3[])[], to: readonly (readonly Point3[])[]): Stage =>
  (u) =>
    from.map((rope, r) => rope.map((p, i) => lerp(p, to[r]![i]!, u)));
