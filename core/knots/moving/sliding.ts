/**
 * Rope that slides along its own laid path: the making of what an end ties, or a bight. The rope moves as a snake does, its tip ahead, the rest
 * behind it on the same path, led straight on before the path begins; so it can pass through nothing that its path does not touch, and its
 * length stays. Not modelled: hands, weight, a path that itself changes. Unit: rope diameters.
 */
import { add, arcLengths, scale, subtract, unit, type Point3 } from '../../curve';

/** A path, told by arc length; before its beginning it goes on straight. */
export class Path {
  readonly s: readonly number[];
  readonly length: number;
  private readonly out: Point3;
  constructor(readonly points: readonly Point3[]) {
    this.s = arcLengths(points);
    this.length = this.s.at(-1)!;
    this.out = unit(subtract(points[0]!, points[Math.min(2, points.length - 1)]!));
  }
  /** @param at arc length; less than 0 lies on the straight lead, more than the length is the end */
  at(at: number): Point3 {
    if (at <= 0) return add(this.points[0]!, scale(this.out, -at));
    if (at >= this.length) return this.points.at(-1)!;
    let [low, high] = [0, this.s.length - 1];
    while (high - low > 1) {
      const mid = (low + high) >> 1;
      if (this.s[mid]! <= at) low = mid;
      else high = mid;
    }
    const share = (at - this.s[low]!) / (this.s[high]! - this.s[low]! || 1);
    const [a, b] = [this.points[low]!, this.points[high]!];
    return [a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share, a[2] + (b[2] - a[2]) * share];
  }
}

/**
 * The rope with its end come so far along the path.
 * @param tip arc length of the end, 0 to the path's length
 * @param count points, evenly along the rope from the standing end to the tail
 */
export function slidTo(path: Path, tip: number, count: number): Point3[] {
  return Array.from({ length: count }, (_, i) => path.at(tip - path.length + (path.length * i) / (count - 1)));
}

/** Legs farther apart than this are an eye, no pair any more. */
const PAIR_ENDS = 2.2;
const STEP = 0.5;

/** A doubled path: two legs from the ends to the tip of the bight, and which place of the one lies beside which of the other. */
export class DoubledPath {
  readonly length: number;
  private readonly legs: readonly [Path, Path];
  private readonly beside: readonly number[];
  /**
   * @param points the whole rope, standing end to tail. @param eye index of the tip of the bight
   * @param sideBySide where the legs come to lie side by side, as arc length of the one and of the other, where they come there from far apart; before that they go in step
   */
  constructor(points: readonly Point3[], eye: number, sideBySide?: readonly [number, number]) {
    const one = new Path(points.slice(0, eye + 1));
    const two = new Path(points.slice(eye).reverse());
    this.legs = [one, two];
    this.length = one.length + two.length;
    const beside: number[] = [0];
    let [at, paired] = [0, true];
    for (let u = STEP; u < one.length; u += STEP) {
      if (sideBySide && u < sideBySide[0]) {
        at = (u * sideBySide[1]) / sideBySide[0];
        beside.push(at);
        continue;
      }
      let [best, least] = [at, Infinity];
      for (let v = at; v <= Math.min(two.length, at + 4 * STEP); v += STEP / 4) {
        const d = apart(one.at(u), two.at(v));
        if (d < least) [least, best] = [d, v];
      }
      // where the legs part to the eye they go on in step with each other
      if (least > PAIR_ENDS && u > one.length / 2) paired = false;
      at = paired ? best : at + ((two.length - at) * STEP) / Math.max(STEP, one.length - u + STEP);
      beside.push(Math.min(at, two.length));
    }
    this.beside = evened(beside);
  }
  /** arc length of the tip when the bight is finished */
  get tip(): number {
    return this.legs[0].length;
  }
  private besideOf(u: number): number {
    const [one, two] = this.legs;
    if (u >= one.length) return two.length;
    const i = Math.max(0, Math.min(this.beside.length - 1, Math.floor(u / STEP)));
    const next = this.beside[i + 1] ?? two.length;
    const whole = i + 1 < this.beside.length ? STEP : one.length - i * STEP;
    return this.beside[i]! + ((next - this.beside[i]!) * (u - i * STEP)) / (whole || 1);
  }
  /** The rope with the tip of its bight come so far along the first leg. @returns points from the standing end to the tail */
  at(u: number, count: number): Point3[] {
    const [one, two] = this.legs;
    const v = this.besideOf(u);
    const [a, b] = [one.at(u), two.at(v)];
    const [fa, fb] = [subtract(a, one.at(u - 0.5)), subtract(b, two.at(v - 0.5))];
    const width = apart(a, b);
    const forward = unit(add(fa, fb));
    const middle = scale(add(a, b), 0.5);
    const half = scale(subtract(a, middle), 1);
    // the turn at the tip, as long as half a circle over the distance of the legs
    const turn = (Math.PI / 2) * width;
    const reach = width / 2;
    const onTurn = (share: number): Point3 => {
      const angle = Math.PI * share;
      return add(add(middle, scale(half, Math.cos(angle))), scale(forward, reach * Math.sin(angle)));
    };
    return Array.from({ length: count }, (_, i) => {
      // from the middle of the turn: to the standing end before it, to the tail behind it
      const material = (this.length * i) / (count - 1) - one.length;
      const d = Math.abs(material);
      if (d < turn / 2) return onTurn(0.5 + material / (turn || 1));
      return material < 0 ? one.at(u - (d - turn / 2)) : two.at(v - (d - turn / 2));
    });
  }
}
/** Steps are looked for by a grid: evened out over some two diameters, so that neither leg jerks. */
const EVENED_OVER = 8;
const evened = (values: readonly number[]): number[] =>
  values.map((_, i) => {
    const reach = Math.min(EVENED_OVER, i, values.length - 1 - i);
    return values.slice(i - reach, i + reach + 1).reduce((sum, v) => sum + v, 0) / (2 * reach + 1);
  });
const apart = (a: Point3, b: Point3): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
