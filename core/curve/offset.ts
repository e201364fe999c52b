/**
 * Doubling a path: parallel strands beside a line that lies more or less in the plane of the page.
 * The offset is taken in that plane, to the left of the direction of travel, so that a pair lies flat
 * and cannot twist. Valid while the offset is smaller than the line's radius of curvature in the plane.
 */
import type { Point3 } from './types';

/**
 * @param points a dense line (spacing well under one diameter)
 * @param offset how far to the left, in the unit of the points; a number, or a function of the point's index
 */
export function offsetInPlane(points: readonly Point3[], offset: number | ((index: number) => number)): Point3[] {
  const n = points.length;
  const reach = 4;
  return points.map((p, i) => {
    const a = points[Math.max(0, i - reach)]!;
    const b = points[Math.min(n - 1, i + reach)]!;
    const tx = b[0] - a[0];
    const ty = b[1] - a[1];
    const length = Math.hypot(tx, ty) || 1;
    const o = typeof offset === 'number' ? offset : offset(i);
    return [p[0] - (o * ty) / length, p[1] + (o * tx) / length, p[2]];
  });
}
