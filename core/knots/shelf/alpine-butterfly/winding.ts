/**
 * Wound on the hand as a motion: the rope is laid round the hand turn by turn, the rest of it leaving past the fingertips, outside of whatever lies there
 * already, so that no turn can pass through another while it is laid; then a strand is drawn out as the eye. The hand is an upright axis, its fingers up.
 * Unit: rope diameters.
 */
import { arcLengths, lengthOf, nearestIndex, resample, smooth, splineThrough, type Point3 } from '../../../curve';
import { turnedUpsideDown } from '../../laying/authoring';
import { eased, laidAlong, type LedLine } from '../../moving/leading';
import { DoubledPath } from '../../moving/sliding';
import { turnedBy } from '../../shape/laidView';
import type { LedByHands } from '../../moving/way';

/** A place on the hand: how far round it, how high toward the fingertips, how far from its middle. */
type Key = readonly [angle_deg: number, height: number, radius: number];

export interface Winding {
  /** from the standing part to where the rest leaves */
  readonly turns: readonly Key[];
  /** the same after the standing part has been pushed over what was laid last; none where it stays */
  readonly pushed?: readonly Key[];
  /** how the standing part comes: up along the wrist, or straight from the side */
  readonly comes: 'along-the-wrist' | 'from-the-side';
  /** turns (by number) at which a step of the winding is over, the last one among them */
  readonly steps: readonly number[];
  /** of the strand that becomes the eye the turn at its middle; the coil is left one before it and taken up again one after it */
  readonly eyeAt: number;
  /** half of the eye from the coil to its tip, the left one; the right one is its mirror */
  readonly leg: readonly Point3[];
  readonly tip: Point3;
  /** shares of the drawing out at which a step is over, the last 1 */
  readonly drawn: readonly number[];
  /** stages over which the hand slips out, from and to */
  readonly slipsOut: readonly [number, number];
}

const COUNT = 260;
/** The hand points down, as the eye will; seen a little from the side and from above, so that what lies before it does not hide what lies behind. */
const asSeen = (points: readonly Point3[]): Point3[] =>
  turnedBy(turnedUpsideDown(points), { yaw_deg: 17, pitch_deg: 27 });
const LEAD = 22;
const PER_TURN = 24;
/** how gently the rest bends away from the turn it leaves, and how far out it goes to be clear of all others */
const LEAVES_OVER = 3.6;
const CLEAR_RADIUS = 8.3;
const CORNER = 12;
/** the strand stands out so far before it is led as a pair */
const STANDS_OUT = 2.2;

const on = ([angle_deg, height, radius]: Key): Point3 => [
  radius * Math.sin((angle_deg * Math.PI) / 180),
  height,
  radius * Math.cos((angle_deg * Math.PI) / 180),
];

/** The turns as a dense run of places, so many from each to the next. */
function unrolled(turns: readonly Key[]): Key[] {
  const mean = turns.reduce((sum, k) => sum + k[2], 0) / turns.length;
  return splineThrough(
    turns.map(([t, y, r]): Point3 => [(t * Math.PI * mean) / 180, y, r]),
    PER_TURN,
  ).map(([along, y, r]): Key => [(along * 180) / (Math.PI * mean), y, r]);
}
/** A place between two of the run. */
const at = (run: readonly Key[], index: number): Key => {
  const k = Math.min(run.length - 2, Math.floor(index));
  const [a, b, t] = [run[k]!, run[k + 1]!, index - k];
  return [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1]), a[2] + t * (b[2] - a[2])];
};

/** How the rest leaves a place of the run: round a corner from the way it goes there, outward over what lies nearer the fingertips, and up. */
function leaves(run: readonly Key[], index: number): Point3[] {
  const [from, to] = [at(run, Math.max(0, index - 2)), at(run, Math.min(run.length - 1, index))];
  const [, , r] = to;
  let [t, y] = to;
  const heading = Math.atan2(to[1] - from[1], ((to[0] - from[0]) * Math.PI * r) / 180);
  const out = Math.max(r, CLEAR_RADIUS) - r;
  const points: Point3[] = [];
  for (let i = 1; i <= CORNER; i++) {
    const share = (i - 0.5) / CORNER;
    const way = heading + (Math.PI / 2 - heading) * share;
    const stride = (LEAVES_OVER * (1 + Math.abs(Math.PI / 2 - heading))) / CORNER;
    t += ((stride * Math.cos(way)) / r) * (180 / Math.PI);
    y += stride * Math.sin(way);
    points.push(on([t, y, r + out * Math.sin((Math.PI / 2) * Math.min(1, (1.7 * i) / CORNER))]));
  }
  const [x, h, z] = points.at(-1)!;
  return [...points, [x, h + 6, z], [x, h + LEAD, z]];
}

const BENDS_OVER_deg = 24;
const BENDS_UP = 2.6;
function comesIn([angle_deg, height, radius]: Key, how: Winding['comes']): Point3[] {
  const first = on([angle_deg, height, radius]);
  if (how === 'from-the-side') {
    const back: Point3 = [-Math.cos((angle_deg * Math.PI) / 180), 0, Math.sin((angle_deg * Math.PI) / 180)];
    return [LEAD, 6, 0].map((s): Point3 => [first[0] + s * back[0], height, first[2] + s * back[2]]);
  }
  const bend = Array.from({ length: 8 }, (_, i): Point3 => {
    const q = (1 - i / 8) * (Math.PI / 2);
    return on([angle_deg - BENDS_OVER_deg * Math.sin(q), height - BENDS_UP * (1 - Math.cos(q)), radius]);
  });
  const [x, y, z] = bend[0]!;
  return [[x, y - LEAD, z], [x, y - 6, z], ...bend, first];
}

export function woundByHand(w: Winding): LedByHands {
  const laid = unrolled(w.turns);
  const run = w.pushed ? unrolled(w.pushed) : laid;
  const index = (turn: number) => turn * PER_TURN;
  /** laid as far as a place of the run; the place held is where the turns begin */
  const upTo = (now: readonly Key[], place: number): LedLine => {
    const begin = comesIn(now[0]!, w.comes);
    return {
      points: [...begin, ...now.slice(1, Math.ceil(place - 0.05)).map(on), on(at(now, place)), ...leaves(now, place)],
      hold: begin.length - 1,
    };
  };
  const begin = comesIn(run[0]!, w.comes);
  const before = run.slice(0, index(w.eyeAt - 1) + 1).map(on);
  const after = run.slice(index(w.eyeAt + 1)).map(on);
  const right = w.leg
    .slice()
    .reverse()
    .map(([x, y, z]): Point3 => [-x, y, z]);
  // the strand may run either way through the eye
  const leftFirst = before.at(-1)![0] < after[0]![0];
  const [one, other] = leftFirst ? [w.leg, right] : [right.slice().reverse(), w.leg.slice().reverse()];
  const eye = splineThrough([before.at(-12)!, before.at(-1)!, ...one, w.tip, ...other, after[0]!, after[11]!]).slice(
    24,
    -24,
  );
  const points = resample(
    smooth(resample([...begin, ...before, ...eye.slice(1, -1), ...after, ...leaves(run, run.length - 1)], 0.15), 14),
    0.45,
  );
  const path = new DoubledPath(points, nearestIndex(points, w.tip));
  const length = lengthOf(points);
  const share = path.tip / length;
  // where the turns begin the rope lies so that the middle of the strand that is drawn out becomes the tip of the eye
  const toEye = (now: readonly Key[]) => arcLengths(now.map(on))[index(w.eyeAt)]!;
  const lying = (now: readonly Key[], place: number) =>
    asSeen(laidAlong(upTo(now, place), length, share - toEye(now) / length, COUNT));
  const wound = (place: number) => lying(laid, place);
  const pushing = (u: number) =>
    lying(
      laid.map((k, i): Key => [k[0], k[1] + (run[i]![1] - k[1]) * u, k[2] + (run[i]![2] - k[2]) * u]),
      run.length - 1,
    );
  const first = path.tip - (arcLengths(splineThrough([...w.leg, w.tip])).at(-1)! - STANDS_OUT);
  const drawn = (u: number) => asSeen(path.at(first + (path.tip - first) * u, COUNT));
  const stage = (a: number, b: number) => (u: number) => [wound(a + (b - a) * u)];
  const drawStage = (a: number, b: number) => (u: number) => [drawn(a + (b - a) * u)];
  return {
    stages: [
      ...w.steps.map((to, k) => stage(k === 0 ? 2 : index(w.steps[k - 1]!), index(to))),
      ...(w.pushed ? [(u: number) => [pushing(u)]] : []),
      eased([w.pushed ? pushing(1) : wound(run.length - 1)], [drawn(0)]),
      ...w.drawn.map((to, k) => drawStage(k === 0 ? 0 : w.drawn[k - 1]!, to)),
    ],
    eyes: [share],
    palm: (come) => {
      const out = Math.max(0, Math.min(1, (come - w.slipsOut[0]) / (w.slipsOut[1] - w.slipsOut[0])));
      const [wrist, fingertips] = asSeen([
        [0, -PALM_REACHES - SLIPS * out, 0],
        [0, PALM_TIPS - SLIPS * out, 0],
      ]) as [Point3, Point3];
      return out === 1 ? null : { wrist, fingertips, width_ropeDiameters: PALM_WIDTH };
    },
  };
}

/** the hand within the turns, from beyond the wrist to its fingertips */
const PALM_REACHES = 34;
const PALM_TIPS = 5.6;
const PALM_WIDTH = 5.4;
const SLIPS = 30;
const HAND = 5;
const ON_TOP = HAND + 1.5;
const UNDER = HAND - 1.5;
const WRIST = -4.2;
const TIPS = 4.2;

/** One turn toward the wrist, one toward the fingertips, one between them whose way there crosses, on the back of the hand, the way from the first to the second. */
const THREE_TURNS: readonly Key[] = [
  [-90, WRIST, HAND],
  [-45, WRIST, HAND],
  [0, WRIST, HAND],
  [45, WRIST, HAND],
  [90, WRIST, HAND],
  [115, WRIST, HAND],
  [180, 1.3, HAND],
  [245, TIPS, HAND],
  [270, TIPS, HAND],
  [305, TIPS, HAND],
  [360, TIPS, HAND],
  [415, TIPS, HAND],
  [450, TIPS, HAND + 0.3],
  [475, TIPS, ON_TOP],
  [540, 1.9, ON_TOP],
  [605, 0, ON_TOP],
  [640, 0, HAND],
  [680, 0, HAND],
  [720, 0, HAND],
  [765, 0, HAND],
  [810, 0, HAND],
];

export const THREE_WRAP: Winding = {
  turns: THREE_TURNS,
  comes: 'along-the-wrist',
  steps: [4, 12, 20],
  eyeAt: 10,
  // over the other two, back under both from the wrist side, and out
  leg: [
    [-1.9, TIPS, HAND],
    [-1.2, 2.9, HAND + 0.9],
    [-1.1, 0, HAND + 1.4],
    [-1.1, WRIST, HAND + 1.4],
    [-1.1, WRIST - 2, HAND + 0.7],
    [-1.1, WRIST - 2.1, HAND - 0.7],
    [-1.1, WRIST, UNDER],
    [-1.1, 0, UNDER],
    [-1.1, TIPS, HAND - 1.3],
    [-1.3, TIPS + 3, HAND - 0.6],
    [-2.6, 10, HAND],
  ],
  tip: [0, 14, HAND],
  drawn: [0.3, 0.55, 1],
  slipsOut: [6, 7],
};

/** Over the hand twice: on its back two strands lie, and of the first end as much as comes; the second turn crosses the first outside of it, on the palm. */
const TWO_TURNS = (pushed: boolean): readonly Key[] => [
  ...(pushed
    ? ([
        [-40, -1.8, ON_TOP],
        [-12, -2.55, ON_TOP],
        [12, -3.9, ON_TOP],
        [46, -5.25, HAND + 0.4],
      ] as const)
    : ([
        [-40, -6.9, HAND],
        [-10, -6.6, HAND],
        [16, -6.3, HAND],
        [46, -5.85, HAND],
      ] as const)),
  [80, -5.25, HAND],
  [120, -3.9, HAND],
  [180, -0.9, HAND],
  [240, 2.1, HAND],
  [285, 3, HAND],
  [325, 3, HAND],
  [360, 3, HAND],
  [395, 3, HAND],
  [435, 3, HAND],
  [475, 2.1, HAND + 0.75],
  [510, 0.6, ON_TOP],
  [540, -0.9, ON_TOP],
  [570, -2.4, ON_TOP],
  [605, -3.45, HAND + 0.75],
  [640, -3.6, HAND],
  [680, -3.45, HAND],
  [720, -3.3, HAND],
  [760, -3.15, HAND],
  [800, -3, HAND],
];

export const TWO_WRAP: Winding = {
  turns: TWO_TURNS(false),
  pushed: TWO_TURNS(true),
  comes: 'from-the-side',
  steps: [9, 22],
  eyeAt: 10,
  // over the crossed ends toward the wrist, and back through where the fingers are
  leg: [
    [-1.9, 3, HAND],
    [-1.5, 1.8, HAND + 1],
    [-1.3, 0, 7.6],
    [-1.1, -3.4, 8],
    [-1.1, -7, 7.2],
    [-1.1, -8.2, 5],
    [-1.1, -7, 3],
    [-1.1, -3.4, 2],
    [-1.1, 0, 2],
    [-1.1, 3, 2.6],
    [-1.3, 7, 4],
    [-2.6, 10.8, HAND],
  ],
  tip: [0, 14, HAND],
  drawn: [0.4, 0.65, 1],
  slipsOut: [4.3, 5.3],
};
