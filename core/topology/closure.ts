/** Joining the ends of one open rope far away. With one rope the result does not depend on the join. */
import { add, distance, norm, perpendicular, scale, subtract, unit, type Line3, type Point3 } from '../curve';

/**
 * The rope with both ends led out radially to a sphere of four times its size and joined there.
 * @param points an open line whose ends lead out of the knot
 */
export function closedAtInfinity(points: readonly Point3[]): Line3 {
  const n = points.length;
  const centre = scale(points.reduce<Point3>(add, [0, 0, 0]), 1 / n);
  const radius = 4 * Math.max(...points.map((p) => distance(p, centre)));
  const a = unit(subtract(points[n - 1]!, centre));
  const b = unit(subtract(points[0]!, centre));
  const out: Point3[] = [...points];
  const bend = norm(add(a, b)) < 0.2 ? perpendicular(a) : null;
  for (let k = 0; k <= 24; k++) {
    const t = k / 24;
    let d = add(scale(a, 1 - t), scale(b, t));
    if (bend) d = add(d, scale(bend, Math.sin(Math.PI * t)));
    out.push(add(centre, scale(unit(d), radius)));
  }
  return { points: out, closed: true };
}
