/**
 * Laid on the palm as a motion: beside the upright strand the end lays a big loop down the front, then goes round again and comes up behind that loop, between the
 * two; then the strand nearest the fingertips is led under the others and out at the top. The palm faces the viewer, its fingers to the right; what is not laid
 * yet is held away past the fingertips, before everything while the loops are laid, behind everything where the end goes behind. Unit: rope diameters.
 */
import {
  arcLengths,
  lanes,
  lengthOf,
  nearestIndex,
  resample,
  smooth,
  splineThrough,
  subtract,
  unit,
  type Point3,
} from '../../../curve';
import { eased, laidAlong, type LedLine } from '../../moving/leading';
import { DoubledPath } from '../../moving/sliding';
import type { LedByHands, Stage } from '../../moving/way';

const COUNT = 250;
const PER_POINT = 12;
const SCALE = 0.88;

/** The standing strand, from below up the palm. */
// prettier-ignore
const UPRIGHT: readonly Point3[] = [[-3, -30, 0], [-3, -17, 0], [-3, -11, 0], [-3, -6, 0], [-3, -1, 0], [-3, 3, 0]];
/** Over to the side of the wrist, down, before the standing strand, and up at the fingertips. */
// prettier-ignore
const BIG_LOOP: readonly Point3[] = [[-3.5, 5.5, 0], [-5.6, 6.9, 0], [-8, 5.4, 0], [-8.6, 2, 0], [-8.4, -2.4, 0], [-6.6, -5.4, 0.6], [-3, -6.3, 1.4], [0, -6, 1.4], [2.4, -4.8, 0.8], [3.4, -2.4, 0.1], [3.5, 0.6, 0], [3.4, 4, 0]];
/** Round once more outside of it, and again before the standing strand. */
// prettier-ignore
const ROUND_AGAIN: readonly Point3[] = [[2.6, 7.2, 0], [0, 9.2, 0], [-4, 9.9, 0], [-8.6, 8.8, 0], [-11.2, 5.4, 0], [-11.8, 0, 0], [-11, -5.6, 0.3], [-8, -9, 0.9], [-4, -9.8, 1.5], [-1.4, -9.2, 0.9]];
/** Up behind the loop to between the two, and behind what lies at the top. */
// prettier-ignore
const UP_BETWEEN: readonly Point3[] = [[-0.1, -7.6, -0.8], [0.2, -5.2, -1.9], [0.2, -2, -2], [0.2, 2, -2], [0.2, 6, -2], [0.2, 9.6, -2], [0.2, 14, -2]];

const TAKEN_AT = 0.8;
/** The middle of the pair into which the strand nearest the fingertips is drawn: under the others to the side of the wrist, up, and out in front of the tops. */
const DRAWN: readonly Point3[] = [
  [2.4, TAKEN_AT, -1.9],
  [0.2, TAKEN_AT, -3.8],
  [-1.6, TAKEN_AT, -3],
  [-3.2, TAKEN_AT + 0.1, -1.9],
  [-4.8, TAKEN_AT + 0.8, -0.7],
  [-5.8, TAKEN_AT + 2.4, 1],
  [-5.9, TAKEN_AT + 4.2, 2.2],
  [-5.8, 7.2, 2.4],
  [-5.7, 10, 2.2],
  [-5.6, 12.5, 1.8],
];
// prettier-ignore
const WIDENS: readonly Point3[] = [[2.3, 15, 1.5], [2.1, 17.6, 1.3]];
const TIP: Point3 = [-5.6, 19.4, 1.2];
const PAIR_GAP = 1.5;
/** the strand stands out so far before it is led as a pair */
const STANDS_OUT = 2.4;

/** What is not laid is held away past the fingertips, so far before the others, or behind them. */
const BEFORE = 3.8;
const BEHIND = -6.4;
const BEND = 3.2;
const LEAD = 26;
/** so far beside the place it leaves, that it can be seen */
const ASIDE = 0.9;

/** the hand behind all of it */
const PALM_DEEP = -15;
const PALM_WIDTH = 13;
const SLIPS = 30;

const scaled = (points: readonly Point3[]): Point3[] => points.map(([x, y, z]): Point3 => [SCALE * x, SCALE * y, z]);
const place = (points: readonly Point3[]): number => (points.length - 1) * PER_POINT;

/** From where it leaves: round a bend, and away past the fingertips. @param z how far before or behind it lies */
function ledAway(from: Point3, along: Point3, z: number): Point3[] {
  const to: Point3 = [from[0] + BEND + 2 * along[0], from[1] + 0.8 * BEND * along[1] - ASIDE, z];
  const [a, b]: [Point3, Point3] = [
    [from[0] + BEND * along[0], from[1] + BEND * along[1], from[2] + BEND * along[2]],
    [to[0] - BEND, to[1], z],
  ];
  const bend = Array.from({ length: 12 }, (_, i): Point3 => {
    const t = (i + 1) / 12;
    const w = [(1 - t) ** 3, 3 * t * (1 - t) ** 2, 3 * t * t * (1 - t), t ** 3] as const;
    return [0, 1, 2].map((k) => w[0] * from[k]! + w[1] * a[k]! + w[2] * b[k]! + w[3] * to[k]!) as unknown as Point3;
  });
  return [...bend, [to[0] + LEAD, to[1], z]];
}

export function laidOnPalm(): LedByHands {
  const control = [...UPRIGHT, ...BIG_LOOP, ...ROUND_AGAIN, ...UP_BETWEEN];
  const coil = splineThrough(scaled(control), PER_POINT);
  const held = place(UPRIGHT.slice(0, 4));
  const done = [UPRIGHT, [...UPRIGHT, ...BIG_LOOP], [...UPRIGHT, ...BIG_LOOP, ...ROUND_AGAIN], control].map(place);
  // where the big loop has come down at the wrist
  const down = place([...UPRIGHT, ...BIG_LOOP.slice(0, 5)]);
  // the end goes behind where it has passed the standing strand for the second time
  const [turnsFrom, turnsTo] = [done[2]! - PER_POINT, done[2]! + PER_POINT];
  const liesAt = (at: number) =>
    BEFORE + (BEHIND - BEFORE) * Math.max(0, Math.min(1, (at - turnsFrom) / (turnsTo - turnsFrom)));
  const upTo = (at: number): LedLine => {
    const k = Math.min(coil.length - 2, Math.floor(at));
    const t = at - k;
    const [a, b] = [coil[k]!, coil[k + 1]!];
    const here: Point3 = [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t];
    const along = unit(subtract(coil[Math.min(coil.length - 1, k + 3)]!, coil[Math.max(0, k - 2)]!));
    return {
      points: [...coil.slice(0, k + 1), ...(t > 0.05 ? [here] : []), ...ledAway(here, along, liesAt(at))],
      hold: held,
    };
  };
  const taken = nearestIndex(coil.slice(0, done[1]! + 1), [SCALE * 3.5, TAKEN_AT, 0]);
  const middle = splineThrough([coil[taken]!, ...scaled(DRAWN)], PER_POINT);
  const [left, right] = lanes(middle.slice(PER_POINT), 2, PAIR_GAP) as [Point3[], Point3[]];
  // drawn toward the wrist the lower one lies on the left of the pair's way; up again it lies nearer the wrist
  const sparse = (points: readonly Point3[]) => resample(points, 1.6);
  const [lower, upper] = [sparse(left), sparse(right)];
  const tip = scaled([TIP])[0]!;
  const eyeSide = (side: 1 | -1) => scaled(WIDENS.map(([w, y, z]): Point3 => [TIP[0] + side * w, y, z]));
  const before = coil.slice(0, taken - 10);
  const after = upTo(done[3]!).points.slice(taken + 11);
  const eye = splineThrough([
    before.at(-14)!,
    before.at(-1)!,
    ...lower,
    ...eyeSide(-1),
    tip,
    ...eyeSide(1).reverse(),
    ...upper.slice().reverse(),
    after[0]!,
    after[13]!,
  ]).slice(24, -24);
  const points = resample(smooth(resample([...before, ...eye.slice(1, -1), ...after], 0.15), 14), 0.45);
  const s = arcLengths(points);
  const from = [lower[1]!, upper[1]!].map((p) => s[nearestIndex(points, p)]!) as [number, number];
  const path = new DoubledPath(points, nearestIndex(points, tip), [from[0], s.at(-1)! - from[1]]);
  const length = lengthOf(points);
  const share = path.tip / length;
  const toEye = arcLengths(coil.slice(held, taken + 1)).at(-1)!;
  const lying = (at: number): Point3[] => laidAlong(upTo(at), length, share - toEye / length, COUNT);
  const first = path.tip - (lengthOf([...lower, ...eyeSide(-1), tip]) - STANDS_OUT);
  const led = (u: number): Point3[] => path.at(first + (path.tip - first) * u, COUNT);
  const stage =
    (a: number, b: number): Stage =>
    (u) => [lying(a + (b - a) * u)];
  return {
    stages: [
      stage(place(UPRIGHT), down),
      stage(down, done[1]!),
      stage(done[1]!, done[2]!),
      stage(done[2]!, done[3]!),
      eased([lying(done[3]!)], [led(0)]),
      (u) => [led(0.45 * u)],
      (u) => [led(0.45 + 0.55 * u)],
    ],
    eyes: [share],
    palm: (come) =>
      come >= 7
        ? null
        : {
            wrist: [-40 - SLIPS * Math.max(0, come - 6), 0, PALM_DEEP],
            fingertips: [2 - SLIPS * Math.max(0, come - 6), 0, PALM_DEEP],
            width_ropeDiameters: PALM_WIDTH,
          },
  };
}
