/**
 * A cord loop with its joint where it must not be: the sling is cut open and a real joint of two ropes, drawn up, is tied into it, out in
 * the wraps or in the bend at the clip. Outside the stretch that was cut every strand stays where it was. Unit: diameters of the cord.
 */
import {
  add,
  arcLengths,
  cross,
  distance,
  dot,
  nearestIndex,
  norm,
  perpendicular,
  resample,
  scale,
  smallestRadius,
  smooth,
  smoothstep,
  subtract,
  unit,
  type Point3,
} from '../../curve';
import { NODE_SPACING } from '../../rope';
import { loadRing } from '../shape/load-ring';
import { inState, pointsOf, type BakedForm, type BakedShape, type ShapeComponent } from '../shape/stored';
import { type ShapeState } from '../facts/types';

// looked up once: in a context of its own a program pays for each look
const { max, min } = Math;

export type JointPlace = 'wraps' | 'clip';

/** Rope of the joint that is kept beyond its body, toward the sling and as its tails, points. */
const KEPT = { standing: 5, tail: 4 };
/** the tightest bend of the cord that leads to it */
const BEND = 0.7;
/** nearer than this no two strands come, middle to middle */
const APART = 0.97;
/** Stretch on either side that is cut out, and how far out the joint lies, as they are tried. */
const CUT = [3, 4, 5, 6.5, 8, 10];
/** how far the cord bows out on its way */
// prettier-ignore
const BOW = [[5, 7], [4, 5], [6, 9], [3, 3], [2, 5], [7, 5], [4, 9]] as const;
const OUT = [1, 1.5, 2, 2.5, 3, 3.5, 4];
/** of places side by side one in so many is tried */
const EVERY = 3;
/** in its other states the joint lies at the same place of the sling, give or take so many points */
const NEARBY = 8;
/** how much farther out a joint may lie to be seen from the front */
const TO_BE_SEEN = 3;
const ROLLS = 8;
const RING_GROWS = 1.6;
/** nearer to the ring than this the sling bears on it */
const ON_THE_RING = 1.6;
/** Of the bend at the clip, seen from above, so far off the line of sight: the joint in it is seen from its side. */
const SEEN_FROM_ITS_SIDE_deg = 38;
const TURNED_OVER = 6;

/** The joint along x from -half to half: the strand that ends in it from the left, and the one from the right, from where they come in to their tails. */
interface Joint {
  readonly fromLeft: readonly Point3[];
  readonly fromRight: readonly Point3[];
  readonly half: number;
}

function jointOf(shape: BakedShape): Joint {
  const [a, b] = [shape, shape.second!].map((rope) =>
    pointsOf(rope).slice(Math.max(0, rope.marks.standing[1] - KEPT.standing), rope.marks.tail[0] + KEPT.tail),
  ) as [Point3[], Point3[]];
  const along = subtract(b[0]!, a[0]!);
  const x = unit(along);
  const y = perpendicular(x);
  const z = cross(x, y);
  const middle = scale(add(a[0]!, b[0]!), 0.5);
  const local = (p: Point3): Point3 => [
    dot(subtract(p, middle), x),
    dot(subtract(p, middle), y),
    dot(subtract(p, middle), z),
  ];
  return { fromLeft: a.map(local), fromRight: b.map(local), half: norm(along) / 2 };
}

interface Sling {
  /** closed: the last goes on into the first */
  readonly points: readonly Point3[];
  readonly things: readonly ShapeComponent[];
}

/** so many points at the end of a leg that hangs free are left off: there the bight begins */
const LEG_END = 16;
/** and so many before it are smoothed with it */
const LEADING = 8;

/** Two legs that hang free are one sling with its bight over a ring. */
function overAClip(whole: readonly Point3[], things: readonly ShapeComponent[]): Sling {
  const points = whole.slice(LEG_END, -LEG_END);
  const [one, other] = [points[0]!, points.at(-1)!];
  const level = Math.min(one[1], other[1]);
  const middle: Point3 = [(one[0] + other[0]) / 2, level - 4, (one[2] + other[2]) / 2];
  const aside = unit([one[0] - other[0], 0, one[2] - other[2]]);
  const bight = Array.from({ length: 25 }, (_, k): Point3 =>
    add(middle, add(scale(aside, -1.05 * Math.cos((Math.PI * k) / 24)), [0, -1.05 * Math.sin((Math.PI * k) / 24), 0])),
  );
  const down = [
    ...points.slice(-LEADING),
    ...bezier(other, [0, -1, 0], bight[0]!, [0, -1, 0], [1.5, 1.5]),
    ...bight,
    ...bezier(bight.at(-1)!, [0, 1, 0], one, [0, 1, 0], [1.5, 1.5]),
    ...points.slice(0, LEADING),
  ];
  const closing = resample(smooth(resample(down, 0.1), 12), NODE_SPACING);
  return {
    points: [...points.slice(LEADING, -LEADING), ...closing],
    things: [
      ...things,
      turnedRound(loadRing([middle[0], middle[1] - 2.7, middle[2]]), middle, Math.atan2(aside[0], aside[2])),
    ],
  };
}

const about = (p: Point3, [x, , z]: Point3, angle: number): Point3 => {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return [x + c * (p[0] - x) + s * (p[2] - z), p[1], z + c * (p[2] - z) - s * (p[0] - x)];
};
const turnedRound = (o: ShapeComponent, axis: Point3, angle: number): ShapeComponent => ({
  ...o,
  points: o.points.map((p) => about(p, axis, angle)),
});

/** A curve from one place and heading to another. @param reach how far it goes on straight at either end, as its handles */
function bezier(a: Point3, from: Point3, b: Point3, to: Point3, reach: readonly [number, number]): Point3[] {
  const [p, q] = [add(a, scale(from, reach[0])), subtract(b, scale(to, reach[1]))];
  return Array.from({ length: 40 }, (_, i): Point3 => {
    const t = (i + 1) / 41;
    const s = 1 - t;
    return add(add(scale(a, s * s * s), scale(p, 3 * s * s * t)), add(scale(q, 3 * s * t * t), scale(b, t * t * t)));
  });
}

/** The bend at the clip turned about the upright, with what hangs in it and the legs over it more and more, so that it is seen from its side. */
function seenFromItsSide(sling: Sling, at: number, ring: ShapeComponent): Sling {
  const { points, things } = sling;
  const axis = points[at]!;
  const heading = headingAt(points, at);
  const is = Math.atan2(heading[2], heading[0]);
  const wanted = (SEEN_FROM_ITS_SIDE_deg * Math.PI) / 180;
  const [angle] = [wanted, wanted - Math.PI, -wanted, Math.PI - wanted]
    .map((w) => Math.atan2(Math.sin(is - w), Math.cos(is - w)))
    .sort((a, b) => Math.abs(a) - Math.abs(b));
  const share = (y: number) => smoothstep((axis[1] + 2 + TURNED_OVER - y) / TURNED_OVER);
  return {
    points: points.map((p) => about(p, axis, angle! * share(p[1]))),
    things: things.map((o) => (o === ring ? turnedRound(o, axis, angle!) : o)),
  };
}

/** The ring with room for a joint in it: it grows from where the sling bears on it. */
function withRoom(ring: ShapeComponent): ShapeComponent {
  const top = ring.points.reduce((a, b) => (b[1] > a[1] ? b : a));
  return { ...ring, points: ring.points.map((p) => add(top, scale(subtract(p, top), RING_GROWS))) };
}

const headingAt = (points: readonly Point3[], i: number): Point3 =>
  unit(subtract(points[(i + 2) % points.length]!, points[(i + points.length - 2) % points.length]!));

interface Place {
  readonly at: number;
  /** how far from where it lies in the state that was made first, points */
  readonly off: number;
  /** away from what the sling lies on */
  readonly out: Point3;
}

/** Places on the wraps, each with its way out from the host's middle. */
function onTheWraps(points: readonly Point3[], host: ShapeComponent): Omit<Place, 'off'>[] {
  const toHost = points.map((p) => distance(p, host.points[nearestIndex(host.points, p)]!));
  const onIt = Math.min(...toHost) + 0.35;
  return points.flatMap((p, at): Omit<Place, 'off'>[] => {
    const q = host.points[nearestIndex(host.points, p)]!;
    const heading = headingAt(points, at);
    if (toHost[at]! > onIt || Math.abs(heading[1]) > 0.5) return [];
    const away = subtract(p, q);
    return [{ at, out: unit(subtract(away, scale(heading, dot(away, heading)))) }];
  });
}

/** Whether a path comes nowhere nearer than so much to any of the points. */
function keepsOff(path: readonly Point3[], points: readonly Point3[], least: number): boolean {
  // most of a sling lies far from where a joint is tried: what is outside a box round the path is not near it
  const low = [0, 1, 2].map((c) => min(...path.map((p) => p[c]!)) - least);
  const high = [0, 1, 2].map((c) => max(...path.map((p) => p[c]!)) + least);
  const near = points.filter(
    (p) => p[0] > low[0]! && p[0] < high[0]! && p[1] > low[1]! && p[1] < high[1]! && p[2] > low[2]! && p[2] < high[2]!,
  );
  return path.every((p) =>
    near.every((q) => {
      const [dx, dy, dz] = [p[0] - q[0], p[1] - q[1], p[2] - q[2]];
      return dx * dx + dy * dy + dz * dz >= least * least;
    }),
  );
}

/** Whether the joint, with the cord that leads to it, keeps clear of the sling and of what it is tied to. */
const clearOf = (path: readonly Point3[], rest: readonly Point3[], things: readonly ShapeComponent[]): boolean =>
  keepsOff(path, rest, APART) && things.every((o) => keepsOff(path, o.points, (1 + o.diameter) / 2 - 0.03));

/** The sling with the joint tied in at the best of the places; null where there is room at none. */
function tiedIn(
  { points, things }: Sling,
  joint: Joint,
  places: readonly Place[],
): { points: Point3[]; tails: [number, number]; at: number } | null {
  const n = points.length;
  const s = arcLengths([...points, points[0]!]);
  const back = (i: number, by: number) => (((i + Math.round(by / (s.at(-1)! / n))) % n) + n) % n;
  const tried = places
    .flatMap((place) =>
      OUT.map((out) => ({ ...place, by: out, cost: out + TO_BE_SEEN * (1 - place.out[2]) + place.off })),
    )
    .sort((a, b) => a.cost - b.cost);
  for (const { at, out, by } of tried) {
    const x = headingAt(points, at);
    const middle = add(points[at]!, scale(out, by));
    const cuts = CUT.map((cut) => {
      const [from, to] = [back(at, -cut), back(at, cut)];
      const kept = Array.from({ length: (from - to + n) % n }, (_, k) => points[(to + k) % n]!);
      // where the new stretch leaves the old one they are near each other
      return { from, to, kept, rest: kept.slice(5, -5) };
    });
    const rolled = Array.from({ length: ROLLS }, (_, roll) =>
      rolledAt(joint, middle, x, out, (2 * Math.PI * roll) / ROLLS),
    );
    // where there is no room with the longest stretch cut out there is none with a shorter one
    const fitting = rolled.filter(({ body }) => clearOf(body, cuts.at(-1)!.rest, things));
    if (fitting.length === 0) continue;
    const left = subtract(middle, scale(x, joint.half));
    const right = add(middle, scale(x, joint.half));
    for (const [{ from, to, kept, rest }, bow] of cuts.flatMap((c) => BOW.map((k) => [c, k] as const))) {
      const into = bezier(kept.at(-1)!, headingAt(points, from), left, x, bow);
      if (smallestRadius(into) < BEND || !clearOf(into.slice(8), rest, things)) continue;
      const outOf = bezier(right, x, kept[0]!, headingAt(points, to), [bow[1], bow[0]]);
      if (smallestRadius(outOf) < BEND || !clearOf(outOf.slice(0, -8), rest, things)) continue;
      const around = [...rest, ...into.slice(0, -12), ...outOf.slice(12)];
      const there = fitting.find(({ body }) => clearOf(body, around, things));
      if (!there) continue;
      const lead = [...outOf.slice(0, -1), ...kept, ...into.slice(1)];
      const line = resample([...there.fromRight.slice().reverse(), ...lead, ...there.fromLeft], NODE_SPACING);
      const tail = (rope: readonly Point3[]) => Math.round(arcLengths(rope.slice(-KEPT.tail)).at(-1)! / NODE_SPACING);
      return { points: smooth(line, 1), tails: [tail(there.fromRight), tail(there.fromLeft)], at };
    }
  }
  return null;
}

/** The joint laid where it is tied in. @param x along it @param out from what the sling lies on @param angle rolled about x so far, radians */
function rolledAt({ fromLeft, fromRight }: Joint, middle: Point3, x: Point3, out: Point3, angle: number) {
  const y = add(scale(out, Math.cos(angle)), scale(cross(x, out), Math.sin(angle)));
  const z = cross(x, y);
  const lay = (p: Point3): Point3 => add(middle, add(scale(x, p[0]), add(scale(y, p[1]), scale(z, p[2]))));
  const [a, b] = [fromLeft.map(lay), fromRight.map(lay)];
  return { fromLeft: a, fromRight: b, body: [...a.slice(4), ...b.slice(4)] };
}

const rounded = (points: readonly Point3[]): number[] => points.flatMap((p) => p.map((c) => Math.round(c * 1e4) / 1e4));

interface Tied {
  readonly shape: BakedShape;
  readonly objects: readonly ShapeComponent[];
  /** node of the sling at the joint's middle */
  readonly node: number;
}

/** One state of a sling with its joint tied in. @param like the node at which it lies in another state */
function jointIn(
  shape: BakedShape,
  objects: readonly ShapeComponent[],
  joint: Joint,
  place: JointPlace,
  like?: number,
): Tied {
  let sling: Sling = shape.closed ? { points: pointsOf(shape), things: objects } : overAClip(pointsOf(shape), objects);
  const first = shape.firstNode + (shape.closed ? 0 : LEG_END + LEADING);
  let places: Omit<Place, 'off'>[];
  if (place === 'wraps')
    places = onTheWraps(
      sling.points,
      sling.things.find((o) => o.role === 'host')!,
    );
  else {
    const ring = sling.things.find((o) => o.role === 'ring')!;
    const grown = withRoom(ring);
    const bears = sling.points.map((p) => distance(p, ring.points[nearestIndex(ring.points, p)]!) < ON_THE_RING);
    const at = sling.points.reduce(
      (low, p, i) => (bears[i] && (low < 0 || p[1] < sling.points[low]![1]) ? i : low),
      -1,
    );
    sling = seenFromItsSide({ ...sling, things: sling.things.map((o) => (o === ring ? grown : o)) }, at, grown);
    places = [{ at, out: [0, -1, 0] }];
  }
  const off = ({ at }: { readonly at: number }) =>
    like === undefined || place === 'clip' ? 0 : Math.abs(at + first - like);
  const tied = tiedIn(
    sling,
    joint,
    places
      .filter((p) => (like === undefined ? place === 'clip' || p.at % EVERY === 0 : off(p) <= NEARBY))
      .map((p) => ({ ...p, off: off(p) })),
  );
  if (!tied) throw new Error(`no room for a joint: ${place}`);
  const last = tied.points.length - 1;
  const { tape: _, closed: __, ...plain } = shape;
  return {
    shape: {
      ...plain,
      xyz: rounded(tied.points),
      firstNode: 0,
      marks: { standing: [0, tied.tails[0]], tail: [last - tied.tails[1], last] },
    },
    objects: sling.things,
    node: tied.at + first,
  };
}

const made = new WeakMap<BakedForm, Map<JointPlace, BakedForm>>();

/**
 * A form with a joint tied in; made once.
 * @param bend the joint of two ropes, drawn up
 * @param place where the joint lies
 */
export function withJoint(form: BakedForm, bend: BakedForm, place: JointPlace): BakedForm {
  const known = made.get(form) ?? new Map<JointPlace, BakedForm>();
  made.set(form, known);
  const there = known.get(place);
  if (there) return there;
  const joint = jointOf(bend.set.tight);
  const state = (name: ShapeState, like?: number) =>
    jointIn(
      inState(form, name),
      (name === 'laid' ? form.objects : inState(form, name).objects) ?? [],
      joint,
      place,
      like,
    );
  const tight = state('tight');
  const [laid, dressed] = [state('laid', tight.node), state('dressed', tight.node)];
  const drawn = ({ shape, objects }: Tied): BakedShape => ({ ...shape, objects });
  const done = {
    ...form,
    laid: laid.shape,
    objects: laid.objects,
    set: { ...form.set, dressed: drawn(dressed), tight: drawn(tight) },
  };
  known.set(place, done);
  return done;
}
