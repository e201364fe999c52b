/**
 * The bowline on the bight as a motion: a loop of both strands, the bight up through it as in an overhand; the two eyes are spread; the bight is opened, taken
 * down in front over the eyes and everything, and up behind the standing strands. Unit: rope diameters.
 */
import { lanes, lengthOf, nearestIndex, resample, splineThrough, type Point3 } from '../../../curve';
import { flatDiagram } from '../../laying/authoring';
import { NIPPING_LOOP } from '../bowline/parts';
import { between, eased, laidAlong, settled } from '../../moving/leading';
import { HALF_GAP } from '../../laying/on-bight';
import { DoubledPath } from '../../moving/sliding';
import type { LedByHands, Stage } from '../../moving/way';

const SCALE = 1.7;
const COUNT = 234;
/** control points of a leg from where the pair divides to the bight */
const PER_LEG = 26;
const LEADS_FROM = 24;
/** how high it is lifted, and how many control points of a leg rise there */
const LIFTED = 3;
const RISING = 7;

/** One side of the bight, from its leg to its tip; the left one lies a little farther out. */
type Bight = readonly [right: readonly Point3[], far: Point3];
const onBoth = (right: readonly Point3[], far: Point3): Bight => [right, far];
const IN_FRONT = onBoth(
  [
    [3.4, 9.5, 2.6],
    [3.2, 11, 2.9],
    [2.6, 12.4, 3],
    [1.9, 13.2, 3],
    [1.2, 13.6, 3],
    [0.6, 13.8, 3],
  ],
  [0, 13.9, 3],
);
/** opened: wide above the loop, then its tip taken down toward the viewer */
const OPENED: readonly Bight[] = [
  onBoth(
    [
      [3.8, 9.8, 3],
      [5.5, 11.6, 3.2],
      [6, 13, 3.4],
      [5, 14.2, 3.6],
      [3.4, 14.9, 3.8],
      [1.7, 15.2, 4],
    ],
    [0, 15.3, 4],
  ),
  onBoth(
    [
      [4, 9.9, 3],
      [6.4, 11.8, 3.5],
      [8, 12.2, 5.4],
      [7.6, 11.4, 7.8],
      [5.2, 10.8, 9.2],
      [2.6, 10.5, 9.8],
    ],
    [0, 10.4, 9.9],
  ),
  onBoth(
    [
      [4.2, 9.8, 3],
      [7.6, 11, 3.4],
      [9.8, 8.6, 4],
      [9.4, 4.6, 4.8],
      [6.4, 1.6, 5.4],
      [3.2, 0.2, 5.6],
    ],
    [0, -0.2, 5.6],
  ),
];
const ON_ITS_WAY: readonly Bight[] = [
  onBoth(
    [
      [4.5, 9.8, 3],
      [9, 10, 3.6],
      [12, 5, 4],
      [12.5, -5, 4],
      [10, -11, 4],
      [5, -14, 4],
    ],
    [0, -14.8, 4],
  ),
  onBoth(
    [
      [4.5, 9.8, 3],
      [9.5, 9.5, 3.4],
      [13, 2, 3.6],
      [13.5, -10, 3.4],
      [11, -20, 2],
      [5, -24.4, 1],
    ],
    [0, -25.2, 0],
  ),
  onBoth(
    [
      [4.5, 9.8, 2.6],
      [9.5, 9.2, 2.2],
      [13, 2, 1],
      [13.5, -10, -1],
      [11, -17, -3.4],
      [5, -19.4, -4.4],
    ],
    [0, -20, -4.6],
  ),
  onBoth(
    [
      [4.6, 9.8, 2.2],
      [8.5, 9.5, 1.2],
      [11, 5, -0.6],
      [11, -3, -3],
      [8, -9, -4.4],
      [4, -11, -4.8],
    ],
    [0, -11.4, -4.8],
  ),
  onBoth(
    [
      [4.4, 10.5, 1.8],
      [6.4, 11.6, 0.8],
      [7, 12, -0.8],
      [5.6, 12, -2.4],
      [3.6, 12.2, -3.2],
      [1.8, 12.6, -3.4],
    ],
    [0, 12.8, -3.4],
  ),
];
const COLLAR = onBoth(
  [
    [4, 10.8, 1.8],
    [4.2, 12.4, 0.7],
    [3.9, 13.8, -0.4],
    [3, 14.8, -1],
    [1.9, 15.5, -1.2],
    [0.9, 15.8, -1.2],
  ],
  [0, 15.9, -1.2],
);
const LEFT_WIDER = 1.15;
/** the tip of the bight is in sight from the beginning: share of its way */
const BEGINS = 0.1;

const sampled = (points: readonly Point3[]): Point3[] => resample(points, lengthOf(points) / (PER_LEG - 1));

export function bowlineOnBightTied(): LedByHands {
  // the whole of it as a pair: loop, eye, and up through the loop from behind
  const pairControl = [
    ...NIPPING_LOOP,
    [-6.4, -6],
    [-5.6, -11.5],
    [-2, -14.5],
    [1.6, -12],
    [2, -7],
    [1.1, -3.2, -1],
    [0.9, 0, 0],
    [1.4, 2.6, 1],
    [1.9, 4.6, 1],
    [2, 5.6, 1],
  ] as const;
  const path = flatDiagram(pairControl, { scale: SCALE, height: 0.7, plateau: 1.7 });
  const cut = nearestIndex(path, [-6.4 * SCALE, -6 * SCALE, 0]);
  const first = path.findIndex((p) => p[1] < LEADS_FROM);
  const [left, right] = (lanes(path, 2, 2 * HALF_GAP) as [Point3[], Point3[]]).map((lane) => lane.slice(first)) as [
    Point3[],
    Point3[],
  ];
  const at = (lane: readonly Point3[]) => Math.round(((cut - first) / (path.length - 1 - first)) * (lane.length - 1));
  const [pairLeft, pairRight] = [left.slice(0, at(left)), right.slice(0, at(right))];
  const [r, l] = [pairRight.at(-1)!, pairLeft.at(-1)!];
  /** legs from where the pair divides: as a pair yet, or spread into two eyes so deep */
  const legs = (deep: number): readonly [Point3[], Point3[]] => [
    sampled(
      splineThrough([
        r,
        [r[0] - 0.2, r[1] - 5, 0],
        [r[0] + 1.6, r[1] - deep * 0.75, 0],
        [-2.4, r[1] - deep, 0],
        [3.4, r[1] - deep * 0.75, 0],
        [3.9, -11, 0],
        [2.6, -6.6, -0.75],
        [1.8, -2, -0.5],
        [2, 1.6, 0.6],
        [2.9, 5, 1.3],
        [3.4, 8.5, 2],
      ]),
    ),
    sampled(
      splineThrough([
        l,
        [l[0], l[1] - 4, 0],
        [l[0] + 1.8, r[1] - deep * 0.6, 0],
        [-4.2, r[1] - deep * 0.82, 0],
        [0.4, r[1] - deep * 0.6, 0],
        [0.2, -11, 0],
        [-1.2, -6, -0.8],
        [-1.6, -1.4, -0.4],
        [-2, 2.4, 0.6],
        [-3, 6, 1.5],
        [-3.5, 8.6, 2],
      ]),
    ),
  ];
  const asPair: readonly [Point3[], Point3[]] = [
    sampled(right.slice(at(right) - 1)),
    sampled(left.slice(at(left) - 1)),
  ];
  const [tipR, tipL] = [right.at(-1)!, left.at(-1)!];
  const mid: Point3 = [(tipR[0] + tipL[0]) / 2, tipR[1] + 1.2, tipR[2]];
  const small = (from: Point3): Point3[] =>
    [0.1, 0.25, 0.4, 0.55, 0.7, 0.85].map((k): Point3 => [
      from[0] + (mid[0] - from[0]) * k * k,
      from[1] + 1.2 * Math.sqrt(k),
      from[2] + 0.1 * k,
    ]);
  const mirrored = (points: readonly Point3[]) => points.map(([x, y, z]): Point3 => [-x * LEFT_WIDER, y, z]);
  const shape = (
    [leg1, leg2]: readonly [readonly Point3[], readonly Point3[]],
    side1: readonly Point3[],
    side2: readonly Point3[],
    far: Point3,
  ) => {
    const inner = splineThrough(
      [
        pairRight.at(-9)!,
        ...leg1,
        ...side1,
        far,
        ...side2.slice().reverse(),
        ...leg2.slice().reverse(),
        pairLeft.at(-9)!,
      ],
      12,
    ).slice(12, -12);
    return {
      points: [...pairRight.slice(0, -1), ...inner, ...pairLeft.slice(0, -1).reverse()],
      hold: pairRight.length - 1 + 12 * (leg1.length + side1.length),
    };
  };
  const FULL = 19;
  const SHORT = 9.5;
  const length = lengthOf(settled(shape(legs(FULL), COLLAR[0], mirrored(COLLAR[0]), COLLAR[1]).points)) + 58;
  const rope = (
    leg: Parameters<typeof shape>[0],
    side1: readonly Point3[],
    side2: readonly Point3[],
    far: Point3,
  ): Point3[] => laidAlong(shape(leg, side1, side2, far), length, 0.5, COUNT);
  const led = (
    eyes: readonly (readonly [readonly Point3[], readonly Point3[]])[],
    bights: readonly (readonly [readonly Point3[], readonly Point3[], Point3])[],
  ): Stage => {
    const [one, two, s1, s2, far] = [
      between(eyes.map((e) => e[0])),
      between(eyes.map((e) => e[1])),
      between(bights.map((b) => b[0])),
      between(bights.map((b) => b[1])),
      between(bights.map((b) => [b[2]])),
    ];
    return (u) => [rope([one(u), two(u)], s1(u), s2(u), far(u)[0]!)];
  };
  const tip = (b: Bight) => [b[0], mirrored(b[0]), b[1]] as const;
  const atFirst = [small(tipR), small(tipL), mid] as const;
  // what comes up through the loop is lifted clear of it before the legs are spread
  const liftedUp = (points: readonly Point3[]) =>
    points.map(([x, y, z]): Point3 => [x, y, Math.max(z, Math.min(LIFTED, 0.9 * (y - 3)))]);
  const liftedLeg = (leg: readonly Point3[]): Point3[] => [...leg.slice(0, -RISING), ...liftedUp(leg.slice(-RISING))];
  const lifted = ([one, two]: readonly [Point3[], Point3[]]): readonly [Point3[], Point3[]] => [
    liftedLeg(one),
    liftedLeg(two),
  ];
  const liftedTip = ([a, b, far]: readonly [readonly Point3[], readonly Point3[], Point3]) =>
    [liftedUp(a), liftedUp(b), liftedUp([far])[0]!] as const;
  const bight = settled([...right, mid, ...left.slice().reverse()]);
  const doubled = new DoubledPath(bight, nearestIndex(bight, mid));
  const pair = (u: number) => {
    const points = doubled.at(doubled.tip * u, COUNT);
    return laidAlong(
      {
        points,
        hold: nearestIndex(
          points,
          doubled.at(doubled.tip * u, 2001)[Math.round((2000 * doubled.tip) / doubled.length)]!,
        ),
      },
      length,
      0.5,
      COUNT,
    );
  };
  const [eyes, deep] = [legs(SHORT), legs(FULL)];
  return {
    stages: [
      (u) => [pair(BEGINS + (0.45 - BEGINS) * u)],
      (u) => [pair(0.45 + 0.55 * u)],
      eased([pair(1)], [rope(asPair, ...atFirst)]),
      led(
        [asPair, lifted(asPair), lifted(eyes), eyes],
        [atFirst, liftedTip(atFirst), liftedTip(tip(IN_FRONT)), tip(IN_FRONT)],
      ),
      led(
        [eyes, eyes, eyes, eyes, eyes],
        [tip(IN_FRONT), ...OPENED.map(tip), tip(ON_ITS_WAY[0]!), tip(ON_ITS_WAY[1]!)],
      ),
      led(
        [eyes, eyes, eyes, eyes, eyes],
        [tip(ON_ITS_WAY[1]!), tip(ON_ITS_WAY[2]!), tip(ON_ITS_WAY[3]!), tip(ON_ITS_WAY[4]!), tip(COLLAR)],
      ),
      led([eyes, deep], [tip(COLLAR), tip(COLLAR)]),
    ],
    box: [-15, -27, 30, 44],
    eyes: [[0.37, 0.63]],
  };
}
