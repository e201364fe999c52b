/**
 * From where a laid form is looked at: every crossing must be readable, so crossings may not lie on each
 * other in the picture. The author's own view is kept where it is good enough; else the knot is turned a
 * little, no further than needed, and stored turned: seen along z it then reads.
 */
import type { Point3 } from '../../curve';
import { IdiomError } from '../../errors';
import { crossingsSeenFrom } from '../../topology';

/** Two crossings nearer than this in the picture cannot be told apart, rope diameters. */
export const READABLE_ROPE_DIAMETERS = 0.75;
const TILTS_deg = [0, 8, -8, 16, -16, 24, -24, 32, -32];

export interface LaidView {
  /** turned about the upright axis, then about the one across, degrees */
  readonly yaw_deg: number;
  readonly pitch_deg: number;
  /** least distance of two crossings in the picture, rope diameters */
  readonly apart_ropeDiameters: number;
}

/** The points as they stand when turned by a view. */
export function turnedBy(
  points: readonly Point3[],
  { yaw_deg, pitch_deg }: Pick<LaidView, 'yaw_deg' | 'pitch_deg'>,
): Point3[] {
  if (yaw_deg === 0 && pitch_deg === 0) return points.slice();
  const [cy, sy] = [Math.cos((yaw_deg * Math.PI) / 180), Math.sin((yaw_deg * Math.PI) / 180)];
  const [cp, sp] = [Math.cos((pitch_deg * Math.PI) / 180), Math.sin((pitch_deg * Math.PI) / 180)];
  return points.map((p) => {
    const x = cy * p[0] + sy * p[2];
    const z = -sy * p[0] + cy * p[2];
    return [x, cp * p[1] - sp * z, sp * p[1] + cp * z];
  });
}

/** The other way round of `turnedBy`. */
export function turnedBack(
  points: readonly Point3[],
  { yaw_deg, pitch_deg }: Pick<LaidView, 'yaw_deg' | 'pitch_deg'>,
): Point3[] {
  return turnedBy(turnedBy(points, { yaw_deg: 0, pitch_deg: -pitch_deg }), { yaw_deg: -yaw_deg, pitch_deg: 0 });
}

/** Least distance of two crossings of open ropes as seen along z; zero where the view is not regular. */
export function crossingsApart(...ropes: readonly (readonly Point3[])[]): number {
  let spots: [number, number][];
  try {
    spots = crossingsSeenFrom(
      ropes.map((points) => ({ points, closed: false })),
      [0, 0, 1],
    )
      .passes.filter((p) => p.over)
      .map(({ line, at }) => [ropes[line]![Math.floor(at)]![0], ropes[line]![Math.floor(at)]![1]]);
  } catch (error) {
    if (error instanceof IdiomError && error.code === 'view-not-regular') return 0;
    throw error;
  }
  let least = Infinity;
  for (let i = 0; i < spots.length; i++)
    for (let j = 0; j < i; j++)
      least = Math.min(least, Math.hypot(spots[i]![0] - spots[j]![0], spots[i]![1] - spots[j]![1]));
  return least;
}

/** The author's view, or the nearest turn of it in which every crossing can be read. */
export function readableView(...ropes: readonly (readonly Point3[])[]): LaidView {
  const views = TILTS_deg.flatMap((pitch_deg) => TILTS_deg.map((yaw_deg) => ({ yaw_deg, pitch_deg }))).sort(
    (a, b) => Math.hypot(a.yaw_deg, a.pitch_deg) - Math.hypot(b.yaw_deg, b.pitch_deg),
  );
  let best: LaidView | null = null;
  for (const v of views) {
    const apart = crossingsApart(...ropes.map((points) => turnedBy(points, v)));
    if (!best || apart > best.apart_ropeDiameters) best = { ...v, apart_ropeDiameters: apart };
    if (apart >= READABLE_ROPE_DIAMETERS) return { ...v, apart_ropeDiameters: apart };
  }
  return best!;
}
