/**
 * Hitches wound round something straight: a host rope, a karabiner's bar, a post. Wraps lie level, side by side, and step up to
 * the next just before the front, so that no gap is left; what goes over them (the bridge) lies one layer further out. Keys are (degrees, height, radius) about an
 * upright axis, front at 0, right at 90. Unit: diameters of the tying rope.
 */
import { resample, smooth, type Point3 } from '../../curve';
import { NODE_SPACING } from '../../rope';
import { wound } from './authoring';

/** One thing laid otherwise than it should be. */
export interface Wrong {
  /** this wrap, counted from 0, was laid over the next and back */
  readonly crossed?: number;
}

export type Key = readonly [angle_deg: number, height: number, radius: number];

/** From one wrap to the next: a little more than a diameter. */
export const PITCH = 1.03;
/** the first layer on something of radius r, and the layer over it */
export const onIt = (r: number): number => r + 0.53;
export const overWraps = (r: number): number => r + 1.58;

const STEP_UP_FROM_deg = 268;
const LEVEL_deg = [-5, 45, 90, 135, 180, 225] as const;

/** A line through keys, unrolled at radius `at`, as solver nodes. */
export const woundNodes = (keys: readonly Key[], at: number, rounds = 14): Point3[] =>
  resample(
    smooth(
      resample(
        wound(
          keys.map(([angle_deg, height, radius]) => ({ angle_deg, height, radius })),
          at,
        ),
        0.1,
      ),
      rounds,
    ),
    NODE_SPACING,
  );

/**
 * `count` level wraps from height `from`, each stepping up to the next in its last quarter.
 * @param goesOn the last steps up as well
 */
export function levelWraps(
  count: number,
  from: number,
  radius: number,
  goesOn = false,
  { crossed }: Wrong = {},
): Key[] {
  const wraps = Array.from({ length: count }, (_, k) => {
    const y = from + PITCH * k;
    const steps = k + 1 < count || goesOn;
    const level = [...LEVEL_deg, ...(steps ? [STEP_UP_FROM_deg] : [])].map((t): Key => [
      360 * k + t,
      y + (0.1 * Math.max(0, t)) / STEP_UP_FROM_deg,
      radius,
    ]);
    return steps ? [...level, [360 * k + 312, y + PITCH * 0.55, radius] as Key] : level;
  }).flat();
  return crossed === undefined ? wraps : overItsNeighbour(wraps, 360 * crossed + 130, PITCH);
}

/** Turns from one place to another, a key every 45 degrees. */
export function turnsBetween(from: readonly [number, number], to: readonly [number, number], radius: number): Key[] {
  const n = Math.max(1, Math.round(Math.abs(to[0] - from[0]) / 45));
  return Array.from({ length: n + 1 }, (_, k): Key => [
    from[0] + ((to[0] - from[0]) * k) / n,
    from[1] + ((to[1] - from[1]) * k) / n,
    radius,
  ]);
}

/**
 * A leg that comes from below, in front and to one side, up to where its strand goes under the bridge.
 * @param side -1 left, 1 right
 * @param comesOut height at which its strand leaves the wraps
 * @param angle_deg how far aside of the front it hangs
 */
export function hangingLeg(side: 1 | -1, comesOut: number, r: number, angle_deg: number, low: number): Key[] {
  const out = r + 1.62;
  return [
    [side * angle_deg * 0.7, -16, out + 1.2],
    [side * angle_deg * 0.85, -9, out + 0.5],
    [side * angle_deg, -low - 1.5, out + 0.1],
    [side * angle_deg, comesOut - 1.9, out],
    [side * (angle_deg - 3), comesOut - 0.75, out - 0.08],
    [side * (angle_deg - 15), comesOut - 0.12, r + 1.1],
  ];
}

const upsideDown = (keys: readonly Key[]): Key[] => keys.map(([t, y, r]) => [t, -y, r]);

/**
 * `above` wraps up, the bridge over the front, `below` wraps of the opposite sense; both legs come out under the bridge on one side.
 * Girth hitch (1, 1), prusik (n, n), schwabisch (4, 1).
 * @param r radius of what it is wound on
 * @param wrong of the wraps above
 */
export function twoSided(
  above: number,
  below: number,
  r: number,
  legs: readonly [readonly Key[], readonly Key[]],
  wrong: Wrong = {},
): Point3[] {
  const [r0, r1] = [onIt(r), overWraps(r)];
  const half = (count: number, leg: readonly Key[], laid: Wrong = {}): Key[] => {
    const top = 0.55 + PITCH * (count - 1) + 0.1;
    const end = 360 * count;
    return [
      ...leg,
      ...levelWraps(count, 0.55, r0, false, laid),
      [end - 90, top + 0.1, r0],
      [end - 60, top + 0.45, r0 + 0.05],
      [end - 30, top + 0.85, r0 + 0.25],
      [end - 10, top + 0.8, r0 + 0.8],
      [end, top + 0.15, r1],
    ];
  };
  const up = half(above, legs[0], wrong);
  const down = upsideDown(half(below, upsideDown(legs[1])))
    .reverse()
    .map(([t, y, radius]): Key => [t - 360 * below + 360 * above, y, radius]);
  return woundNodes([...up, ...down], r0);
}

/**
 * `above` wraps up, down over the front across them, `below` wraps of the same sense; a leg comes out on each side.
 * Clove hitch (1, 1), distel (4, 1).
 * @param slant_deg half the angle over which the bridge comes down
 */
export function oneSense(
  above: number,
  below: number,
  r: number,
  legs: readonly [readonly Key[], readonly Key[]],
  slant_deg = 32,
  wrong: Wrong = {},
): Point3[] {
  const [r0, r1] = [onIt(r), overWraps(r)];
  const y0 = 0.55;
  const [top, bottom] = [y0 + PITCH * above, y0 + PITCH * below];
  const [end, last] = [360 * above, 360 * (above + below)];
  const several = above > 1;
  const high = top - (several ? PITCH * 0.5 : 0);
  // below, the same turned upside down about the front
  const severalBelow = below > 1;
  const low = bottom - (severalBelow ? PITCH * 0.5 : 0);
  return woundNodes(
    [
      ...legs[0],
      ...(several
        ? [...levelWraps(above, y0, r0, false, wrong), [end - 90, high - 0.35, r0] as Key]
        : turnsBetween([-8, y0], [end - 90, top - PITCH / 4], r0)),
      [end - slant_deg - 26, high, r0 + 0.1],
      [end - slant_deg, high - 0.1, r0 + 0.5],
      [end - slant_deg * 0.6, high - 0.6, r1],
      [end + slant_deg * 0.6, -low + 0.6, r1],
      [end + slant_deg, -low + 0.1, r0 + 0.5],
      [end + slant_deg + 26, -low, r0 + 0.1],
      ...(severalBelow
        ? [
            [end + 90, -low + 0.35, r0] as Key,
            ...levelWraps(below, y0, r0)
              .map(([t, y, radius]): Key => [last - t, -y, radius])
              .reverse(),
          ]
        : several
          ? ([
              [end + 90, -bottom + 0.3, r0],
              [end + 130, -0.8, r0],
              [end + 170, -0.62, r0],
              [end + 225, -0.56, r0],
              [end + 290, -0.55, r0],
              [last + 5, -0.55, r0],
            ] as Key[])
          : turnsBetween([end + 90, -bottom + PITCH / 4], [last + 8, -y0], r0)),
      ...legs[1].map(([t, y, radius]): Key => [t + last, y, radius]).reverse(),
    ],
    r0,
  );
}

/** Wraps one of which, about an angle, was laid over the next: it rides up over it and comes back. @param angle_deg of the middle of that stretch */
export const overItsNeighbour = (keys: readonly Key[], angle_deg: number, pitch: number): Key[] =>
  keys.flatMap(([t, y, r], i): Key[] => {
    const aside = (a: number) =>
      Math.abs(a - angle_deg) >= 110 ? 0 : 0.5 + 0.5 * Math.cos((Math.PI * (a - angle_deg)) / 110);
    const laid = (a: number, h: number): Key => [
      a,
      h + 1.02 * pitch * aside(a),
      r + 1.15 * Math.min(1, 1.6 * aside(a)),
    ];
    const next = keys[i + 1];
    return next && aside(t) + aside(next[0]) > 0
      ? [laid(t, y), laid((t + next[0]) / 2, (y + next[1]) / 2)]
      : [laid(t, y)];
  });
