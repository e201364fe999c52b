/** A shape as somebody else might hand it in: each point shaken a little. Seeded, so that a proof can be repeated. */
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { Point3 } from '../curve';

/** Each point moved by at most `most`, in any direction. */
export function shakenFrom(points: readonly Point3[], most: number, seed: number): Point3[] {
  const random = xoroshiro128plus(seed);
  const jolt = () => ((2 * uniformFloat64(random) - 1) * most) / Math.sqrt(3);
  return points.map((p) => [p[0] + jolt(), p[1] + jolt(), p[2] + jolt()]);
}
