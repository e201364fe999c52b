/** Presentations of a shape, seeded: turned, mirrored, with noise, at another resolution, its components in another order. For tests, drills and measuring. */
import { arcLengths, resample, type Point3 } from '../../curve';
import type { Entered } from './specimen';

/** A generator of numbers in [0, 1) from a seed (mulberry32). */
export function seeded(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = a;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

export interface Changed {
  readonly turned?: boolean;
  readonly mirrored?: boolean;
  /** standard deviation of each coordinate, rope diameters */
  readonly noise?: number;
  /** distance of neighbouring points along the rope, rope diameters */
  readonly step?: number;
  readonly shuffled?: boolean;
}

/** A rotation evenly spread over all (Shoemake 1992). */
function rotation(random: () => number): (p: Point3) => Point3 {
  const [u, v, w] = [random(), random() * 2 * Math.PI, random() * 2 * Math.PI];
  const [a, b] = [Math.sqrt(1 - u), Math.sqrt(u)];
  const [x, y, z, s] = [a * Math.sin(v), a * Math.cos(v), b * Math.sin(w), b * Math.cos(w)];
  return ([p, q, r]) => [
    (1 - 2 * (y * y + z * z)) * p + 2 * (x * y - s * z) * q + 2 * (x * z + s * y) * r,
    2 * (x * y + s * z) * p + (1 - 2 * (x * x + z * z)) * q + 2 * (y * z - s * x) * r,
    2 * (x * z - s * y) * p + 2 * (y * z + s * x) * q + (1 - 2 * (x * x + y * y)) * r,
  ];
}

/** Sum of twelve even numbers: near enough to the normal distribution, and never far out. */
const bellShaped = (random: () => number): number => Array.from({ length: 12 }, random).reduce((sum, x) => sum + x, -6);

/** The same component with its points at even steps; marks go to the nearest point. */
function atStep(c: Entered, step: number): Entered {
  const ring = c.closed ? [...c.points, c.points[0]!] : c.points;
  const s = arcLengths(ring);
  const points = resample(ring, step).slice(0, c.closed ? -1 : undefined);
  const at = (i: number) =>
    Math.min(points.length - 1, Math.max(0, Math.round((s[i]! / s.at(-1)!) * (points.length - (c.closed ? 0 : 1)))));
  const pair = (m: readonly [number, number] | undefined) => m && ([at(m[0]), at(m[1])] as [number, number]);
  const { marks } = c;
  return {
    ...c,
    points,
    ...(marks && {
      marks: {
        ...(marks.standing && { standing: pair(marks.standing)! }),
        ...(marks.tail && { tail: pair(marks.tail)! }),
        ...(marks.gate && { gate: pair(marks.gate)! }),
        ...(marks.eye !== undefined && { eye: Array.isArray(marks.eye) ? marks.eye.map(at) : at(marks.eye as number) }),
        ...(marks.second_eye !== undefined && { second_eye: at(marks.second_eye) }),
      },
    }),
  };
}

export function presented(
  components: readonly Entered[],
  { turned = false, mirrored = false, noise = 0, step, shuffled = false }: Changed,
  seed: number,
): Entered[] {
  const random = seeded(seed);
  const turn = turned ? rotation(random) : (p: Point3) => p;
  const flip = (p: Point3): Point3 => (mirrored ? [p[0], p[1], -p[2]] : p);
  const out = components.map((c) => {
    const own = step === undefined ? c : atStep(c, step);
    return {
      ...own,
      points: own.points.map(
        (p) => turn(flip(p)).map((v) => v + (noise > 0 ? noise * bellShaped(random) : 0)) as unknown as Point3,
      ),
    };
  });
  if (shuffled)
    for (let i = out.length - 1; i > 0; i--) {
      const j = Math.floor(random() * (i + 1));
      [out[i], out[j]] = [out[j]!, out[i]!];
    }
  return out;
}
