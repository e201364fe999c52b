/** What a knot's author hands to the solver: a laid form, what is pulled, and how. */
import type { Point3 } from '../curve';
import type { Tightening } from '../rope';
import type { ShapeComponent } from './stored';

/** How a knot is drawn up: what pulls, and in which stages. */
export type Drawing = Omit<Tightening, 'ropes'>;

export interface LaidKnot {
  /** evenly spaced nodes, standing end first */
  readonly points: readonly Point3[];
  /** node at the far point of the eye */
  readonly eyeNode?: number;
  readonly drawing: Drawing;
  /** what it is tied to, beside the rope */
  readonly objects?: readonly ShapeComponent[];
  /** parts of the knot by the crossings between which they lie, numbered from 1 along the rope as seen from the front */
  readonly parts?: { readonly collar?: readonly [number, number]; readonly nippingLoop?: readonly [number, number] };
  /** the end hangs free after the eye and never came back into the knot */
  readonly openEnd?: boolean;
}

/** Each shape of a knot that is baked: the right one and its faults, by the operation that makes them. */
export type LaidForms = Readonly<Record<string, () => LaidKnot>>;
