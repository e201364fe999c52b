/** Looking things up in the catalogue: entries, stored shapes, what a knot is tied to, frames of a way. */
import { fault } from '../../errors';
import { CATALOGUE } from './shelved';
import { changedForm, isChange, withDeeperEye } from './changes';
import { LARGE_EYE_EXTRA_ROPE_DIAMETERS } from '../shape/eye-variants';
import { harnessPoints, karabinerIn, ringIn, ringInPlaceOf } from '../shape/objects';
import { inState, pointsOf, triples, type BakedForm, type BakedRope, type ShapeComponent } from '../shape/stored';
import { ROUND_ITS_OBJECT, type Made, type ShapeState } from '../facts/types';
import type { TiedKnot } from '../moving/way';

/** Version of the catalogue's facts; raised whenever an entry's judgement changes. */
export const CATALOGUE_VERSION = 3;

export function knotIds(): string[] {
  return CATALOGUE.map((k) => k.entry.id);
}

/** @throws unknown-knot */
export function knotById(id: string): TiedKnot {
  const found = CATALOGUE.find((k) => k.entry.id === id);
  if (!found) throw fault('unknown-knot', { knot: id });
  return found;
}

/** How a fault of a knot is made of its right form; undefined where it is laid by itself, or has no shape. */
const madeOf = (id: string, fault: string): Made | undefined =>
  knotById(id).entry.faults.find((f) => f.id === fault)?.made;

/** By which a cord loop is closed. */
const JOINT_OF_A_CORD = 'double-fishermans';

/** Forms that are a change of a stored one, each made once: the catalogue does not change while a program runs. */
const changedForms = new Map<string, BakedForm>();

/**
 * A stored form.
 * @param form 'right', a fault id, or `wraps-N` where the knot can be tied with more wraps
 * @throws unknown-fault where the fault has no shape of its own
 */
export function storedForm(id: string, form: string): BakedForm {
  const { baked } = knotById(id);
  const made = madeOf(id, form);
  if (made?.by === 'knot') return storedForm(made.knot, made.form ?? 'right');
  const found = baked.forms[isChange(made) ? 'right' : form];
  if (!found) throw fault('unknown-fault', { knot: id, fault: form });
  // drawn up, a large eye is baked; laid, it is drawn out of the author's
  const change =
    form === 'eye-too-large'
      ? () => ({ ...found, laid: withDeeperEye(found.laid, LARGE_EYE_EXTRA_ROPE_DIAMETERS) })
      : isChange(made)
        ? () => changedForm(found, made, () => storedForm(JOINT_OF_A_CORD, 'right'))
        : null;
  if (!change) return found;
  const key = `${id}/${form}`;
  const changed = changedForms.get(key) ?? change();
  changedForms.set(key, changed);
  return changed;
}

/** Fault ids that have a computed shape. */
export function faultsWithShape(id: string): string[] {
  const { entry, baked } = knotById(id);
  return entry.faults.filter((f) => f.made !== undefined || f.id in baked.forms).map((f) => f.id);
}

/** Numbers of wraps that can be asked for; the first is the usual one. Empty where it is no question. */
export function wrapsOf(id: string): number[] {
  const { entry, baked } = knotById(id);
  if (entry.usual_wraps === undefined) return [];
  return [
    entry.usual_wraps,
    ...Object.keys(baked.forms).flatMap((f) => (f.startsWith('wraps-') ? [Number(f.slice(6))] : [])),
  ];
}

/** Other forms of a knot that are right too. @throws unknown-variant */
export function variantForm(id: string, variant: string): string {
  const { entry, baked } = knotById(id);
  if (!entry.variants?.some((v) => v.form === variant) || !baked.forms[variant])
    throw fault('unknown-variant', { knot: id, variant });
  return variant;
}

/** The form with a number of wraps. @throws no-wraps-form */
export function formWithWraps(id: string, wraps: number): string {
  const all = wrapsOf(id);
  if (!all.includes(wraps)) throw fault('no-wraps-form', { knot: id, wraps });
  return wraps === all[0] ? 'right' : `wraps-${wraps}`;
}

/** What a shape can be shown on: both harness points threaded, one of the two, a karabiner, a closed ring, a post. */
export type Onto = 'both' | 'one' | 'clip' | 'ring' | 'post';

/** What it is stored tied to, in the words of a request; null where it is tied to nothing. */
function storedOnto(things: readonly ShapeComponent[]): Onto | 'rope' | null {
  const first = things[0];
  if (!first) return null;
  return first.role === 'host' ? 'rope' : first.role === 'post' ? 'post' : first.name === 'karabiner' ? 'clip' : 'ring';
}

/**
 * The components of a shape: the rope, and what it is tied to.
 * @param onto what to hang in the eye instead of what the knot is stored with
 * @throws unknown-fault, no-object-form where there is no eye
 */
export function shapeOf(id: string, form: string, state: ShapeState, onto: Onto | null = null): ShapeComponent[] {
  const { entry } = knotById(id);
  const baked = storedForm(id, form);
  const made = madeOf(id, form);
  // it is another knot's form, with what that one is tied to
  if (made?.by === 'knot') return shapeOf(made.knot, made.form ?? 'right', state, onto);
  const stored = inState(baked, state);
  const { marks } = stored;
  const points = pointsOf(stored);
  const rope: ShapeComponent = {
    name: stored.closed ? 'sling' : 'rope',
    role: stored.closed ? 'sling' : 'rope',
    closed: stored.closed ?? false,
    diameter: 1,
    points,
    marks,
    ...tapeOf(stored),
  };
  const ropes = [rope, ...(stored.second ? [secondOf(stored.second)] : [])];
  const things = (state === 'laid' ? baked.objects : (stored.objects ?? [])).map(hungUp);
  const shown = onto ?? (made?.by === 'one-point' ? 'one' : null);
  if (!shown) return [...ropes, ...things];
  if (ROUND_ITS_OBJECT.includes(entry.family)) {
    // on a post a hitch is another form of its own
    if (shown === 'post' && baked !== knotById(id).baked.forms[ON_POST] && knotById(id).baked.forms[ON_POST])
      return shapeOf(id, ON_POST, state);
    if (storedOnto(things) !== shown) throw fault('no-object-form', { knot: id, object: shown });
    return [...ropes, ...things];
  }
  // an eye that stays as it was drawn up has no room for more
  if (shown === 'post' || baked.set.reach_ropeDiameters !== undefined)
    throw fault('no-object-form', { knot: id, object: shown });
  // an end that never came back has gone through what it should hold: where it turns up again
  const turned = baked.openEnd && state !== 'laid' ? points.reduce((low, p) => (p[1] < low[1] ? p : low)) : undefined;
  const far = marks.eye === undefined ? turned : points[marks.eye]!;
  if (!far) throw fault('no-object-form', { knot: id, object: shown });
  // a noose is drawn up on its karabiner: a ring takes the place of the karabiner's bar
  const clip = entry.family === 'noose' ? stored.objects?.[0] : undefined;
  if (clip && shown === 'clip') return [...ropes, clip];
  if (clip) return [...ropes, ringInPlaceOf(clip, far)];
  if (shown === 'clip') return [...ropes, karabinerIn(far)];
  if (shown === 'ring') return [...ropes, ringIn(far)];
  return [...ropes, ...harnessPoints(far, shown)];
}

const tapeOf = ({ tape }: BakedRope): Pick<ShapeComponent, 'tape'> =>
  tape ? { tape: { ...tape, across: triples(tape.across) } } : {};
const secondOf = (second: BakedRope): ShapeComponent => ({
  name: 'second-rope',
  role: 'second-rope',
  closed: false,
  diameter: 1,
  points: pointsOf(second),
  marks: second.marks,
  ...tapeOf(second),
});

/** A gripped rope hangs by its upper end: that one is marked as its standing part. */
const hungUp = (o: ShapeComponent): ShapeComponent =>
  o.role === 'host' ? { ...o, marks: { standing: [Math.round(o.points.length * 0.85), o.points.length - 1] } } : o;

/** Name of the form of a hitch that lies on a post instead of a karabiner. */
const ON_POST = 'on-post';
