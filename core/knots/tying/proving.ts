/** What must hold of a way of tying, on exactly the frames that are handed out. Unit: rope diameters. */
import { distance, lengthOf, segmentDistance, smallestDistance, type Line3, type Point3 } from '../../curve';
import { crossingsSeenFrom } from '../../topology';
import { storedForm, knotById } from '../catalogue/catalogue';
import { framesIn, motionAnew } from './motions';
import { BETWEEN, type StoredKeyFrames } from './motion';
import { type Frame, NEIGHBOUR_ARC_ON_THE_WAY_ropeDiameters } from './motion';
import { linesOf } from '../shape/stored';

/** The figures by which a way holds. */
export interface WayFigures {
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
  /** where hands led it: as what the last frame is named, and whether that is what the way says */
  readonly named: { readonly as: readonly string[]; readonly asTold: boolean } | null;
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
  const absolute = smallestDistance(ropes.map(line), NEIGHBOUR_ARC_ON_THE_WAY_ropeDiameters);
  const toThings = parts
    .filter((p) => p.still)
    .flatMap((thing) =>
      ropes.map((rope) => smallestDistance([line(rope), line(thing)], Infinity) / (rope.radius + thing.radius)),
    );
  return { relative: Math.min(absolute, ...toThings), absolute };
}

/** What a shape is, by whoever can tell: knot and form (`right` or a fault), and whether it is the mirrored one. */
export interface NamedAs {
  readonly knot: string;
  readonly fault: string | null;
  readonly relation: 'same' | 'mirror';
}
export type Namer = (components: Frame['components']) => readonly NamedAs[];

export interface ProvedWay extends WayFigures {
  /** the key frames for which it is proved: with these it is shown */
  readonly keyFrames: StoredKeyFrames;
}

/** @param name is asked what the last frame is, where hands led the rope to a lie of its own @throws unknown-way */
export function proveWay(knot: string, way: string, name: Namer): ProvedWay {
  const motion = motionAnew(knot, way);
  return {
    ...proveFrames(knot, way, framesIn(motion, BETWEEN), name),
    keyFrames: motion.keys.map(({ step, come }) => [step, ...come]),
  };
}

const round = (x: number): number => Math.round(x * 1e6) / 1e6;

/** @param frames all of the way's, key frames and those between */
export function proveFrames(knot: string, way: string, frames: readonly Frame[], name: Namer): WayFigures {
  const told = knotById(knot).ways[way]!;
  const parts = frames.map(partsOf);
  const gaps = parts.map((p) => smallestOf(p));
  const last = ropesIn(frames.at(-1)!);
  const laid = linesOf(storedForm(knot, told.form ?? 'right').laid);
  const lastOff = told.hands
    ? null
    : Math.max(...last.map((l, k) => Math.max(...l.points.map((p) => offLine(p, laid[k]!.points)))));
  return {
    frames: frames.length,
    keys: frames.filter((f) => f.key).length,
    smallest: round(Math.min(...gaps.map((g) => g.relative))),
    largestShare: round(largestShareOf(parts, gaps)),
    crossingsAtFirst: crossingsSeenFrom(ropesIn(frames[0]!), [0, 0, 1]).count,
    lastOff: lastOff === null ? null : round(lastOff),
    lengthStrays: round(straysOf(parts)),
    endsOutside: told.making === 'bight' ? round(nearestEnd(frames)) : null,
    named: told.hands ? namedAs(name(frames.at(-1)!.components), knot, told.form ?? null) : null,
  };
}

const ropesIn = (f: Frame): Line3[] =>
  f.components
    .filter((c) => c.role === 'rope' || c.role === 'second-rope')
    .map((c) => ({ points: c.points, closed: c.closed }));

/** Twice the largest move from one frame to the next, over the smallest distance in either: the largest of all. */
function largestShareOf(parts: readonly (readonly Part[])[], gaps: readonly { readonly absolute: number }[]): number {
  let largest = 0;
  for (let k = 1; k < parts.length; k++) {
    const bound = Math.min(gaps[k]!.absolute, gaps[k - 1]!.absolute);
    parts[k]!.forEach((p, c) =>
      p.points.forEach((q, i) => {
        largest = Math.max(largest, (2 * distance(q, parts[k - 1]![c]!.points[i]!)) / bound);
      }),
    );
  }
  return largest;
}

/** How far the length of a rope strays from what it is in the first frame, as a share. */
function straysOf(parts: readonly (readonly Part[])[]): number {
  const lengths = parts[0]!.map((p) => lengthOf(p.points));
  return Math.max(
    0,
    ...parts.flatMap((now) => now.map((p, c) => (p.still ? 0 : Math.abs(lengthOf(p.points) / lengths[c]! - 1)))),
  );
}

/** A knot may have one shape under two names, and one form in two states; a wrong way may not be taken for a right one. */
function namedAs(named: readonly NamedAs[], knot: string, form: string | null): NonNullable<WayFigures['named']> {
  const own = named.some((n) => n.knot === knot && n.fault === form && n.relation === 'same');
  const takenForRight = form !== null && named.some((n) => n.knot === knot && n.fault === null);
  return {
    as: named.map((n) => `${n.relation === 'mirror' ? 'the mirrored ' : ''}${n.knot} ${n.fault ?? 'right'}`),
    asTold: own && !takenForRight,
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
