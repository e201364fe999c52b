/** How sharply a line bends. Models a polyline's bend at a point by the circle through it and its neighbours (Menger). */
import type { Point3 } from './types';
import { cross, distance, norm, subtract } from './vector';

/**
 * Curvature at each point of an open line, one over the unit of the points; the ends take their neighbour's.
 * @example curvatures(points of a circle of radius 2) // about 0.5 everywhere
 */
export function curvatures(points: readonly Point3[]): number[] {
  const inner = points.map((p, i) => {
    const a = points[i - 1];
    const b = points[i + 1];
    if (!a || !b) return Number.NaN;
    const sides = distance(a, p) * distance(p, b) * distance(a, b);
    return sides === 0 ? 0 : (2 * norm(cross(subtract(p, a), subtract(b, p)))) / sides;
  });
  if (inner.length < 3) return points.map(() => 0);
  inner[0] = inner[1]!;
  inner[inner.length - 1] = inner.at(-2)!;
  return inner;
}

/** Radius of the sharpest bend; Infinity for a straight line. */
export function smallestRadius(points: readonly Point3[]): number {
  const most = Math.max(...curvatures(points));
  return most === 0 ? Infinity : 1 / most;
}
