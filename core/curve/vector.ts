/**
 * Small vector algebra on triples. Pure functions, no checks: callers hold finite numbers
 * (the public doors of core refuse NaN and Infinity).
 */
import type { Point3 } from './types';

// looked up once: in a context of its own a program pays for each look
const { abs, hypot } = Math;

export const add = (a: Point3, b: Point3): Point3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const subtract = (a: Point3, b: Point3): Point3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const scale = (a: Point3, factor: number): Point3 => [a[0] * factor, a[1] * factor, a[2] * factor];
export const dot = (a: Point3, b: Point3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Point3, b: Point3): Point3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const norm = (a: Point3): number => hypot(a[0], a[1], a[2]);
export const distance = (a: Point3, b: Point3): number => hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
export const lerp = (a: Point3, b: Point3, t: number): Point3 => [
  a[0] + t * (b[0] - a[0]),
  a[1] + t * (b[1] - a[1]),
  a[2] + t * (b[2] - a[2]),
];

/** The mean of points. @param points at least one */
export const middleOf = (points: readonly Point3[]): Point3 =>
  scale(points.reduce<Point3>(add, [0, 0, 0]), 1 / points.length);

/** Unit vector along `a`; the x axis where `a` has no length. */
export function unit(a: Point3): Point3 {
  const length = norm(a);
  return length > 0 ? scale(a, 1 / length) : [1, 0, 0];
}

/** Some unit vector at right angles to `a`. */
export function perpendicular(a: Point3): Point3 {
  return unit(cross(a, abs(a[0]) < 0.9 * norm(a) ? [1, 0, 0] : [0, 1, 0]));
}
