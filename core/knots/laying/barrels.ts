/**
 * A barrel: a strand that came along the axis turns back, winds round the core and itself, and leaves inside
 * its own turns the way it was going. The wound form of overhand (one turn), double and triple overhand round
 * a core; the core's other strand is the author's. Unit: rope diameters.
 */
import { smoothstep, splineThrough, straight, type Point3 } from '../../curve';

/** Across the axis: y and z. */
export type AcrossAxis = readonly [number, number];

export interface BarrelSettings {
  /** whole turns; to them comes what it takes to leave where it should */
  readonly turns: 1 | 2 | 3;
  /** where the turns end and begin along x: they are wound from `far` back to `near` */
  readonly near: number;
  readonly far: number;
  /** of the turns about the core's middle */
  readonly radius: number;
  /** where the strand comes in and goes out, in the core */
  readonly comesIn: AcrossAxis;
  readonly goesOut: AcrossAxis;
  /** the core's middle */
  readonly middle: AcrossAxis;
  /** length of the tail beyond the turns */
  readonly tail: number;
  /** the end comes out between the turns: under the nearest only */
  readonly underOneOnly?: boolean;
}

export const BARREL: BarrelSettings = {
  turns: 2,
  near: 0.8,
  far: 4.8,
  radius: 2.15,
  comesIn: [0.64, 0],
  goesOut: [0, 1.1],
  middle: [0, 0.35],
  tail: 20,
};

const STEPS = 200;
/** shares of the winding over which the strand climbs out of the core and goes back in */
const CLIMB = 0.12;

/** The barrel's line from where it turns back, along x: `comesIn` at `far` is where the author's own line must end. */
export function barrel({
  turns,
  near,
  far,
  radius,
  comesIn,
  goesOut,
  middle,
  tail,
  underOneOnly,
}: BarrelSettings): Point3[] {
  const outFrom = (p: AcrossAxis) => Math.hypot(p[0] - middle[0], p[1] - middle[1]);
  const from = Math.atan2(comesIn[1] - middle[1], comesIn[0] - middle[0]);
  const to = Math.atan2(goesOut[1] - middle[1], goesOut[0] - middle[0]);
  const angle = 2 * Math.PI * turns + ((((to - from) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI));
  const points = Array.from({ length: STEPS + 1 }, (_, k): Point3 => {
    const u = k / STEPS;
    const climbed = Math.min(1, u / CLIMB);
    const left = Math.min(1, (1 - u) / CLIMB);
    const r =
      left < 1
        ? outFrom(goesOut) + (radius - outFrom(goesOut)) * smoothstep(left)
        : outFrom(comesIn) + (radius - outFrom(comesIn)) * smoothstep(climbed);
    const t = from + angle * u;
    return [
      far + (near - far) * u + 0.6 * (Math.sin(Math.PI * climbed) - Math.sin(Math.PI * left)),
      middle[0] + r * Math.cos(t),
      middle[1] + r * Math.sin(t),
    ];
  });
  if (underOneOnly) {
    // out through the gap after the first turn, away from the core
    const gap = near + ((far - near) * 3 * Math.PI) / angle;
    const l = outFrom(goesOut) || 1;
    const at = (x: number, r: number): Point3 => [
      x,
      middle[0] + ((goesOut[0] - middle[0]) / l) * r,
      middle[1] + ((goesOut[1] - middle[1]) / l) * r,
    ];
    const out = splineThrough([
      points.at(-20)!,
      points.at(-1)!,
      at(near + 1.2, l),
      at(gap - 0.3, l + 0.3),
      at(gap, radius),
      at(gap + 0.1, radius + 1.6),
      at(gap + 1.5, radius + 3),
      at(far + tail, radius + 3.4),
    ]);
    return [...points.slice(0, -1), ...out.slice(24)];
  }
  return [...points, ...straight([near + 1.6, ...goesOut], [far + tail, ...goesOut])];
}

/** First and last node of the turns of a rope laid with a barrel: farther than `apart` from the core's middle. */
export function turnsOf(points: readonly Point3[], apart: (p: Point3) => boolean): readonly [number, number] {
  const on = points.flatMap((p, i) => (apart(p) ? [i] : []));
  return [on[0]!, on.at(-1)!];
}
