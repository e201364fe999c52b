/** Random tangles: ropes that lie anyhow, for tests and benches. */
import { resample, type Point3 } from '../../../curve';
import { seeded } from '../presentations';
import type { Entered } from '../specimen';

/** Size of its waves, diameters: so large that the strands of most tangles keep clear of each other. */
const SIZE = 9;

/**
 * One rope of four waves in each direction with random sizes, its ends led straight on.
 * @param seed the same one gives the same tangle
 * @param eye whether an eye is marked, in its middle
 */
export function tangle(seed: number, { eye }: { readonly eye: boolean }): Entered {
  const random = seeded(seed);
  const waves = Array.from({ length: 4 }, (_, h) =>
    Array.from({ length: 6 }, () => (random() - 0.5) * (2 / Math.sqrt(h + 1))),
  );
  const at = (t: number): Point3 =>
    [0, 2, 4].map(
      (c) =>
        SIZE * waves.reduce((sum, w, h) => sum + w[c]! * Math.cos((h + 1) * t) + w[c + 1]! * Math.sin((h + 1) * t), 0),
    ) as unknown as Point3;
  const body = Array.from({ length: 161 }, (_, i) => at((i / 160) * 1.5 * Math.PI));
  const on = (p: Point3, q: Point3) =>
    Array.from(
      { length: 20 },
      (_, k): Point3 =>
        [0, 1, 2].map(
          (c) => p[c]! + ((p[c]! - q[c]!) / Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2])) * (k + 1) * 0.5,
        ) as unknown as Point3,
    );
  const points = resample([...on(body[0]!, body[2]!).reverse(), ...body, ...on(body.at(-1)!, body.at(-3)!)], 0.45);
  const n = points.length;
  return {
    role: 'rope',
    closed: false,
    points,
    marks: { standing: [0, 3], tail: [n - 4, n - 1], ...(eye && { eye: n >> 1 }) },
  };
}
