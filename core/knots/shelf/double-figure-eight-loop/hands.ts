/**
 * The eight with two ears as a motion: a doubled eight whose bight stays inside; of each of its legs a bight is drawn through as an ear; the tip is folded
 * forward over everything and down behind; the ears are pulled. Unit: rope diameters.
 */
import { arcLengths, lanes, lengthOf, splineThrough, type Point3 } from '../../../curve';
import { flatDiagram, turnedUpsideDown } from '../../laying/authoring';
import { between, eased, laidAlong, settled } from '../../moving/leading';
import { WIDE_EIGHT } from '../../laying/single-paths';
import { DoubledPath } from '../../moving/sliding';
import type { LedByHands, Stage } from '../../moving/way';

const SCALE = 1.4;
const WIDER = 2.4;
const HEAD = (8.2 + WIDER) * SCALE;
const COUNT = 300;
/** the pair is led as a pair so far: it lies inside the head then */
const PAIR_UP_TO = 9.6;
const TOP = 20;
const LEADS_FROM = -24;
/** share of the rope's length at the far point of the first ear */
const EAR_AT = 0.42;
/** the tip of the bight is in sight from the beginning: share of its way */
const BEGINS = 0.14;

/** From the pair up into an ear and down again inside the head. @param ear how far the ear stands beyond the head; below 0 it has not come through */
const earOf = (ear: number, wide: number): Point3[] => {
  if (ear < 0)
    return [
      [0.66, 10.4, -0.6],
      [0.7, 11, -0.75],
      [0.8, 11.5, -0.9],
      [1, 11.9, -1],
      [1.3, 12.1, -1],
      [1.6, 12, -0.95],
      [1.9, 11.6, -0.8],
      [2.1, 11, -0.5],
      [2.2, 10.4, -0.1],
      [2.2, 9.8, 0.3],
    ];
  return [
    [0.66, HEAD - 2, -0.7],
    [0.66, HEAD, -0.75],
    [0.7, HEAD + 3, -0.3],
    [0.9 + 0.3 * wide, TOP + 0.2 * ear, 0.2],
    [wide * 0.7, TOP + 0.8 * ear, 0.3],
    [wide, TOP + ear, 0.3],
    [wide * 1.3, TOP + 0.7 * ear, 0.3],
    [2 + 0.35 * wide, TOP + 0.1 * ear, 0.2],
    [2.2, HEAD + 2.4, -0.4],
    [2.1, HEAD, -0.8],
  ];
};
/** On its way through the head, behind its turn. */
const UNDER: readonly Point3[] = [
  [0.66, HEAD - 3, -0.7],
  [0.66, HEAD - 1.8, -0.85],
  [0.7, HEAD - 0.4, -1],
  [0.9, HEAD + 0.9, -1.1],
  [1.2, HEAD + 1.7, -1.1],
  [1.55, HEAD + 1.9, -1.1],
  [1.9, HEAD + 1.4, -1.1],
  [2.15, HEAD + 0.2, -1.05],
  [2.2, HEAD - 1.1, -0.9],
  [2.2, HEAD - 2.2, -0.5],
];
/** From inside the head out to its front and to the tip. */
type Tip = readonly [side: readonly Point3[], far: Point3];
const INSIDE: Tip = [
  [
    [2.1, 9.6, 0.9],
    [2, 9.2, 1.2],
    [1.9, 8.8, 1.5],
    [1.7, 8.3, 1.7],
    [1.3, 7.8, 1.8],
    [0.8, 7.4, 1.8],
  ],
  [0, 7.2, 1.8],
];
/** The tip bent forward, before the ears begin. */
// prettier-ignore
const BENT_EAR: readonly Point3[] = [[0.66, 9.9, -0.5], [0.66, 10.3, -0.55], [0.67, 10.7, -0.6], [0.7, 11.05, -0.55], [0.75, 11.35, -0.3], [0.8, 11.5, 0.1], [0.85, 11.45, 0.55], [0.88, 11.2, 0.9], [0.9, 10.85, 1.15], [0.9, 10.45, 1.3]];
const BENT: Tip = [
  [
    [0.9, 10.1, 1.4],
    [0.88, 9.8, 1.45],
    [0.85, 9.5, 1.5],
    [0.75, 9.2, 1.5],
    [0.55, 8.95, 1.5],
    [0.3, 8.8, 1.5],
  ],
  [0, 8.75, 1.5],
];
/** the mere bight, said with as many points */
const NO_EAR: readonly Point3[] = Array.from({ length: 10 }, (_, k): Point3 => [0.66, 9.8 + 0.1 * k, -0.5]);
// prettier-ignore
const ROUND: Tip = [[0.64, 0.6, 0.52, 0.42, 0.3, 0.15].map((x, k): Point3 => [x, [10.85, 11, 11.12, 11.22, 11.28, 11.31][k]!, -0.5]), [0, 11.32, -0.5]];
const IN_FRONT: Tip = [
  [
    [2.1, HEAD - 1.6, -0.7],
    [2.2, HEAD - 3.2, 0.2],
    [2.3, HEAD - 3.9, 1.2],
    [2.2, HEAD - 4.8, 1.8],
    [1.7, HEAD - 6, 2],
    [1, HEAD - 6.8, 2],
  ],
  [0, HEAD - 7.1, 2],
];
const tipAt = (y: number, z: number, wide: number): Tip => [
  [
    [2.1, HEAD - 1.6, -0.7],
    [2.3, HEAD - 3.2, 0.3],
    [2.9, HEAD - 3.8, 1.2],
    [3.6, HEAD - 2.6, 2],
    [wide, (HEAD + y) / 2, (2.4 + z) / 2 + 1.2],
    [wide * 0.7, y - 0.6, z],
  ],
  [0, y, z],
];
const OVER: readonly Tip[] = [
  tipAt(HEAD + 3, 4.6, 4.2),
  tipAt(TOP + 5, 5, 5),
  tipAt(TOP + 8.6, 1.5, 5.4),
  tipAt(TOP + 7, -4, 5.4),
];
const BEHIND: Tip = [
  [
    [2.1, HEAD - 1.6, -0.7],
    [2.3, HEAD - 3.2, 0.2],
    [2.9, HEAD - 3.8, 1.1],
    [3.7, HEAD - 1.6, 2],
    [4.1, HEAD + 2.2, 0.9],
    [3.1, HEAD + 4.4, -1.9],
  ],
  [0, HEAD + 4.9, -2.4],
];

export function twoEarsTied(): LedByHands {
  const path = flatDiagram(WIDE_EIGHT(WIDER), { scale: SCALE, height: 0.68, plateau: 1.9 });
  const [left, right] = (lanes(path, 2, 1.3) as [Point3[], Point3[]]).map((lane) =>
    lane.slice(
      lane.findIndex((p) => p[1] > LEADS_FROM),
      lane.findLastIndex((p) => p[1] < PAIR_UP_TO) + 1,
    ),
  ) as [Point3[], Point3[]];
  const side = left.at(-1)![0] < right.at(-1)![0] ? -1 : 1;
  const shape = (ear: readonly Point3[], [legs, far]: Tip): { points: Point3[]; hold: number } => {
    const half = (q: number) => [...ear, ...legs].map(([x, y, z]): Point3 => [q * x, y, z]);
    const inner = splineThrough(
      [left.at(-9)!, left.at(-1)!, ...half(side), far, ...half(-side).reverse(), right.at(-1)!, right.at(-9)!],
      12,
    ).slice(12, -12);
    const points = [...left.slice(0, -1), ...inner, ...right.slice(0, -1).reverse()];
    return { points, hold: left.length - 1 + 12 * (ear.length + legs.length + 1) };
  };
  const final = shape(earOf(13, 5.5), BEHIND);
  const length = lengthOf(settled(final.points)) + 8;
  const rope = (ear: readonly Point3[], tip: Tip) => turnedUpsideDown(laidAlong(shape(ear, tip), length, 0.5, COUNT));
  const led = (ears: readonly (readonly Point3[])[], tips: readonly Tip[]): Stage => {
    const [ear, legs, far] = [between(ears), between(tips.map((t) => t[0])), between(tips.map((t) => [t[1]]))];
    return (u) => [rope(ear(u), [legs(u), far(u)[0]!])];
  };
  // the pair alone, its tip inside the head
  const bight = settled([
    ...left,
    [side * 0.6, 10.6, -0.5] as Point3,
    [0, 11.2, -0.5] as Point3,
    [-side * 0.6, 10.6, -0.5] as Point3,
    ...right.slice().reverse(),
  ]);
  const doubled = new DoubledPath(bight, Math.round((bight.length - 1) / 2));
  const pair = (u: number) => {
    const points = doubled.at(doubled.tip * u, COUNT);
    // as long as the rope is in all: the ends reach farther
    const s = arcLengths(points);
    return turnedUpsideDown(
      laidAlong({ points, hold: points.findIndex((_, i) => s[i]! >= s.at(-1)! / 2) }, length, 0.5, COUNT),
    );
  };
  const [none, small, full] = [earOf(-1, 0), earOf(4, 3), earOf(13, 5.5)];
  return {
    stages: [
      (u) => [pair(BEGINS + (0.45 - BEGINS) * u)],
      (u) => [pair(0.45 + 0.55 * u)],
      eased([pair(1)], [rope(NO_EAR, ROUND)]),
      led([NO_EAR, BENT_EAR, none], [ROUND, BENT, INSIDE]),
      led([none, UNDER, small], [INSIDE, INSIDE, IN_FRONT]),
      led([small, small, small, small, small, small], [IN_FRONT, ...OVER, BEHIND]),
      led([small, full], [BEHIND, BEHIND]),
    ],
    box: [-14, -37, 28, 50],
    eyes: [[EAR_AT, 1 - EAR_AT]],
  };
}
