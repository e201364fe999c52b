/**
 * Michoacan: a wound form; four turns up, down over the front, once round the back below, up through under the lowest turn, which is lifted there. Which way
 * round the back is usual is not settled: against the wraps the legs leave on opposite sides, with them on one; both are here.
 */
import { HOST_RADIUS, hungByLegs } from '../../laying/on-host';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import { hangingLeg, levelWraps, onIt, overWraps, PITCH, woundNodes, type Key, type Wrong } from '../../laying/wraps';

const WRAPS = 4;

interface Hitch extends Wrong {
  readonly wraps?: number;
  /** the end hangs beside the turns, not under the lowest */
  readonly beside?: boolean;
}
const R0 = onIt(HOST_RADIUS);
const R1 = overWraps(HOST_RADIUS);
const Y0 = 0.55;
const BELOW = -0.6;
/** where the bridge comes down, degrees right of the front */
const BRIDGE = 15;

/** The four turns, the lowest lifted about an angle; then the bridge, down over the front, ending in direction `sense`. */
function turnsAndBridge(lifted: number, width: number, sense: 1 | -1, { wraps = WRAPS, crossed }: Hitch = {}): Key[] {
  const END = 360 * wraps;
  const high = Y0 + PITCH * (wraps - 0.5);
  const up = levelWraps(wraps, Y0, R0, false, crossed === undefined ? {} : { crossed }).map(([t, y, r]): Key => [
    t,
    y,
    r + (t < 360 ? 0.9 * Math.max(0, 1 - Math.abs(t - lifted) / width) : 0),
  ]);
  const at = END + BRIDGE;
  return [
    ...up,
    [END - 90, high - 0.35, R0],
    [at - 58, high, R0 + 0.1],
    [at - 32, high - 0.1, R0 + 0.5],
    [at - 20, high - 0.6, R1 + 0.2],
    [at, 2.2, R1 + 0.5],
    [at + 3 * sense, 0.4, R1 + 0.7],
    [at + 10 * sense, -0.6, R1 + 0.3],
  ];
}

/** Round the back against the wraps: under the standing leg, up in front on the right. */
function against(hitch: Hitch = {}): LaidKnot {
  const END = 360 * (hitch.wraps ?? WRAPS);
  const a = END - 360;
  const back: Key[] = [
    [END - 25, BELOW - 0.2, R0 + 0.2],
    [END - 45, BELOW, R0],
    [END - 80, BELOW, R0],
    ...[-135, -180, -225, -270].map((t): Key => [END + t, BELOW, R0]),
  ];
  const out: Key[] = hitch.beside
    ? [
        [a + 66, -0.8, R0 + 0.2],
        [a + 60, -1.2, R0 + 1],
        [a + 58, -2.4, R1 + 0.6],
        [a + 60, -5, R1 + 1],
        [a + 58, -16, R1 + 1.6],
      ]
    : [
        [a + 65, -0.5, R0],
        [a + 55, 0, R0],
        [a + 48, 0.7, R0],
        [a + 50, 1.4, R0 + 0.6],
        [a + 51, 1.5, R1 + 0.4],
        [a + 60, 1.1, R1 + 1.1],
        [a + 64, 0, R1 + 1.1],
        [a + 64, -5, R1 + 1],
        [a + 58, -16, R1 + 1.6],
      ];
  return hungByLegs(
    woundNodes([...hangingLeg(-1, Y0, HOST_RADIUS, 60, 2), ...turnsAndBridge(50, 80, -1, hitch), ...back, ...out], R0),
    [-0.05, 0.05],
  );
}

/** Round the back the way the wraps go: up on the left, behind the standing leg. */
function withTheWraps(): LaidKnot {
  const END = 360 * WRAPS;
  const a = END + 250;
  const back: Key[] = [
    [END + BRIDGE + 35, BELOW - 0.2, R0 + 0.2],
    ...[90, 135, 180, 215].map((t): Key => [END + t, BELOW, R0]),
  ];
  const out: Key[] = [
    [a - 20, -0.5, R0],
    [a - 8, 0, R0],
    [a, 0.65, R0],
    [a + 2, 1.3, R0 + 0.5],
    [a + 3, 1.5, R1 + 0.4],
    [a + 9, 0.6, R1 + 1.1],
    [a + 12, -1.5, R1 + 1.3],
    [a + 12, -6, R1 + 1.8],
    [a + 16, -16, R1 + 3],
  ];
  return hungByLegs(
    woundNodes([...hangingLeg(-1, Y0, HOST_RADIUS, 40, 2), ...turnsAndBridge(250, 90, 1), ...back, ...out], R0),
    [-0.04, -0.2],
  );
}

export const forms = {
  right: () => against(),
  'variant-with-the-wraps': withTheWraps,
  'one-wrap-short': () => against({ wraps: 3 }),
  'crossed-wraps': () => against({ crossed: 1 }),
  'not-tucked': () => against({ beside: true }),
} satisfies LaidForms;
