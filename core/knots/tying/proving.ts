/** What must hold of a way of tying, on exactly the frames that are handed out. Unit: rope diameters. */
import { distance, lengthOf, segmentDistance, smallestDistance, type Line3, type Point3 } from '../../curve';
import { crossingsSeenFrom } from '../../topology';
import { storedForm, knotById } from '../catalogue/catalogue';
import { BETWEEN, framesOf, NEIGHBOUR_ARC, type Frame } from './motions';
import { linesOf } from '../shape/stored';

export interface Proof {
  readonly knot: string;
  readonly way: string;
  readonly frames: number;
  readonly keys: number;
  /** smallest distance of two parts over all frames, centre to centre, in mean diameters of the two */
  readonly smallest: number;
  /** largest share of the bound that a move takes: twice the largest move of a node over the smallest distance there; below 1 nothing passed through */
  readonly largestShare: number;
  /** crossings of the ropes with themselves and each other in the first frame */
  readonly crossingsAtFirst: number;
  /** how far the last frame lies from the stored laid form at most; null where hands led it to a lie of its own, which is named instead */
  readonly lastOff: number | null;
  /** how far the length of a rope strays, as a share of it */
  readonly lengthStrays: number;
  /** in a way without a free end: the nearest an end comes to the middle of the knot, over the largest reach of the knot; else null */
  readonly endsOutside: number | null;
  /** what is not as it must be; empty where all of it holds */
  readonly faults: readonly string[];
}

interface Part {
  readonly points: readonly Point3[];
  readonly radius: number;
  readonly closed: boolean;
  readonly still: boolean;
}
const line = ({ points, closed }: Part): Line3 => ({ points, closed });
const partsOf = (f: Frame): Part[] =>
  f.components.map((c) => ({
    points: c.points,
    radius: c.diameter / 2,
    closed: c.closed,
    still: c.role !== 'rope' && c.role !== 'second-rope' && c.role !== 'sling',
  }));

/** Smallest distance of non-neighbouring parts: in mean diameters, things among them, and in rope diameters between ropes alone. */
function smallestOf(parts: readonly Part[]): { relative: number; absolute: number } {
  const ropes = parts.filter((p) => !p.still);
  const absolute = smallestDistance(ropes.map(line), NEIGHBOUR_ARC);
  const toThings = parts
    .filter((p) => p.still)
    .flatMap((thing) =>
      ropes.map((rope) => smallestDistance([line(rope), line(thing)], Infinity) / (rope.radius + thing.radius)),
    );
  return { relative: Math.min(absolute, ...toThings), absolute };
}

const LEAST_DISTANCE = 0.7;
const MOST_STRAY = 0.05;
const CLOSE_ENOUGH = 0.3;

/** What a shape is, by whoever can tell: knot and form (`right` or a fault), and whether it is the mirrored one. */
export interface NamedAs {
  readonly knot: string;
  readonly fault: string | null;
  readonly relation: 'same' | 'mirror';
}
export type Namer = (components: Frame['components']) => readonly NamedAs[];

/** @param name is asked what the last frame is, where hands led the rope to a lie of its own @throws unknown-way */
export const proveWay = (knot: string, way: string, name: Namer): Proof =>
  proveFrames(knot, way, framesOf(knot, way, BETWEEN), name);

/** @param frames all of the way's, key frames and those between */
export function proveFrames(knot: string, way: string, frames: readonly Frame[], name: Namer): Proof {
  const told = knotById(knot).ways[way]!;
  const parts = frames.map(partsOf);
  let [smallest, largestShare, strays] = [Infinity, 0, 0];
  const lengths = parts[0]!.map((p) => lengthOf(p.points));
  const gaps = parts.map((p) => smallestOf(p));
  gaps.forEach((g) => (smallest = Math.min(smallest, g.relative)));
  parts.forEach((now, k) => {
    now.forEach((p, c) => {
      if (!p.still) strays = Math.max(strays, Math.abs(lengthOf(p.points) / lengths[c]! - 1));
      if (k === 0) return;
      let move = 0;
      p.points.forEach((q, i) => (move = Math.max(move, distance(q, parts[k - 1]![c]!.points[i]!))));
      largestShare = Math.max(largestShare, (2 * move) / Math.min(gaps[k]!.absolute, gaps[k - 1]!.absolute));
    });
  });
  const ropes = (f: Frame) =>
    f.components
      .filter((c) => c.role === 'rope' || c.role === 'second-rope')
      .map((c) => ({ points: c.points, closed: c.closed }));
  const crossingsAtFirst = crossingsSeenFrom(ropes(frames[0]!), [0, 0, 1]).count;
  const laid = linesOf(storedForm(knot, told.form ?? 'right').laid);
  const last = ropes(frames.at(-1)!);
  const lastOff = told.hands
    ? null
    : Math.max(...last.map((l, k) => Math.max(...l.points.map((p) => offLine(p, laid[k]!.points)))));
  const named = told.hands ? name(frames.at(-1)!.components) : null;
  // a knot may have one shape under two names, and one form in two states; a wrong way may not be taken for a right one
  const isIt =
    named === null ||
    (named.some((n) => n.knot === knot && n.fault === (told.form ?? null) && n.relation === 'same') &&
      !(told.form !== undefined && named.some((n) => n.knot === knot && n.fault === null)));
  const endsOutside = told.making === 'bight' ? nearestEnd(frames) : null;
  const faults = [
    ...(crossingsAtFirst > 0 ? [`begins with ${crossingsAtFirst} crossings`] : []),
    ...(lastOff !== null && lastOff > CLOSE_ENOUGH ? [`ends ${lastOff.toFixed(2)} off its form`] : []),
    ...(isIt
      ? []
      : [
          `ends in ${named.map((n) => `${n.relation === 'mirror' ? 'the mirrored ' : ''}${n.knot} ${n.fault ?? ''}`).join(', ') || 'nothing known'}`,
        ]),
    ...(smallest < LEAST_DISTANCE ? [`two parts come as near as ${smallest.toFixed(2)}`] : []),
    ...(largestShare >= 1 ? [`a move takes ${largestShare.toFixed(2)} of its bound`] : []),
    ...(strays > MOST_STRAY ? [`its length strays by ${(100 * strays).toFixed(1)} %`] : []),
    ...(endsOutside !== null && endsOutside <= 1 ? ['an end comes into the knot'] : []),
  ];
  return {
    knot,
    way,
    frames: frames.length,
    keys: frames.filter((f) => f.key).length,
    smallest,
    largestShare,
    crossingsAtFirst,
    lastOff,
    lengthStrays: strays,
    endsOutside,
    faults,
  };
}

/** Distance of a point from a line. */
const offLine = (p: Point3, points: readonly Point3[]): number =>
  points.slice(1).reduce((least, q, i) => Math.min(least, segmentDistance(p, p, points[i]!, q)), Infinity);

/** How near an end ever comes to the middle of the finished knot's crossings, over the distance of the farthest of them. */
function nearestEnd(frames: readonly Frame[]): number {
  const { points } = frames.at(-1)!.components[0]!;
  const crossings = crossingsSeenFrom([{ points, closed: false }], [0, 0, 1]).passes.map(
    (p) => points[Math.round(p.at)]!,
  );
  const middle = crossings.reduce(
    (m, p): Point3 => [m[0] + p[0] / crossings.length, m[1] + p[1] / crossings.length, m[2] + p[2] / crossings.length],
    [0, 0, 0] as Point3,
  );
  const reach = Math.max(...crossings.map((p) => distance(p, middle)));
  return (
    Math.min(
      ...frames.flatMap((f) =>
        [f.components[0]!.points[0]!, f.components[0]!.points.at(-1)!].map((p) => distance(p, middle)),
      ),
    ) / reach
  );
}
