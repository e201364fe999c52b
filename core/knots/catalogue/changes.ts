/**
 * Wrong forms that are the right shape with one thing changed when it is asked for: which end is loaded, how long a tail is, which way
 * a hitch or a gate looks, what is clipped, how loosely it lies. Each is one named operation on a stored form and touches nothing else.
 * Unit: rope diameters.
 */
import { arcLengths, nearestIndex, resample, smoothstep, type Point3 } from '../../curve';
import {
  pointsOf,
  type BakedForm,
  type BakedRope,
  type BakedShape,
  type ShapeComponent,
  type ShapeMarks,
} from '../shape/stored';
import { withJoint } from './joints';
import type { Made } from '../facts/types';

/** Length of tail in the picture of a tail that is too short. */
export const SHORT_TAIL_ROPE_DIAMETERS = 2;
/** Length added where a tail, or a leg, is too long. */
export const LONGER_ROPE_DIAMETERS = 14;
export const UNEVEN_ROPE_DIAMETERS = 7;
const TOWARD_THE_VIEWER = 0.3;

const everyState = (form: BakedForm, change: (shape: BakedShape) => BakedShape): BakedForm => ({
  ...form,
  laid: change(form.laid),
  set: { ...form.set, dressed: change(form.set.dressed), tight: change(form.set.tight) },
});

/** In the mirror of its own order: what was the tail is the standing part. */
function runTheOtherWay<T extends BakedRope & { eyeGrown?: number; secondEyeGrown?: number }>(rope: T): T {
  const last = rope.xyz.length / 3 - 1;
  const stretch = ([a, b]: readonly [number, number]) => [last - b, last - a] as const;
  const { standing, tail, eye, legs, second_eye, second_legs, ...parts } = rope.marks;
  const both = (l: readonly [readonly [number, number], readonly [number, number]]) =>
    [stretch(l[1]), stretch(l[0])] as const;
  const [nearEye, nearLegs, farEye, farLegs] =
    second_eye === undefined ? [eye, legs, undefined, undefined] : [second_eye, second_legs, eye, legs];
  const marks: ShapeMarks = {
    standing: stretch(tail),
    tail: stretch(standing),
    ...(nearEye !== undefined && { eye: last - nearEye }),
    ...(nearLegs && { legs: both(nearLegs) }),
    ...(farEye !== undefined && { second_eye: last - farEye }),
    ...(farLegs && { second_legs: both(farLegs) }),
    ...(parts.collar && { collar: stretch(parts.collar) }),
    ...(parts.nipping_loop && { nipping_loop: stretch(parts.nipping_loop) }),
  };
  const grown = [rope.eyeGrown ?? 0, rope.secondEyeGrown ?? 0] as const;
  const reversed = (xyz: readonly number[]) =>
    Array.from({ length: last + 1 }, (_, i) => xyz.slice(3 * (last - i), 3 * (last - i) + 3)).flat();
  return {
    ...rope,
    xyz: reversed(rope.xyz),
    marks,
    firstNode: grown[0] + grown[1] - rope.firstNode - last,
    ...(rope.tape && { tape: { ...rope.tape, across: reversed(rope.tape.across) } }),
    ...(second_eye !== undefined && {
      ...(grown[1] !== 0 && { eyeGrown: grown[1] }),
      ...(grown[0] !== 0 && { secondEyeGrown: grown[0] }),
    }),
  };
}

/** Spacing of points put into an eye that is drawn out, diameters. */
const EYE_STEP = 0.45;

/** The eye drawn out: its legs run on for so much longer before they bend. */
export function withDeeperEye(shape: BakedShape, deeper: number): BakedShape {
  const { legs, eye } = shape.marks;
  if (!legs || eye === undefined) return shape;
  const points = pointsOf(shape);
  const [from, to] = [legs[0][0], legs[1][1]];
  const root = points[from]!.map((c, j) => (c + points[to]![j]!) / 2);
  const out = points[eye]!.map((c, j) => c - root[j]!);
  const l = Math.hypot(out[0]!, out[1]!, out[2]!);
  const reach = (i: number) => points[i]!.reduce((sum, c, j) => sum + ((c - root[j]!) * out[j]!) / l, 0) / l;
  // the legs' far ends stay where they are
  const start = Math.max(reach(from), reach(to)) + 0.04;
  const drawn = points.slice(from, to + 1).map((p, k): Point3 => {
    const by = (deeper * smoothstep((reach(from + k) - start) / 0.6)) / l;
    return [p[0] + by * out[0]!, p[1] + by * out[1]!, p[2] + by * out[2]!];
  });
  const inner = resample(drawn, EYE_STEP).map(
    (p): Point3 => p.map((c) => Math.round(c * 1e4) / 1e4) as unknown as Point3,
  );
  const grown = inner.length - drawn.length;
  const at = from + nearestIndex(inner, drawn[eye - from]!);
  const later = ([a, b]: readonly [number, number]) => [a + grown, b + grown] as const;
  const after = (m: readonly [number, number] | undefined) => (m && m[0] >= to ? later(m) : m);
  const { collar, nipping_loop } = shape.marks;
  return {
    ...shape,
    xyz: [...points.slice(0, from), ...inner, ...points.slice(to + 1)].flat(),
    eyeGrown: (shape.eyeGrown ?? 0) + grown,
    marks: {
      ...shape.marks,
      tail: later(shape.marks.tail),
      eye: at,
      legs: [
        [from, at],
        [at, to + grown],
      ],
      ...(collar && { collar: after(collar)! }),
      ...(nipping_loop && { nipping_loop: after(nipping_loop)! }),
    },
  };
}

/** The first rope, or the second, or both, run from what was the tail. */
const endsExchanged = (form: BakedForm, ropes: readonly (0 | 1)[]): BakedForm =>
  everyState(form, (shape) => {
    const turned = ropes.includes(0) ? runTheOtherWay(shape) : shape;
    return shape.second && ropes.includes(1) ? { ...turned, second: runTheOtherWay(shape.second) } : turned;
  });

/** The tail cut so long beyond the knot, or drawn so much longer straight on. */
function withTail(shape: BakedShape, length: { readonly of: number } | { readonly more: number }): BakedShape {
  const points = pointsOf(shape);
  const from = shape.marks.tail[0];
  const s = arcLengths(points);
  if ('of' in length) {
    const to = s.findIndex((v, i) => i > from && v - s[from]! >= length.of);
    return to < 0
      ? shape
      : { ...shape, xyz: shape.xyz.slice(0, 3 * (to + 1)), marks: { ...shape.marks, tail: [from, to] } };
  }
  const [end, before] = [points.at(-1)!, points.at(-4)!];
  // straight on, and a little toward the viewer, so that it passes in front of what lies there
  const heading = [end[0] - before[0], end[1] - before[1], end[2] - before[2]];
  const plain = Math.hypot(heading[0]!, heading[1]!, heading[2]!);
  heading[2]! += TOWARD_THE_VIEWER * plain;
  const l = Math.hypot(heading[0]!, heading[1]!, heading[2]!);
  const step = 0.45;
  const more = Array.from({ length: Math.round(length.more / step) }, (_, k) =>
    end.map((c, j) => Math.round((c + (heading[j]! / l) * step * (k + 1)) * 1e4) / 1e4),
  );
  return {
    ...shape,
    xyz: [...shape.xyz, ...more.flat()],
    marks: { ...shape.marks, tail: [from, points.length - 1 + more.length] },
  };
}

const half = ([x, y, z]: Point3): Point3 => [-x, -y, z];
const halfTurned = (xyz: readonly number[]): number[] => xyz.map((v, i) => (i % 3 === 2 ? v : 0 - v));

/** Turned by half a turn in the page on the rope it grips, which stays. */
function upsideDown(form: BakedForm): BakedForm {
  const things = (objects: readonly ShapeComponent[]) =>
    objects.map((o) => (o.role === 'host' ? o : { ...o, points: o.points.map(half) }));
  const turned = everyState(form, (shape) => ({
    ...shape,
    xyz: halfTurned(shape.xyz),
    ...(shape.objects && { objects: things(shape.objects) }),
  }));
  return { ...turned, objects: things(form.objects) };
}

/** The karabiner turned over: its gate lies where its back was. */
function gateTurned(o: ShapeComponent): ShapeComponent {
  const gate = o.marks?.gate;
  if (!gate) return o;
  const middle = (Math.max(...o.points.map((p) => p[0])) + Math.min(...o.points.map((p) => p[0]))) / 2;
  const across = gate.map((i) =>
    nearestIndex(o.points, [2 * middle - o.points[i]![0], o.points[i]![1], o.points[i]![2]]),
  );
  return { ...o, marks: { ...o.marks, gate: [Math.min(...across), Math.max(...across)] } };
}

const withThings = (form: BakedForm, change: (things: readonly ShapeComponent[]) => ShapeComponent[]): BakedForm => ({
  ...everyState(form, (shape) => (shape.objects ? { ...shape, objects: change(shape.objects) } : shape)),
  objects: change(form.objects),
});

/** Whether the fault is a change of a stored form, and not a form laid by itself or another knot's. */
export const isChange = (made: Made | undefined): made is Exclude<Made, { readonly by: 'knot' }> =>
  made !== undefined && made.by !== 'knot';

/** A stored form with one thing changed. @param bend the joint by which a cord loop is closed, drawn up */
export function changedForm(
  form: BakedForm,
  made: Exclude<Made, { readonly by: 'knot' }>,
  bend: () => BakedForm,
): BakedForm {
  switch (made.by) {
    case 'joint-tied-in':
      return withJoint(form, bend(), made.place);
    case 'ends-exchanged':
      return endsExchanged(form, made.ropes);
    case 'tail-cut':
      return everyState(form, (shape) => withTail(shape, { of: SHORT_TAIL_ROPE_DIAMETERS }));
    case 'tail-lengthened':
      return everyState(form, (shape) => withTail(shape, { more: LONGER_ROPE_DIAMETERS }));
    case 'leg-lengthened':
      return everyState(form, (shape) => withTail(shape, { more: UNEVEN_ROPE_DIAMETERS }));
    case 'turned-upside-down':
      return upsideDown(form);
    case 'gate-turned':
      return withThings(form, (things) => things.map(gateTurned));
    case 'unclipped':
      return withThings(form, (things) => things.filter((o) => o.name !== 'karabiner'));
    case 'not-set':
      // not drawn up: the dressed form, whatever was asked
      return { ...form, set: { ...form.set, tight: form.set.dressed } };
    case 'one-point':
      return form;
  }
}
