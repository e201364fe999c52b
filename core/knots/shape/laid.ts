/** What a knot's author hands to the solver: a laid form, what is pulled, and how. */
import type { Point3 } from '../../curve';
import type { Tightening } from '../../rope';
import type { Range } from './measures';
import type { ShapeComponent, Tape } from './stored';
import type { ShapeState } from '../facts/types';

/** How a knot is drawn up: what pulls, and in which stages. */
export type Drawing = Omit<Tightening, 'ropes'>;

/** The second rope of a joint, standing end first. */
export interface SecondRope {
  readonly points: readonly Point3[];
  readonly eyeNode?: number;
}

export interface LaidKnot {
  /** evenly spaced nodes, standing end first */
  readonly points: readonly Point3[];
  /** a sling: the last node goes on into the first */
  readonly closed?: boolean;
  /** node at the far point of the eye */
  readonly eyeNode?: number;
  /** of the other eye, where there are two */
  readonly secondEyeNode?: number;
  readonly second?: SecondRope;
  readonly drawing: Drawing;
  /** where the solver begins, if not with the laid form: a knot of the catalogue that is drawn up already, with more laid beside it. Eye nodes are those of this form then, and `laidEyeNode` that of the laid one */
  readonly start?: readonly Point3[];
  readonly laidEyeNode?: number;
  /** what it is tied to, beside the rope */
  readonly objects?: readonly ShapeComponent[];
  /** parts of the knot by the crossings between which they lie, numbered from 1 along the rope as seen from the front */
  readonly parts?: { readonly collar?: readonly [number, number]; readonly nippingLoop?: readonly [number, number] };
  /** the end hangs free after the eye and never came back into the knot */
  readonly openEnd?: boolean;
}

/** A rope of a shape that its author gives as it lies, drawn up or not. */
export interface ComposedRope {
  readonly points: readonly Point3[];
  /** first and last point of the knot proper */
  readonly first: number;
  readonly last: number;
  readonly eyeNode?: number;
  /** first point beyond the knot on either side of the eye */
  readonly legs?: readonly [number, number];
  readonly tape?: Tape;
}

/** A knot that needs no solver: it lies as its author says, in each state. */
export interface ComposedKnot {
  readonly composed: Readonly<
    Record<
      ShapeState,
      { readonly rope: ComposedRope; readonly second?: ComposedRope; readonly objects?: readonly ShapeComponent[] }
    >
  >;
  /** rope in the knot, diameters */
  readonly inKnot: Range;
}

/** Each shape of a knot that is baked: the right one and its faults, by the operation that makes them. */
export type LaidForms = Readonly<Record<string, () => LaidKnot | ComposedKnot>>;
