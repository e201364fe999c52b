/**
 * Frames carried along a rope without twisting (parallel transport by double reflection;
 * Wang, Juettler, Zheng and Liu, "Computation of rotation minimizing frames", 2008).
 */
import type { Point3 } from './types';
import { add, cross, dot, perpendicular, scale, subtract, unit } from './vector';

export interface Frames {
  readonly tangents: readonly Point3[];
  readonly normals: readonly Point3[];
  readonly binormals: readonly Point3[];
}

/** @param closed whether the last point joins the first; the frame is not forced to close up. */
export function transportFrames(points: readonly Point3[], closed = false): Frames {
  const n = points.length;
  const tangents = points.map((_, i) => {
    const a = points[i - 1] ?? (closed ? points[n - 1]! : points[i]!);
    const b = points[i + 1] ?? (closed ? points[0]! : points[i]!);
    return unit(subtract(b, a));
  });
  const normals: Point3[] = [perpendicular(tangents[0]!)];
  for (let i = 0; i < n - 1; i++) {
    const v1 = subtract(points[i + 1]!, points[i]!);
    const c1 = dot(v1, v1) || 1;
    const r = normals[i]!;
    const rL = subtract(r, scale(v1, (2 * dot(v1, r)) / c1));
    const tL = subtract(tangents[i]!, scale(v1, (2 * dot(v1, tangents[i]!)) / c1));
    const v2 = subtract(tangents[i + 1]!, tL);
    const c2 = dot(v2, v2);
    const next = c2 < 1e-18 ? rL : subtract(rL, scale(v2, (2 * dot(v2, rL)) / c2));
    normals.push(unit(next));
  }
  const binormals = normals.map((normal, i) => cross(tangents[i]!, normal));
  return { tangents, normals, binormals };
}

/** The point at `angle_rad` on a tube of `radius` round frame `i`. */
export function onTube(
  points: readonly Point3[],
  frames: Frames,
  i: number,
  radius: number,
  angle_rad: number,
): Point3 {
  return add(
    points[i]!,
    add(
      scale(frames.normals[i]!, radius * Math.cos(angle_rad)),
      scale(frames.binormals[i]!, radius * Math.sin(angle_rad)),
    ),
  );
}
