/** Looking things up in the catalogue: entries, stored shapes, frames of a way, the harness in the eye. */
import { arcLengths, nearestIndex, resample, type Point3 } from '../curve';
import { fault } from '../errors';
import { crossingsSeenFrom } from '../topology';
import { CATALOGUE } from './index';
import { pointsOf, type BakedForm, type BakedShape, type CatalogueKnot, type ShapeMarks, type ShapeState } from './stored';

/** Version of the catalogue's facts; raised whenever an entry's judgement changes. */
export const CATALOGUE_VERSION = 1;

export interface ShapeComponent {
  readonly name: string;
  readonly role: 'rope' | 'second-rope' | 'sling' | 'ring' | 'post' | 'host';
  readonly closed: boolean;
  /** in diameters of the rope */
  readonly diameter: number;
  readonly points: readonly Point3[];
  readonly marks?: ShapeMarks;
}

export function knotIds(): string[] {
  return CATALOGUE.map((k) => k.entry.id);
}

/** @throws unknown-knot */
export function knotById(id: string): CatalogueKnot {
  const found = CATALOGUE.find((k) => k.entry.id === id);
  if (!found) throw fault('unknown-knot', { knot: id });
  return found;
}

/** Length of tail, in rope diameters, in the picture of a tail that is too short. */
const SHORT_TAIL_ROPE_DIAMETERS = 2;

/**
 * A stored shape.
 * @param form 'right' or a fault id
 * @throws unknown-fault where the fault has no shape of its own
 */
export function storedForm(id: string, form: string): BakedForm {
  const knot = knotById(id);
  const alias = form === 'loose' || form === 'tail-short' || form === 'one-harness-point' ? 'right' : form;
  const found = knot.baked.forms[alias];
  if (!found) throw fault('unknown-fault', { knot: id, fault: form });
  return found;
}

/** Fault ids that have a computed shape. */
export function faultsWithShape(id: string): string[] {
  const knot = knotById(id);
  return knot.entry.faults.map((f) => f.id).filter((f) => f === 'loose' || f === 'tail-short' || f === 'one-harness-point' || f in knot.baked.forms);
}

/** The state in which a fault is shown: a knot that is not set is the dressed form, whatever was asked. */
function stateOf(form: string, state: ShapeState): ShapeState {
  return form === 'loose' && state === 'tight' ? 'dressed' : state;
}

/**
 * The components of a shape.
 * @param harness rings in the eye: both points threaded, one of two, or none shown
 */
export function shapeOf(id: string, form: string, state: ShapeState, harness: 'both' | 'one' | null = null): ShapeComponent[] {
  const stored: BakedShape = storedForm(id, form)[stateOf(form, state)];
  let points = pointsOf(stored);
  let marks = stored.marks;
  if (form === 'tail-short') {
    const s = arcLengths(points);
    const from = marks.tail[0];
    const to = s.findIndex((v, i) => i > from && v - s[from]! >= SHORT_TAIL_ROPE_DIAMETERS);
    points = points.slice(0, to + 1);
    marks = { ...marks, tail: [from, to] };
  }
  const shown = harness ?? (form === 'one-harness-point' ? 'one' : null);
  const rope: ShapeComponent = { name: 'rope', role: 'rope', closed: false, diameter: 1, points, marks };
  return shown ? [rope, ...harnessPoints(points[marks.eye]!, shown)] : [rope];
}

const RING_RADIUS_ROPE_DIAMETERS = 2.3;
const RING_DIAMETER_ROPE_DIAMETERS = 0.75;

/** Two harness points as plain rings hung in the eye at its far point; with 'one' the second hangs free beside it. */
function harnessPoints(farPoint: Point3, threaded: 'both' | 'one'): ShapeComponent[] {
  const ring = (x: number, drop: number, tilt: number): Point3[] =>
    Array.from({ length: 48 }, (_, k): Point3 => {
      const a = (2 * Math.PI * k) / 48;
      const y = RING_RADIUS_ROPE_DIAMETERS * Math.cos(a);
      const z = RING_RADIUS_ROPE_DIAMETERS * Math.sin(a);
      return [farPoint[0] + x + Math.sin(tilt) * z, farPoint[1] - drop + y, farPoint[2] + Math.cos(tilt) * z];
    });
  const hung = RING_RADIUS_ROPE_DIAMETERS - 0.5 - RING_DIAMETER_ROPE_DIAMETERS / 2 - 0.05;
  const first = { name: 'harness-point-1', role: 'ring' as const, closed: true, diameter: RING_DIAMETER_ROPE_DIAMETERS, points: ring(-0.75, hung, 0.5) };
  const second = { name: 'harness-point-2', role: 'ring' as const, closed: true, diameter: RING_DIAMETER_ROPE_DIAMETERS, points: threaded === 'both' ? ring(0.75, hung, 0.5) : ring(3.6, RING_RADIUS_ROPE_DIAMETERS + 1.5, 0.9) };
  return [first, second];
}

export interface Frame {
  readonly key: boolean;
  readonly caption: string;
  readonly hands: { readonly left: string; readonly right: string };
  readonly moving: string;
  readonly components: readonly ShapeComponent[];
}

const FRAME_POINTS = 260;
const FREE_END_ROPE_DIAMETERS = 7;

/**
 * Key frames of a way: the end's progress along the laid path, then the knot dressed and tight. Every
 * frame has the same number of points, from the standing end to the tail. The pictures are single
 * stages; the motion between them is not computed.
 * @throws unknown-way
 */
export function framesOf(id: string, way: string): Frame[] {
  const steps = knotById(id).ways[way];
  if (!steps) throw fault('unknown-way', { knot: id, way });
  const form = storedForm(id, 'right');
  const passes = crossingsSeenFrom([{ points: pointsOf(form.laid), closed: false }], [0, 0, 1]).passes.map((p) => p.at);
  return steps.map((step) => {
    let points: Point3[];
    if (typeof step.upTo === 'number') {
      const laid = pointsOf(form.laid);
      const cut = Math.min(laid.length - 1, Math.round(((passes[step.upTo - 1] ?? 0) + (passes[step.upTo] ?? (passes[step.upTo - 1] ?? 0) + 2 * 6)) / 2));
      points = laid.slice(0, cut + 1);
      const from = points.at(-1)!;
      const back = points.at(-4)!;
      const l = Math.hypot(from[0] - back[0], from[1] - back[1]) || 1;
      // the free end lies straight on, over what is there
      for (let s = 0.5; s <= FREE_END_ROPE_DIAMETERS; s += 0.5)
        points.push([from[0] + ((from[0] - back[0]) / l) * s, from[1] + ((from[1] - back[1]) / l) * s, from[2] + Math.min(2.4, s * 0.8)]);
    } else points = pointsOf(form[step.upTo]);
    const even = resample(points, arcLengths(points).at(-1)! / (FRAME_POINTS - 1));
    const eye = nearestIndex(even, points.reduce((low, p) => (p[1] < low[1] ? p : low)));
    const n = even.length - 1;
    return {
      key: true,
      caption: step.caption,
      hands: step.hands,
      moving: step.moving,
      components: [{ name: 'rope', role: 'rope' as const, closed: false, diameter: 1, points: even, marks: { standing: [0, 1] as const, tail: [n - 1, n] as const, eye } }],
    };
  });
}
