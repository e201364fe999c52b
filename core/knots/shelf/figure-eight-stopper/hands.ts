/** The eight by the bight as a motion: a bight turned over twice, and the end drawn through what it encloses. Unit: rope diameters. */
import { nearestIndex, type Point3 } from '../../../curve';
import { between, eased, laidAlong, settled, through } from '../../moving/leading';
import { Path, slidTo } from '../../moving/sliding';
import { legTurned, type TurnedPlace } from '../../moving/turning';
import type { LedByHands } from '../../moving/way';

const SCALE = 1.2;
const COUNT = 220;
const OPEN = 3;
const place = (wide: number, at: number, deep: number, first: number, second: number, open = OPEN): TurnedPlace => ({
  wide,
  open,
  at,
  deep,
  shares: [first, second],
});
const PLACES: readonly TurnedPlace[] = [
  place(2.6, 1.2, 0.6, 0.05, 0),
  place(1.2, 3, 0.65, 0.5, 0),
  place(2.4, 4.6, 1.5, 1, 0),
  place(2.4, 6.4, 1.5, 1, 0),
  place(1.2, 8, 0.65, 1, 0.5),
  place(2.8, 9.8, 1.2, 1, 0.95),
  place(3.6, 11.8, 1.6, 1, 1, 3.6),
  place(3.2, 14, 1.6, 1, 1, 3.2),
  place(1.8, 15.6, 1, 1, 1, 1.8),
];
const TIP: Point3 = [0, 16.1, 0];
/** the standing part comes from the left and above, the end goes off to the right */
// prettier-ignore
const STANDING: readonly Point3[] = [[-3.4, -26, 0], [-3.4, -12, 0], [-3.3, -5, 0], [-3, -1, 0]];
// prettier-ignore
const END: readonly Point3[] = [[4, -0.6, 0], [6.4, -0.4, 0], [8, 1.8, 0]];
/** down beside the turns, and through what the bight encloses */
// prettier-ignore
const THROUGH: readonly Point3[] = [[8.2, 5, 0], [7.4, 9, -0.3], [5.6, 11.6, -0.9], [3.5, 12.6, -1], [1.4, 12.8, -0.2], [-0.6, 12.6, 0.2], [-2, 12.3, 0.8], [-3.6, 11.9, 1], [-6, 11.2, 0.5], [-9, 10.4, 0], [-18, 8.6, 0]];

const turned = (first: number, second: number): Point3[] => [
  ...STANDING,
  ...legTurned(PLACES, [first, second], -1),
  TIP,
  ...legTurned(PLACES, [first, second], 1).reverse(),
  ...END,
];
/** The standing part hangs from above, the turns as a right hand makes them. */
const asSeen = (control: readonly Point3[]): Point3[] =>
  control.map(([x, y, z]): Point3 => [-x * SCALE, -y * SCALE, -z * SCALE]);

export function eightByTheBight(): LedByHands {
  const points = settled(through(asSeen([...turned(1, 1), ...THROUGH]), 0).points);
  const path = new Path(points);
  const rope = (control: readonly Point3[]) => [
    laidAlong(through(asSeen(control), control.length - 1), path.length, 1, COUNT),
  ];
  const hanging = turned(0, 0);
  const line = hanging.map((_, k): Point3 => [-3.4 + 0.2 * k, -26 + 1.9 * k, 0]);
  const hang = between([line, hanging]);
  const begun = path.s[nearestIndex(points, asSeen([END.at(-1)!])[0]!)]!;
  const led = (u: number) => [slidTo(path, begun + (path.length - begun) * u, COUNT)];
  return {
    stages: [
      (u) => rope(hang(u)),
      (u) => rope(turned(u, 0)),
      (u) => rope(turned(1, u)),
      eased(rope(turned(1, 1)), led(0)),
      (u) => led(0.5 * u),
      (u) => led(0.5 + 0.5 * u),
    ],
  };
}
