/**
 * A knot whose tail goes on into a stopper butted up to it: a barrel of the tail round the strand that it leaves beside and itself. That strand is the
 * standing part; where the tail leaves into the eye, the leg of the eye; of a joint, the other rope's standing part. It is laid on the stored form in
 * the same state; what the solver made of one such form is held against it by a test. Unit: rope diameters.
 */
import {
  cross,
  distance,
  dot,
  smallestDistance,
  smoothstep,
  splineThrough,
  subtract,
  unit,
  type Point3,
} from '../../curve';
import { barrel } from '../laying/barrels';
import type { ShapeState } from '../facts/types';
import type { ShapeComponent } from '../shape/stored';
import { NEIGHBOUR_ARC_ropeDiameters } from '../shape/storing';
import { shapeOf } from './catalogue';
import { across, evenly, plus } from './leading';

/** What is wrong with it: it slid away from the knot; it goes round the tail alone; of two only one is tied. */
export type BehindFault = 'stopper-gap' | 'stopper-wrong-strand' | 'backup-one-side';

/** How tight the barrel lies: rope per turn along it, what its radius has beyond the strands in it, and the room before it; loosely where it is laid. */
const LAYS: Readonly<
  Record<ShapeState, { readonly pitch: number; readonly beyond: number; readonly room: number; readonly apart: number }>
> = {
  laid: { pitch: 2, beyond: 1.6, room: 2.6, apart: 1.45 },
  dressed: { pitch: 1.35, beyond: 1.28, room: 0.6, apart: 1.16 },
  tight: { pitch: 1.17, beyond: 1.17, room: 0.3, apart: 1.09 },
};
/** Rope along the way out per diameter that strands farther apart come together. */
const TRAVELS: Readonly<Record<ShapeState, number>> = { laid: 1.3, dressed: 0.55, tight: 0.55 };
/** Two strands that leave the knot no farther apart than that go straight into the stopper. */
const WIDE = 1.4;
/** Rope between knot and stopper in which something could be clipped. */
const SLID = 7;
/** So far beside the strand stands a stopper that goes round the tail alone. */
const ASIDE = 3.2;
/** So far below the knot it hangs in the middle of an eye. */
const HANGS = 5;
/** Tail shown beyond the stopper. */
const TAIL = 4.5;
/** Points of the other leg where the two meet in the eye. */
const MEETS = 12;
/** Between the middles of two strands that lie against each other, and how far it may stand off for that. */
const TOUCHING: Readonly<Record<ShapeState, number>> = { laid: 1.1, dressed: 1, tight: 0.97 };
const MOST_ROOM: Readonly<Record<ShapeState, number>> = { laid: 6, dressed: 3, tight: 3 };
/** From the middle of the stopper to a strand that it does not hold. */
const CLEAR = 2.8;
/** So much wider is an eye drawn in which a stopper stands by itself. */
const WIDER = 1.9;
/** And so much one in which it goes round a leg. */
const WIDE_ENOUGH = 1.45;
/** Points before the knot ends by which a strand that leaves it is straight already. */
const LAST_STRAIGHT = 5;
/** Along a leg of the eye, from the stopper to where it lies as it did. */
const RETURNS = 5;

/** A strand that leaves the knot, from the knot outward; a leg of the eye goes on as it was. */
interface Leaving {
  readonly points: readonly Point3[];
  readonly goesOn: boolean;
}

interface Backing {
  readonly core: Leaving;
  readonly tail: readonly Point3[];
  /** the way out of the knot */
  readonly axis: Point3;
  /** where the knot ends, along the axis */
  readonly top: number;
  /** room between that and the barrel */
  readonly room: number;
  /** the knot itself */
  readonly knot: readonly (readonly Point3[])[];
  /** strands that it does not hold: the other leg */
  readonly others: readonly Point3[];
  readonly turns: 1 | 2;
  readonly state: ShapeState;
  readonly gap: number;
  readonly aside: number;
}

/** Points that a spline gives per stretch. */
const SAMPLES = 24;
/** The end goes in a third of a turn beyond the whole ones. */
const EXTRA = 1 / 3;

/** As near as it can lie: butted up to the knot, no strand in another. */
function backed(b: Omit<Backing, 'room'>) {
  const least = (made: ReturnType<typeof backedAt>) =>
    smallestDistance(
      [made.core, made.tail, ...b.knot, b.others.slice(0, -MEETS)].flatMap((points) =>
        points.length > 8 ? [{ points, closed: false }] : [],
      ),
      NEIGHBOUR_ARC_ropeDiameters,
    );
  // no nearer than it would be to itself if it stood away
  const touching = Math.min(TOUCHING[b.state], least(backedAt({ ...b, room: MOST_ROOM[b.state] })) - 0.01);
  let room = LAYS[b.state].room;
  let made = backedAt({ ...b, room });
  while (room < MOST_ROOM[b.state] && least(made) < touching) made = backedAt({ ...b, room: (room += 0.1) });
  return made;
}

/** Core and tail with the barrel between them, from the knot outward. */
function backedAt({ core, tail, axis, top, room, others, turns, state, gap, aside }: Backing) {
  const { pitch, beyond: around, apart } = LAYS[state];
  const along = (p: Point3) => dot(p, axis);
  const leaves = (line: readonly Point3[]) =>
    Math.max(
      2,
      line.findIndex((p) => along(p) >= top + 0.15),
    );
  const [i, j] = [leaves(core.points), leaves(tail)];
  const [s, t] = [core.points[i]!, tail[j]!];
  const flat = (p: Point3) => across(p, axis);
  const between = flat(subtract(t, s));
  const wide = Math.hypot(...between);
  const d = unit(between);
  const n = cross(axis, d);
  // inside an eye a stopper that goes round the tail alone hangs in its middle
  const hangs = core.goesOn && aside > 0;
  const wished = top + Math.max(room, TRAVELS[state] * (wide - WIDE)) + gap + (hangs ? HANGS : aside);
  // where it turns toward the stopper it is well before it
  const turnsAt = (line: readonly Point3[], most: number) =>
    Math.max(2, Math.min(most, line.findIndex((p) => along(p) > wished - 0.5) - 1));
  const [ci, ti] = [turnsAt(core.points, i), turnsAt(tail, j)];
  const near = Math.max(wished, along(core.points[ci]!) + 0.5, along(tail[ti]!) + 0.5);
  const far = near + pitch * (turns + EXTRA);
  const half = flat(plus(s, between, 0.5));
  // clear of what it does not hold
  const besides = others.filter((p) => along(p) > near - 1 && along(p) < far + 1);
  const nearest = besides.reduce<Point3 | null>(
    (best, p) => (best && distance(flat(best), half) <= distance(flat(p), half) ? best : p),
    null,
  );
  const off = nearest ? subtract(half, flat(nearest)) : null;
  const short = off ? Math.max(0, CLEAR - Math.hypot(...off)) : 0;
  const middle = hangs ? flat(core.points.at(-1)!) : off && short > 0 ? plus(half, unit(off), short) : half;
  const at = (l: number, u: number, v: number): Point3 => plus(plus(plus(middle, d, u), n, v), axis, l);
  // a stopper round the tail alone stands to the tail's side
  const [au, av] = [hangs ? 0 : aside, 0];
  // three strands side by side, and what goes round them
  const u = Math.min(Math.max(apart, wide), WIDE) / 2;
  const v = Math.sqrt(Math.max(0.3, apart * apart - u * u));
  const centre = (v * v - u * u) / (2 * v);
  const radius = v - centre + around;
  const [cu, cv] = [-u, 0];
  const [tu, tv] = [u + au, av];
  const [ou, ov] = [au, v + av];
  const rest = core.goesOn ? core.points.findIndex((p) => along(p) >= far + RETURNS) : -1;
  const end = along(core.points.at(-1)!);
  const beyond: readonly Point3[] = core.goesOn
    ? [core.points[rest]!, core.points[rest + 2]!]
    : [at(far + 2, cu, cv), at(Math.max(end, far + 8), cu, cv)];
  const toward = (p: Point3, q: Point3): Point3 => plus(p, subtract(q, p), 0.5);
  const strand = (line: readonly Point3[], k: number, u: number, v: number) => [
    line[k - 2]!,
    line[k]!,
    toward(line[k]!, at(near, u, v)),
    at(near, u, v),
  ];
  const held = splineThrough([...strand(core.points, ci, cu, cv), at(far, cu, cv), ...beyond]);
  // beside a stopper that goes round the tail alone a leg of the eye lies as it did
  const coreLine = hangs
    ? core.points
    : [...core.points.slice(0, ci - 1), ...held.slice(SAMPLES), ...(core.goesOn ? core.points.slice(rest + 3) : [])];
  const rise = splineThrough([...strand(tail, ti, tu, tv), at(far - 0.3, tu, tv)]).slice(SAMPLES);
  const turned = barrel({
    turns,
    near,
    far,
    radius,
    comesIn: [tu, tv],
    goesOut: [ou, ov],
    middle: [au, centre + av],
    tail: TAIL,
  }).map(([x, y, z]) => at(x, y, z));
  return {
    core: evenly(coreLine, 0.45),
    tail: evenly([...tail.slice(0, ti - 1), ...rise, ...turned.slice(1)], 0.45),
    /** beyond it the tail is free */
    frees: far,
  };
}

/** Points of the eye drawn out along the axis, and wider across it, so that there is room for what is tied on its leg. */
function drawnOut(
  points: readonly Point3[],
  middle: Point3,
  axis: Point3,
  from: number,
  by: number,
  wider: number,
): Point3[] {
  const eyeAt = dot(middle, axis);
  return points.map((p) => {
    const along = Math.max(0, dot(p, axis) - from);
    const out = across(subtract(p, middle), axis);
    return plus(plus(p, axis, (by * along) / (eyeAt - from)), out, (wider - 1) * smoothstep(Math.min(1, along / 3)));
  });
}

/** A loop, or a hitch with its tail beside the standing part. */
function onLoop(
  host: readonly ShapeComponent[],
  state: ShapeState,
  turns: 1 | 2,
  gap: number,
  aside: number,
): ShapeComponent[] {
  const [rope, ...things] = host;
  const { points, marks } = rope!;
  const s1 = marks!.standing![1];
  const t0 = marks!.tail![0];
  const into = state === 'laid' ? 0 : LAST_STRAIGHT;
  const tail = points.slice(t0 - into);
  const standing = points.slice(0, s1 + 1 + into).reverse();
  const out = (line: readonly Point3[]) => unit(subtract(line[Math.min(8, line.length - 1)]!, line[0]!));
  const { eye, legs } = marks!;
  if (dot(out(tail), out(standing)) > 0) {
    // as it leaves the knot, not as it lies in it
    const axis = out(standing.slice(into));
    const top = Math.max(...points.slice(s1 + into, t0 + 1 - into).map((p) => dot(p, axis)));
    const made = backed({
      core: { points: standing, goesOn: false },
      tail,
      axis,
      top,
      knot: [points.slice(s1 + into + 3, t0 - into - 2)],
      others: [],
      turns,
      state,
      gap,
      aside,
    });
    const before = [...made.core].reverse();
    const inner = points.slice(s1 + into + 1, t0 - into);
    const all = [...before, ...inner, ...made.tail];
    const shift = before.length - (s1 + into + 1);
    const free = before.length + inner.length + made.tail.findLastIndex((p) => dot(p, axis) < made.frees + 0.2);
    const moved = (pair: readonly [number, number]): [number, number] => [pair[0] + shift, pair[1] + shift];
    return [
      {
        ...rope!,
        points: all,
        marks: {
          standing: [0, before.length - 1 - into],
          tail: [free, all.length - 1],
          ...(eye !== undefined && { eye: eye + shift }),
          ...(legs && { legs: [moved(legs[0]), moved(legs[1])] }),
        },
      },
      ...things,
    ];
  }
  // the tail leaves into the eye: round the leg that it lies beside
  const [l0, l1, t1] = [legs![0][0] - into, legs![1][1] + into, t0 - into];
  const far = points[eye!]!;
  const axis = unit(subtract(far, plus(points[l0]!, subtract(points[l1]!, points[l0]!), 0.5)));
  const top = Math.max(...[...points.slice(s1, l0 + 1), ...points.slice(l1, t1 + 1)].map((p) => dot(p, axis)));
  const first = distance(points[l0]!, points[t1]!) < distance(points[l1]!, points[t1]!);
  const eyeAt = dot(far, axis);
  const needs =
    top + LAYS[state].room + gap + (aside > 0 ? HANGS : 0) + LAYS[state].pitch * (turns + EXTRA) + RETURNS + 6;
  const by = Math.max(0, needs - eyeAt);
  const stretch = (line: readonly Point3[]) =>
    drawnOut(line, far, axis, top, by, state === 'laid' ? 1 : aside > 0 ? WIDER : WIDE_ENOUGH);
  const [one, other] = [stretch(points.slice(l0, eye! + 1)), stretch(points.slice(eye!, l1 + 1))];
  const core = first ? one : [...other].reverse();
  const free = first ? other : one;
  const made = backed({
    core: { points: core, goesOn: true },
    tail: points.slice(t1),
    axis,
    top,
    knot: [points.slice(s1, l0 - 2), points.slice(l1 + 3, t1 - 2)],
    others: first ? [...free].reverse() : free,
    turns,
    state,
    gap,
    aside,
  });
  const standingLeg = first ? made.core : evenly(one, 0.45);
  const otherLeg = first ? evenly(other, 0.45) : [...made.core].reverse();
  const head = points.slice(0, l0);
  const inner = points.slice(l1 + 1, t1);
  const all = [...head, ...standingLeg, ...otherLeg.slice(1), ...inner, ...made.tail];
  const eyeNow = head.length + standingLeg.length - 1;
  const legEnd = eyeNow + otherLeg.length - 1;
  const tailFrom = legEnd + 1 + inner.length;
  return [
    {
      ...rope!,
      points: all,
      marks: {
        standing: marks!.standing!,
        tail: [tailFrom + made.tail.findLastIndex((p) => dot(p, axis) < made.frees + 0.2), all.length - 1],
        eye: eyeNow,
        legs: [
          [legs![0][0], eyeNow],
          [eyeNow, legEnd - into],
        ],
      },
    },
    ...things,
  ];
}

/** A joint: each tail round the standing part of the other rope, which it leaves beside. */
function onJoint(host: readonly ShapeComponent[], state: ShapeState, wrong: BehindFault | undefined): ShapeComponent[] {
  const [a, b, ...things] = host;
  const parts = ({ points, marks }: ShapeComponent) => ({
    standing: points.slice(0, marks!.standing![1] + 1).reverse(),
    inner: points.slice(marks!.standing![1] + 1, marks!.tail![0]),
    tail: points.slice(marks!.tail![0]),
  });
  const [p, q] = [parts(a!), parts(b!)];
  const knot = [p.inner.slice(3, -3), q.inner.slice(3, -3)];
  const side = (standing: readonly Point3[], tail: readonly Point3[]) => {
    const axis = unit(subtract(standing[Math.min(8, standing.length - 1)]!, standing[0]!));
    const top = Math.max(...[...p.inner, ...q.inner].map((x) => dot(x, axis)));
    const made = backed({
      core: { points: standing, goesOn: false },
      tail,
      axis,
      top,
      knot,
      others: [],
      turns: 1,
      state,
      gap: wrong === 'stopper-gap' ? SLID : 0,
      aside: 0,
    });
    return { ...made, free: made.tail.findLastIndex((x) => dot(x, axis) < made.frees + 0.2) };
  };
  const one = side(p.standing, q.tail);
  const two = wrong === 'backup-one-side' ? { core: q.standing, tail: p.tail, free: 0 } : side(q.standing, p.tail);
  const rope = (
    of: ShapeComponent,
    core: readonly Point3[],
    inner: readonly Point3[],
    tail: readonly Point3[],
    free: number,
  ): ShapeComponent => {
    const before = [...core].reverse();
    const points = [...before, ...inner, ...tail];
    return {
      ...of,
      points,
      marks: { standing: [0, before.length - 1], tail: [before.length + inner.length + free, points.length - 1] },
    };
  };
  return [rope(a!, one.core, p.inner, two.tail, two.free), rope(b!, two.core, q.inner, one.tail, one.free), ...things];
}

/**
 * A loop or hitch with its tail tied behind it, butted up to the knot.
 * @param turns two for a stopper, one for an overhand round both strands
 */
export const tiedBehind = (knot: string, state: ShapeState, turns: 1 | 2, wrong?: BehindFault): ShapeComponent[] =>
  onLoop(
    shapeOf(knot, 'right', state),
    state,
    turns,
    wrong === 'stopper-gap' ? SLID : 0,
    wrong === 'stopper-wrong-strand' ? ASIDE : 0,
  );

/** A joint of two ropes, each tail tied behind it round the other rope's standing part. */
export const tiedBehindBoth = (knot: string, state: ShapeState, wrong?: BehindFault): ShapeComponent[] =>
  onJoint(shapeOf(knot, 'right', state), state, wrong);
