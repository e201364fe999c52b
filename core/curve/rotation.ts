/** Rotations evenly spread over all. */
import type { Point3 } from './types';

/**
 * A rotation from three numbers in 0..1, evenly spread over all rotations where those are (Shoemake, "Uniform random rotations", 1992).
 * @example rotationFrom([random(), random(), random()])([1, 0, 0])
 */
export function rotationFrom([u, v, w]: readonly [number, number, number]): (p: Point3) => Point3 {
  const [a, b] = [Math.sqrt(1 - u), Math.sqrt(u)];
  const [x, y] = [a * Math.sin(2 * Math.PI * v), a * Math.cos(2 * Math.PI * v)];
  const [z, s] = [b * Math.sin(2 * Math.PI * w), b * Math.cos(2 * Math.PI * w)];
  return ([p, q, r]) => [
    (1 - 2 * (y * y + z * z)) * p + 2 * (x * y - s * z) * q + 2 * (x * z + s * y) * r,
    2 * (x * y + s * z) * p + (1 - 2 * (x * x + z * z)) * q + 2 * (y * z - s * x) * r,
    2 * (x * z - s * y) * p + 2 * (y * z + s * x) * q + (1 - 2 * (x * x + y * y)) * r,
  ];
}
