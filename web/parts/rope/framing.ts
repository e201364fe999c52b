/** What of a shape the panel shows: the knot, its eye and a little of what it is tied to; long ends and long objects run out of it. */
import { arcLengths, distance, type Point3 } from '../../../core/curve';
import { isRope } from '../../../core/picture/component';
import type { Tape } from '../../../core/picture/ribbon';

export interface SceneComponent {
  readonly name: string;
  readonly role: string;
  readonly closed: boolean;
  readonly diameter: number;
  readonly points: readonly Point3[];
  readonly tape?: Tape | undefined;
  readonly marks?:
    | {
        readonly standing?: readonly [number, number] | undefined;
        readonly tail?: readonly [number, number] | undefined;
        readonly eye?: number | readonly [number, number] | undefined;
        readonly legs?: readonly (readonly [number, number])[] | undefined;
        readonly second_legs?: readonly (readonly [number, number])[] | undefined;
        readonly gate?: readonly [number, number] | undefined;
      }
    | undefined;
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
  const ropes = components.filter((c) => isRope(c) && c.role !== 'host');
  // round a post with its eye clipped back on the rope: eye and clip belong to what must be seen
  const clippedBack = ['post', 'ring'].every((role) => components.some((c) => c.role === role));
  const rope = ropes.flatMap(({ points, marks, closed, tape }) => {
    const s = arcLengths(points);
    const from = s[marks?.standing?.[1] ?? 0]! - BEYOND;
    const tail = s[marks?.tail?.[0] ?? points.length - 1]!;
    const to = whole || s.at(-1)! - tail <= SHORT_TAIL ? s.at(-1)! : tail + BEYOND;
    const legs = [marks?.legs, marks?.second_legs].flatMap((l) => (l ? [[s[l[0]![0]]!, s[l[1]![1]]!] as const] : []));
    const hidden = (v: number) =>
      !whole && !clippedBack && legs.some(([legFrom, legTo]) => v > legFrom + EYE && v < legTo - EYE);
    if (closed) return whole ? [...points] : nearHost(points, components);
    const shown = points.filter((_, i) => s[i]! >= from && s[i]! <= to && !hidden(s[i]!));
    return tape ? shown.flatMap((p) => [-0.5, 0.5].map((u): Point3 => [p[0], p[1] + u * tape.width, p[2]])) : shown;
  });
  const things = components
    .filter((c) => !ropes.includes(c))
    .flatMap(({ points, role, diameter }) =>
      role === 'host'
        ? []
        : clippedBack && role === 'ring'
          ? [...points]
          : points.filter((p) => rope.some((q) => distance(p, q) < OBJECT + (role === 'post' ? diameter / 2 : 0))),
    );
  return [...rope, ...things];
}

/** Of a sling what lies on its host, and a little more. */
function nearHost(points: readonly Point3[], components: readonly SceneComponent[]): Point3[] {
  const host = components.find((c) => c.role === 'host');
  return host
    ? points.filter((p) => host.points.some((q) => distance(p, q) < host.diameter / 2 + BEYOND))
    : [...points];
}

/** @param whole the eye and short ends too, not the knot alone */
export function framing(components: readonly SceneComponent[], whole: boolean): Framing {
  const all = wanted(components, whole);
  const top = Math.max(...all.map((p) => p[1])) + MARGIN / 2;
  const low = Math.min(...all.map((p) => p[1])) - MARGIN;
  return {
    centreY: (top + low) / 2,
    height: top - low,
    width: 2 * (Math.max(...all.map((p) => Math.hypot(p[0], p[2]))) + MARGIN),
  };
}
