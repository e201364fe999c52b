/**
 * The prusik as a motion: a loop of cord lies against the rope, its joint end is led round and in under the loop, again and again, always inside
 * the turns that lie already; at last the loop is drawn up to the bridge over them. The two strands of the joint end are led as a pair. Unit: cord diameters.
 */
import {
  add,
  arcLengths,
  lerp,
  nearestIndex,
  resample,
  scale,
  splineThrough,
  subtract,
  unit,
  type Point3,
} from '../../../curve';
import { hostRope, HOST_RADIUS } from '../../laying/on-host';
import { hangingLeg, twoSided } from '../../laying/wraps';
import { settled } from '../../moving/leading';
import { Path } from '../../moving/sliding';
import { turnedBy } from '../../shape/laidView';
import type { LedByHands, Stage } from '../../moving/way';

const WRAPS = 3;
const COUNT = 230;
/** where the loop takes over from the turns, from the middle of the bridge */
const BASE = 3.4;
/** the loop lies to the right and toward the viewer */
const OUT: Point3 = [0.62, 0.1, 0.78];
const LEG_CUT = -8;
/** at the joint end the strands turn toward each other, so far ahead of where they lie side by side */
const JOINT_AHEAD = 2.4;
/** and end so far apart, within the joint */
const WITHIN_JOINT = 1.1;
/** rope that lies beyond the legs at the end, toward the joint: both strands */
const JOINT_TAKES = 3.6;
/** over so much of the rope, at last, they lie straight again */
const STRAIGHT_OVER = 6;
/** nothing lies nearer to the middle of the rope that is gripped */
const ROUND_HOST = HOST_RADIUS + 0.52;
/** how much wider than snug the turns lie along the rope while they are laid */
const LOOSE = 1.4;
const DEPTHS = 80;
const STEP = 0.6;

export function prusikTied(): LedByHands {
  const legs = [
    hangingLeg(-1, 0.55, HOST_RADIUS, 68, WRAPS + 1),
    hangingLeg(-1, -0.55, HOST_RADIUS, 38, WRAPS + 1),
  ] as const;
  const whole = twoSided(WRAPS, WRAPS, HOST_RADIUS, legs)
    .filter((p) => p[1] > LEG_CUT)
    .map(([x, y, z]): Point3 => [x, y * LOOSE, z]);
  const bridge = nearestIndex(whole, [0, 0, HOST_RADIUS + 1.58]);
  // both strands of the joint end, each from the middle of the bridge
  const halves = [new Path(whole.slice(0, bridge + 1).reverse()), new Path(whole.slice(bridge))];
  const length = Math.min(...halves.map((h) => h.length));
  const at = (half: Path, arc: number): Point3 => half.at(arc);
  const middle = whole[bridge]!;
  /** the loop between the two strands, so deep */
  const loop = (depth: number): Point3[] => {
    const open = Math.min(1, depth / 4);
    const leg = (h: Path): Point3[] => {
      const base = at(h, BASE);
      const side = Math.sign(base[1]);
      const far: Point3 = add(add(middle, [0, side * (1 + 0.6 * open), 0]), scale(OUT, depth));
      return [
        at(h, BASE + 0.9),
        base,
        lerp(at(h, BASE * 0.6), lerp(base, far, 0.3), open),
        lerp(at(h, BASE * 0.3), far, 0.2 + 0.8 * open),
      ];
    };
    const tip = add(middle, scale(OUT, depth + 1.3 * open));
    const line = splineThrough([...leg(halves[0]!), tip, ...leg(halves[1]!).reverse()]);
    return line.slice(24, -24);
  };
  const depths = Array.from({ length: DEPTHS + 1 }, (_, k) => ((length - BASE) * k) / DEPTHS);
  const lengths = depths.map((d) => arcLengths(settled(loop(d))).at(-1)!);
  const depthFor = (rope: number): number => {
    const k = lengths.findIndex((v) => v >= rope);
    if (k <= 0) return 0;
    return (
      depths[k - 1]! + ((depths[k]! - depths[k - 1]!) * (rope - lengths[k - 1]!)) / (lengths[k]! - lengths[k - 1]!)
    );
  };
  const total = lengths[0]! + 2 * (length - BASE) + JOINT_TAKES;
  /** from where a strand has come to, round toward the other one, nearly to the middle between them */
  const towardJoint = (h: Path, other: Path, come: number): Point3[] => {
    const share = Math.min(1, (length - come) / STRAIGHT_OVER);
    const [a, b] = [at(h, come), at(other, come)];
    const ahead = unit(add(subtract(a, at(h, come - 0.6)), subtract(b, at(other, come - 0.6))));
    const [middle, half] = [lerp(a, b, 0.5), scale(subtract(a, b), 0.5)];
    const wide = Math.hypot(...half);
    const to = Math.acos(Math.min(1, WITHIN_JOINT / 2 / Math.max(wide, WITHIN_JOINT / 2)));
    // where it lies on the rope that is gripped it stays on it; a leg that has left it goes straight ahead
    const [x, , z] = middle;
    const r = Math.hypot(x, z);
    const sense = Math.sign(z * ahead[0] - x * ahead[2]);
    const free = Math.max(0, Math.min(1, (r - ROUND_HOST - 0.3) / 0.8));
    return Array.from({ length: 9 }, (_, i) => {
      const angle = (to * (i + 1)) / 9;
      const far = Math.min(JOINT_AHEAD, Math.max(1, wide)) * Math.sin(angle);
      const across = add(middle, scale(half, Math.cos(angle)));
      const [s, c] = [Math.sin((sense * far) / r), Math.cos((sense * far) / r)];
      const round: Point3 = [across[0] * c + across[2] * s, across[1], across[2] * c - across[0] * s];
      return lerp(add(a, scale(ahead, 0.2 * (i + 1))), lerp(round, add(across, scale(ahead, far)), free), share);
    });
  };
  /** the joint end come so far, each strand along its own half */
  const tied = (come: number): Point3[] => {
    const joined = halves.map((h, k) => towardJoint(h, halves[1 - k]!, come)) as [Point3[], Point3[]];
    const ahead = joined.reduce((sum, j, k) => sum + arcLengths([at(halves[k]!, come), ...j]).at(-1)!, 0);
    const depth = depthFor(total - 2 * (come - BASE) - ahead);
    const strand = (h: Path) =>
      Array.from({ length: Math.ceil((come - BASE) / STEP) + 1 }, (_, i) => at(h, Math.min(come, BASE + i * STEP)));
    const line = settled([
      ...joined[0].reverse(),
      ...strand(halves[0]!).reverse(),
      ...loop(depth).slice(1, -1),
      ...strand(halves[1]!),
      ...joined[1],
    ]);
    const even = resample(line, arcLengths(line).at(-1)! / (COUNT - 1)).slice(0, COUNT);
    return turnedBy(even, { yaw_deg: 0, pitch_deg: 12 });
  };
  const first = BASE + 1.5;
  // a turn more is a turn of the pair round the rope, and in under the loop
  const passes = halves[0]!.points
    .flatMap((p, i) => (i > 0 && halves[0]!.points[i - 1]![0] > 0 && p[0] <= 0 && p[2] > 0 ? [halves[0]!.s[i]!] : []))
    .filter((s) => s > BASE)
    .slice(1, 1 + WRAPS);
  const ends = [...passes.map((s) => s + 1.5), length];
  const { component } = hostRope(30, 30);
  const stages = ends.map((to, k): Stage => {
    const from = k === 0 ? first : ends[k - 1]!;
    return (u) => [tied(from + (to - from) * u)];
  });
  return {
    stages,
    joined: true,
    box: [-7, -9.5, 19, 19],
    objects: [{ ...component, points: turnedBy(component.points, { yaw_deg: 0, pitch_deg: 12 }) }],
  };
}
