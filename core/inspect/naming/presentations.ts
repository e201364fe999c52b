/** Presentations of a shape, seeded: turned, mirrored, with noise, at another resolution, its components in another order. For tests, drills and measuring. */
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { mersenne } from 'pure-rand/generator/mersenne';
import { arcLengths, resample, rotationFrom, type Point3 } from '../../curve';
import type { Entered } from './specimen';

/** A generator of numbers in [0, 1) from a seed. Of a kind whose seeds may follow one another: drills are numbered. */
export function seeded(seed: number): () => number {
  const random = mersenne(seed);
  return () => uniformFloat64(random);
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
  const turn = turned ? rotationFrom([random(), random(), random()]) : (p: Point3) => p;
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
