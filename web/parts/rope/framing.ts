/** What of a shape the panel shows: the knot, its eye and a little of what it is tied to; long ends and long objects run out of it. */
import { arcLengths, distance, type Point3 } from '../../../core/curve';
import { isRope } from '../../../core/picture/component';

export interface SceneComponent {
  readonly name: string;
  readonly role: string;
  readonly closed: boolean;
  readonly diameter: number;
  readonly points: readonly Point3[];
  readonly marks?: { readonly standing?: readonly [number, number] | undefined; readonly tail?: readonly [number, number] | undefined; readonly eye?: number | undefined; readonly legs?: readonly (readonly [number, number])[] | undefined; readonly gate?: readonly [number, number] | undefined } | undefined;
}

export interface Framing {
  /** middle of the picture on the upright axis, and what must be seen, rope diameters */
  readonly centreY: number;
  readonly height: number;
  readonly width: number;
}

/** Rope shown beyond the knot. */
const BEYOND = 2.4;
/** A tail no longer than this is shown to its cut end. */
const SHORT_TAIL = 6.5;
/** Of an eye so much is shown below the knot, unless all is asked for. */
const EYE = 4;
/** Of a ring or karabiner so much is shown round where it touches. */
const OBJECT = 2.6;
const MARGIN = 1;

/** Points that must be seen, from whatever side. */
function wanted(components: readonly SceneComponent[], whole: boolean): Point3[] {
  const ropes = components.filter(isRope);
  const rope = ropes.flatMap(({ points, marks }) => {
    const s = arcLengths(points);
    const from = s[marks?.standing?.[1] ?? 0]! - BEYOND;
    const tail = s[marks?.tail?.[0] ?? points.length - 1]!;
    const to = whole || s.at(-1)! - tail <= SHORT_TAIL ? s.at(-1)! : tail + BEYOND;
    const far = marks?.eye === undefined ? 0 : s[marks.eye]!;
    const [legFrom, legTo] = marks?.legs ? [s[marks.legs[0]![0]]!, s[marks.legs[1]![1]]!] : [far, far];
    const hidden = (v: number) => !whole && v > legFrom + EYE && v < legTo - EYE;
    return points.filter((_, i) => s[i]! >= from && s[i]! <= to && !hidden(s[i]!));
  });
  const things = components.filter((c) => !ropes.includes(c)).flatMap(({ points }) => points.filter((p) => rope.some((q) => distance(p, q) < OBJECT)));
  return [...rope, ...things];
}

/** @param whole the eye and short ends too, not the knot alone */
export function framing(components: readonly SceneComponent[], whole: boolean): Framing {
  const all = wanted(components, whole);
  const top = Math.max(...all.map((p) => p[1])) + MARGIN / 2;
  const low = Math.min(...all.map((p) => p[1])) - MARGIN;
  return { centreY: (top + low) / 2, height: top - low, width: 2 * (Math.max(...all.map((p) => Math.hypot(p[0], p[2]))) + MARGIN) };
}
