/**
 * The trefoil stopper as a motion: a small loop, turned over so that the tail crosses under; laid over the standing part; a bight of that drawn through it;
 * the end round the back and through the bight. The wrong one leads the end through from the other side, nothing else. Unit: rope diameters.
 */
import { nearestIndex, type Point3 } from '../../../curve';
import { between, eased, laidAlong, settled, through } from '../../moving/leading';
import { Path, slidTo } from '../../moving/sliding';
import type { LedByHands } from '../../moving/way';

const SCALE = 1.3;
const HEIGHT = 0.75;
const COUNT = 250;

/** Where the loop crosses itself, and its middle. */
const NECK: Point3 = [-4.8, 3.9, 0];
// prettier-ignore
const LOOP: readonly Point3[] = [
  [-4.2, 6.4, 0], [-4.8, 4, 1], [-3.8, 1.6, 0.2], [-3.4, -0.8, 0], [-2.3, -2.7, 0.3], [0, -3.4, 0.7], [2.3, -2.7, 0], [3.4, 0, -0.8], [2.3, 2.7, 0], [0, 3.4, 0.7], [-2.3, 3.4, 0], [-4.8, 3.8, -1], [-6.8, 4.7, 0],
];
// prettier-ignore
const LEAD: readonly Point3[] = [[0, -28, 0], [0, -14, 0], [0, -7, 0]];
/** the standing part where it passes under the loop, and the bight that is drawn out of it */
// prettier-ignore
const UNDER: readonly Point3[] = [[0, -3.4, -1], [0, -2.6, -1], [0, -1.7, -1], [0, -0.8, -1], [0, 0, -1], [0, 0.8, -1], [0, 1.7, -1], [0, 2.6, -1], [0, 3.4, -1]];
// prettier-ignore
const LIFTED: readonly Point3[] = [[0, -3.4, -1], [0.2, -2, -0.7], [0.9, -1.3, 0.2], [1.6, -0.8, 0.9], [1.9, 0, 1.1], [1.6, 0.8, 0.9], [0.9, 1.3, 0.2], [0.2, 2, -0.7], [0, 3.4, -1]];
// prettier-ignore
const OVER_RIM: readonly Point3[] = [[0, -3.4, -1], [0.3, -1.8, -0.3], [2, -1.2, 0.8], [4.2, -1.2, 1], [5.4, 0, 0.8], [4.2, 1.2, 1], [2, 1.2, 0.8], [0.3, 1.8, -0.3], [0, 3.4, -1]];
const drawnOut = (legs: number): readonly Point3[] => [
  [0, -3.4, -1],
  [0.3, -1.8, -0.2],
  [3.4, -1.3, 1],
  [6.4, -2.4, legs],
  [10.4, 0, 0],
  [6.4, 2.4, -legs],
  [3.4, 1.3, 1],
  [0.3, 1.8, -0.2],
  [0, 3.4, -1],
];
// prettier-ignore
const ON: readonly Point3[] = [[-0.2, 5.2, 0], [-1.8, 7, 0]];
/** round the back, and down through the bight. @param first 1 over its first leg, -1 under */
const end = (first: number): readonly Point3[] => [
  [-6.6, 8.4, 0],
  [-1.8, 10.4, 0],
  [4, 8.4, 0],
  [6.8, 5.2, 0],
  [7, 2.5, first],
  [7, 0, 0],
  [7, -2.5, -first],
  [7.2, -6, 0],
  [7.4, -10, 0],
  [7.4, -19, 0],
];

/** The loop by its turn, 1 as it shall be, 0 before it is turned over: it turns about the line from its neck through its middle. */
function loopTurned(made: number): Point3[] {
  const axis: Point3 = [-NECK[0] / Math.hypot(NECK[0], NECK[1]), -NECK[1] / Math.hypot(NECK[0], NECK[1]), 0];
  const side: Point3 = [-axis[1], axis[0], 0];
  return LOOP.map((p, k): Point3 => {
    const d = [p[0] - NECK[0], p[1] - NECK[1]] as const;
    const [a, b] = [d[0] * axis[0] + d[1] * axis[1], d[0] * side[0] + d[1] * side[1]];
    const neck = k <= 1 || k >= LOOP.length - 2;
    // what comes and goes stays; where it crosses a quarter turn brings both strands side by side, beyond it half a turn
    const turn = (1 - made) * (k === 0 || k === LOOP.length - 1 ? 0 : neck ? Math.PI / 2 : Math.PI);
    const [c, s] = [Math.cos(turn), Math.sin(turn)];
    const z = p[2] * (neck ? 1.3 - 0.3 * made : 1);
    return [
      NECK[0] + a * axis[0] + (b * c + z * s) * side[0],
      NECK[1] + a * axis[1] + (b * c + z * s) * side[1],
      -b * s + z * c,
    ];
  });
}

/** Before that: a mere bight, so deep, its legs wide apart. */
function loopOpen(depth: number): Point3[] {
  const turned = loopTurned(0);
  return turned.map((_, k): Point3 => {
    const share = k / (turned.length - 1);
    // along the line of the neck, from the incoming side to the outgoing one
    const [b, a] = [5 - 10 * share, depth * 7.5 * Math.sin(Math.PI * share)];
    return [NECK[0] + 0.78 * a + 0.63 * b, NECK[1] - 0.63 * a + 0.78 * b, 0];
  });
}

const whole = (standing: readonly Point3[], loop: readonly Point3[], aside: Point3): Point3[] => [
  ...LEAD,
  ...standing,
  ...[...ON, ...loop].map((p, k): Point3 => {
    const share = Math.min(1, k / 3);
    return [p[0] + aside[0] * share, p[1] + aside[1] * share, p[2] + aside[2] * share];
  }),
];
/** The standing part upward, as its picture has it. */
const asSeen = (control: readonly Point3[]): Point3[] =>
  control.map(([x, y, z]): Point3 => [-x * SCALE, -y * SCALE, z * HEIGHT]);

export function trefoil(first: 1 | -1): LedByHands {
  const done = [...whole(drawnOut(first * 0.9), loopTurned(1), [0, 0, 0]), ...end(first)];
  const points = settled(through(asSeen(done), 0).points);
  const path = new Path(points);
  const rope = (control: readonly Point3[]): Point3[] =>
    laidAlong(through(asSeen(control), control.length - 1), path.length, 1, COUNT);
  const far: Point3 = [-9, 0, 0];
  const slip = whole(drawnOut(first * 0.9), loopTurned(1), [0, 0, 0]);
  const turned = whole(UNDER, loopTurned(0), far);
  const open = whole(UNDER, loopOpen(1), far);
  const bent = whole(UNDER, loopOpen(0), far);
  const line = bent.map((_, k): Point3 => [-0.15 * k, -28 + 1.9 * k, 0]);
  // where the end is when the slip is made
  const begun = path.s[nearestIndex(points, asSeen([LOOP.at(-1)!])[0]!)]!;
  const led = (u: number) => slidTo(path, begun + (path.length - begun) * u, COUNT);
  const stage = (keys: readonly (readonly Point3[])[]) => {
    const at = between(keys);
    return (u: number) => [rope(at(u))];
  };
  return {
    stages: [
      stage([line, bent, open, turned]),
      (u) => [rope(whole(UNDER, loopTurned(u), far))],
      stage([
        whole(UNDER, loopTurned(1), far),
        whole(UNDER, loopTurned(1), [-8, 0, 1.6]),
        whole(UNDER, loopTurned(1), [-2, 0, 1.6]),
        whole(UNDER, loopTurned(1), [0, 0, 0]),
      ]),
      stage([UNDER, LIFTED, OVER_RIM, drawnOut(first * 0.9)].map((s) => whole(s, loopTurned(1), [0, 0, 0]))),
      eased([rope(slip)], [led(0)]),
      (u) => [led(0.45 * u)],
      (u) => [led(0.45 + 0.55 * u)],
    ],
  };
}
