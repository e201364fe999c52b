/**
 * A wrong form that is no knot once it is pulled: it is shown as its author lays it, in every state, and said to be so. Only where
 * it is tied to nothing are its strands laid as close as they go. Unit: rope diameters.
 */
import { arcLengths, distance, scale, smallestDistance, type Point3 } from '../../curve';
import { crossingsSeenFrom, FRONT } from '../../topology';
import type { ComposedKnot, ComposedRope, LaidKnot } from '../shape/laid';
import { NEIGHBOUR_ARC_ropeDiameters } from '../shape/storing';

const BEYOND = 3;
const ENDS = { standing: 14, tail: 10 };

/** @param along where the knot proper lies, node numbers, where crossings seen from the front do not say it */
export function asItLies(laid: LaidKnot, along?: readonly [number, number]): ComposedKnot {
  const { points, eyeNode } = laid;
  const passes = along ?? crossingsSeenFrom([{ points, closed: false }], FRONT).passes.map((p) => p.at);
  const [first, last] = [
    Math.max(1, Math.floor(passes[0]!) - BEYOND),
    Math.min(points.length - 2, Math.ceil(passes.at(-1)!) + BEYOND),
  ];
  const s = arcLengths(points);
  const from = Math.max(
    0,
    s.findIndex((v) => v >= s[first]! - ENDS.standing),
  );
  const beyond = s.findIndex((v) => v > s[last]! + ENDS.tail);
  const to = beyond < 0 ? points.length - 1 : beyond;
  const within = (p: number) => Math.round(p) - from;
  const legs =
    eyeNode === undefined || along
      ? undefined
      : ([
          within(passes.findLast((p) => p < eyeNode) ?? eyeNode),
          within(passes.find((p) => p > eyeNode) ?? eyeNode),
        ] as const);
  const rope = (by: number): ComposedRope => ({
    points: points.slice(from, to + 1).map((p): Point3 => scale(p, by)),
    first: first - from,
    last: last - from,
    ...(eyeNode !== undefined && { eyeNode: eyeNode - from }),
    ...(legs && { legs }),
  });
  const free = !laid.objects?.length;
  const apart = smallestDistance([{ points, closed: false }], NEIGHBOUR_ARC_ropeDiameters);
  const state = (gap: number) => ({
    rope: rope(free ? gap / apart : 1),
    ...(laid.objects && { objects: laid.objects }),
  });
  const inKnot = Math.round(
    points.slice(first, last).reduce((sum, p, i) => sum + distance(p, points[first + i + 1]!), 0) / (free ? apart : 1),
  );
  return {
    composed: { laid: state(Math.max(apart, 1.25)), dressed: state(1.12), tight: state(1) },
    inKnot: { low: inKnot, value: inKnot, high: inKnot },
  };
}
