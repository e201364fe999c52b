/** Where along each rope a drawn-up knot lies: from the first to the last place at which it bears on something. */
import { arcLengths, distance, lerp, middleOf, nearestIndex, subtract, type Point3 } from '../../curve';
import { fault } from '../../errors';
import { contactCentre, type Tightened } from '../../rope';
import type { LaidKnot } from '../shape/laid';
import { EYE_NODES } from './eyesToSize';
import type { RopeSpan } from './ropeSpan';

/** A node bears if it carries this share of what the one that bears most carries. */
const BEARING_SHARE = 0.08;

export const SLACK_ropeDiameters = 3;

/** nearer than this to a bar, as part of the sum of radii, rope lies on it */
export const TOUCHING = 1.12;

/** what lies on a host, and the layer over it, diameters from its surface */
const OVER_WRAPS = 2.1;

/** how much higher a hauled ring hangs in an eye that is opened by one, diameters */
export const HIGHER = 1;

/** farther than this from its middle nothing belongs to a knot that holds on to nothing, diameters */
export const FARTHEST = 5.6;

/** First and last bearing node about the one that bears most, with no more unloaded rope between than the slack. @param held whether a place lies on what the knot is tied to @param near whether it is near the knot at all */
export function spanOf(
  points: readonly Point3[],
  load: readonly number[],
  eyes: readonly number[],
  slack: number,
  most: number,
  held: (p: Point3) => boolean,
  near: (p: Point3) => boolean,
): RopeSpan {
  const s = arcLengths(points);
  const bears = (i: number) =>
    near(points[i]!) &&
    (load[i]! > BEARING_SHARE * most || held(points[i]!)) &&
    eyes.every((e) => Math.abs(i - e) > EYE_NODES);
  const all = points.flatMap((_, i) => (bears(i) ? [i] : []));
  if (all.length === 0) throw fault('solver-passed-through');
  const core = all.reduce((a, b) => (load[b]! > load[a]! ? b : a));
  // an eye lies between bearing parts: the slack does not count across it
  const apart = (a: number, b: number) => (eyes.some((e) => e > a && e < b) ? 0 : s[b]! - s[a]!);
  const at = all.indexOf(core);
  let first = at;
  while (first > 0 && apart(all[first - 1]!, all[first]!) <= slack) first--;
  let last = at;
  while (last < all.length - 1 && apart(all[last]!, all[last + 1]!) <= slack) last++;
  const inside = all.slice(first, last + 1);
  return {
    span: [inside[0]!, inside.at(-1)!],
    eyes: eyes.map((e) => ({
      from: inside.findLast((i) => i < e) ?? e - EYE_NODES,
      at: e,
      to: inside.find((i) => i > e) ?? e + EYE_NODES,
    })),
  };
}

/** Far points of the eyes in the order of the rope. */
export const eyesOf = (laid: LaidKnot): number[] =>
  [laid.eyeNode, laid.secondEyeNode].flatMap((e) => (e === undefined ? [] : [e])).sort((a, b) => a - b);

/** Where a shape is opened from: its middle, or the nearest place of what it lies round. */
export function middleOfKnot(laid: LaidKnot, { tight }: Tightened): Point3 {
  const loaded = contactCentre(tight.ropes.flat(), tight.load);
  const held = (laid.objects ?? []).flatMap((o, k) =>
    laid.drawing.rings?.some((r) => r.thing === k) ? [] : [tight.things[k] ?? o.points],
  );
  if (held.length === 0) return loaded;
  const bar = held[0]!;
  const at = nearestIndex(bar, loaded);
  // along a coarse bar the nearest place lies between points
  const [a, b] = [bar[Math.max(0, at - 1)]!, bar[Math.min(bar.length - 1, at + 1)]!];
  const along = subtract(b, a);
  const t =
    (along[0] * (loaded[0] - a[0]) + along[1] * (loaded[1] - a[1]) + along[2] * (loaded[2] - a[2])) /
    (along[0] ** 2 + along[1] ** 2 + along[2] ** 2);
  return lerp(a, b, Math.min(1, Math.max(0, t)));
}

/** Every strand inside the ball about what bears belongs to the knot, whether it bears at the moment or not. */
export function widened(ropes: readonly (readonly Point3[])[], spans: readonly RopeSpan[]): RopeSpan[] {
  const core = ropes.flatMap((points, k) => properOf(points, spans[k]!));
  const centre = middleOf(core);
  const radius = Math.max(...core.map((q) => distance(q, centre))) + 0.1;
  return ropes.map((points, k) => {
    const { span, eyes } = spans[k]!;
    const inside = points.map((q) => distance(q, centre) < radius);
    return { span: [Math.min(span[0], inside.indexOf(true)), Math.max(span[1], inside.lastIndexOf(true))], eyes };
  });
}

/** Points of the knot proper: between the ends, the eyes left out. */
export const properOf = (points: readonly Point3[], { span, eyes }: RopeSpan): Point3[] =>
  points.filter((_, i) => i >= span[0] && i <= span[1] && eyes.every((e) => i <= e.from || i >= e.to));

/** Nodes of a sling that lie on its host, or over what lies on it. */
export function nearHost(laid: LaidKnot, { tight }: Tightened): Set<number> {
  const at = (laid.objects ?? []).findIndex((o) => o.role === 'host');
  const host = tight.things[at]!;
  const reach = laid.objects![at]!.diameter / 2 + OVER_WRAPS;
  return new Set(tight.ropes[0]!.flatMap((p, i) => (host.some((q) => distance(p, q) < reach) ? [i] : [])));
}
