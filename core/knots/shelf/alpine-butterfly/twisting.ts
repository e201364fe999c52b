/**
 * The twist as a motion: a bight hangs from the line, is turned half over, and half over again; its far loop is folded round the back, one leg on each
 * side, and comes up through the small loop. It ends on the shape that twist.ts says; the wrong one has its second turn the other way, nothing else.
 */
import { lengthOf, type Point3 } from '../../../curve';
import { between, eased, laidAlong, through } from '../../moving/leading';
import { DoubledPath } from '../../moving/sliding';
import { legTurned, type TurnedPlace } from '../../moving/turning';
import type { LedByHands, Stage } from '../../moving/way';
import { butterflyByTwist } from './twist';

const SCALE = 1.55;
const LIFT = 0.45;
const COUNT = 260;
/** rope between the tip of the eye and where its legs come forward under the knot, diameters */
const HANGS_BEFORE_TIP = 40.6;

type Half = readonly Point3[];
const scaled = (p: readonly Point3[]): Point3[] => p.map(([x, y, z]): Point3 => [-x * SCALE, -y * SCALE, z * SCALE]);

// prettier-ignore
const LEADS: Half = [[24, 0, 0], [14, 0, 0], [9, 0, 0], [5.5, 0.3, 0]];
const OPEN = 3.2;
const place = (wide: number, at: number, deep: number, first: number, second: number, open = OPEN): TurnedPlace => ({
  wide,
  open,
  at,
  deep,
  shares: [first, second],
});
const PLACES: readonly TurnedPlace[] = [
  place(2.6, 1.4, 0.5, 0.05, 0),
  place(1.4, 3, LIFT, 0.5, 0),
  place(2.8, 4.6, 1.5, 1, 0),
  place(2.8, 6.6, 1.5, 1, 0),
  place(1.4, 8.2, LIFT, 1, 0.5),
  place(2.6, 9.6, 1.2, 1, 0.95),
  place(4.2, 11, 2, 1, 1, 4.2),
  place(4.6, 12.6, 2.2, 1, 1, 4.6),
  place(3.2, 14.6, 1.8, 1, 1, 3.2),
  place(1.6, 15.6, 1, 1, 1, 1.6),
];
const FAR_HEIGHT = 15.9;

/** The bight turned by so much of its first and its second half turn. @param sense of the second: 1 as the first, -1 back */
function twisted(first: number, second: number, sense: 1 | -1): Point3[] {
  const leads = (q: 1 | -1) => LEADS.map(([x, y, z]): Point3 => [q * x, y, z]);
  const leg = (q: 1 | -1) => legTurned(PLACES, [first, sense * second], q);
  return [...leads(-1), ...leg(-1), [0, FAR_HEIGHT, 0], ...leg(1).reverse(), ...leads(1).reverse()];
}
const MIDDLE = LEADS.length + PLACES.length;

/** The far loop on its way round the back, after its turns. @param places of the right half, from the second crossing's far side to the tip */
const folding = (sense: 1 | -1, places: Half, far: Point3): Point3[] => {
  const turned = twisted(1, 1, sense);
  const kept = turned.slice(0, LEADS.length + 5);
  const other = turned.slice(-LEADS.length - 5);
  return [...kept, ...places.map(([x, y, z]): Point3 => [-x, y, z]), far, ...places.slice().reverse(), ...other];
};

export function butterflyTwisted(sense: 1 | -1): LedByHands {
  const { points, eyeNode } = butterflyByTwist(sense);
  const length = lengthOf(points);
  const share = lengthOf(points.slice(0, eyeNode! + 1)) / length;
  const laid = (control: readonly Point3[]): Point3[] =>
    laidAlong(through(scaled(control), MIDDLE), length, share, COUNT);
  const stage =
    (control: (u: number) => readonly Point3[]): Stage =>
    (u) => [laid(control(u))];
  // untied: the places of the bight lie along the line
  const hanging = twisted(0, 0, sense);
  const line = hanging.map((_, k): Point3 => [((k - MIDDLE) / MIDDLE) * 24, 0, 0]);
  const folds = [
    twisted(1, 1, sense),
    folding(
      sense,
      [
        [2.6, 9.7, 0],
        [4.2, 11, -1],
        [5.2, 12, -2.4],
        [4.6, 12.8, -4.2],
        [2.2, 13, -5.4],
      ],
      [0, 13, -5.8],
    ),
    folding(
      sense,
      [
        [2.6, 9.7, 0],
        [4.2, 11.2, -0.8],
        [5.4, 11.2, -2.4],
        [5, 9.6, -4.6],
        [2.4, 8.4, -5.8],
      ],
      [0, 8, -6.2],
    ),
    folding(
      sense,
      [
        [2.4, 9.6, 0],
        [4.4, 11.2, -0.8],
        [5.8, 9.6, -2.4],
        [5.2, 4.4, -3.6],
        [2.6, 2, -4.6],
      ],
      [0, 1.4, -4.8],
    ),
    folding(
      sense,
      [
        [2.4, 9.6, 0],
        [4.6, 11.3, -1],
        [5.7, 8.6, -2.1],
        [4.8, 1.4, -1.9],
        [3.2, -2.6, -1.4],
      ],
      [0, -4.6, -1],
    ),
  ];
  const path = new DoubledPath(points, eyeNode!);
  // where the legs part to the side the loop hangs behind the knot: from there on they are led as a pair
  const hung = path.tip - HANGS_BEFORE_TIP;
  const led = (u: number) => path.at(hung + (path.tip - hung) * u, COUNT);
  const folded = laid(folds.at(-1)!);
  return {
    stages: [
      stage(between([line, hanging])),
      stage((u) => twisted(u, 0, sense)),
      stage((u) => twisted(1, u, sense)),
      stage(between(folds)),
      eased([folded], [led(0)]),
      (u) => [led(0.35 * u)],
      (u) => [led(0.35 + 0.65 * u)],
    ],
    eyes: [share],
  };
}
