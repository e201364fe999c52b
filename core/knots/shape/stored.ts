/** Stored shapes of a knot and the steps of its ways: plain data, made by baking, read by the catalogue. */
import type { Line3, Point3 } from '../../curve';
import type { Range } from './measures';
import type { KnotEntry, ShapeState } from '../facts/types';
import type { LaidView } from './laidView';

/** Marks by point index, as the public shape carries them. */
export interface ShapeMarks {
  readonly standing: readonly [number, number];
  readonly tail: readonly [number, number];
  /** far point of the eye; a stopper has none */
  readonly eye?: number;
  /** between the knot and the eye's far point, standing side first */
  readonly legs?: readonly [readonly [number, number], readonly [number, number]];
  /** far point of the other eye, where there are two, and the legs of that one */
  readonly second_eye?: number;
  readonly second_legs?: readonly [readonly [number, number], readonly [number, number]];
  /** the bight that goes round the standing part */
  readonly collar?: readonly [number, number];
  /** the loop that squeezes what passes through it */
  readonly nipping_loop?: readonly [number, number];
  /** on a karabiner: between these it opens */
  readonly gate?: readonly [number, number];
}

/** A flat tape: its centre-line's points each have a direction across it. */
export interface Tape {
  /** in rope diameters, which for a tape are its thickness */
  readonly width: number;
  readonly thickness: number;
  /** unit vector across the tape at each point of the centre-line */
  readonly across: readonly Point3[];
}

/** One rope, ring, post or host in space. */
export interface ShapeComponent {
  readonly name: string;
  readonly role: 'rope' | 'second-rope' | 'sling' | 'ring' | 'post' | 'host';
  readonly closed: boolean;
  /** in diameters of the rope */
  readonly diameter: number;
  readonly points: readonly Point3[];
  readonly marks?: Partial<ShapeMarks>;
  readonly tape?: Tape;
}

/** A rope of a baked shape. */
export interface BakedRope {
  /** x, y, z per point, rope diameters, rounded to 1e-4 */
  readonly xyz: readonly number[];
  readonly marks: ShapeMarks;
  /** index of the solver's node that point 0 is */
  readonly firstNode: number;
  /** a sling: the last point goes on into the first */
  readonly closed?: boolean;
  /** a tape: width and thickness, and the direction across it, x y z per point */
  readonly tape?: { readonly width: number; readonly thickness: number; readonly across: readonly number[] };
}

export interface BakedShape extends BakedRope {
  /** the second rope of a joint */
  readonly second?: BakedRope;
  /** points that the eye, drawn to size, has more (or fewer) than nodes: they lie between the legs' far ends */
  readonly eyeGrown?: number;
  /** the same of the other eye, where there are two */
  readonly secondEyeGrown?: number;
  /** drawn up: what it is tied to */
  readonly objects?: readonly ShapeComponent[];
}

/** What the laid form became when it was drawn up. */
export interface DrawnUp {
  readonly dressed: BakedShape;
  readonly tight: BakedShape;
  /** rope between first and last contact, the eye left out, diameters */
  readonly inKnot_ropeDiameters: Range;
  /** the part of it between the standing part and the eye: the turns tied first */
  readonly inKnotStandingSide_ropeDiameters: Range;
  /** a string round it, across its axis */
  readonly girth_ropeDiameters: Range;
  /** largest width of the tight knot across its axis, diameters */
  readonly width_ropeDiameters: Range;
  readonly length_ropeDiameters: Range;
  /** of a knot that is placed as it was drawn up: half its width and height in the picture, diameters */
  readonly reach_ropeDiameters?: readonly [number, number];
  readonly smallestDistance_ropeDiameters: number;
  readonly smallestDistanceEver_ropeDiameters: number;
}

export interface BakedForm {
  readonly laid: BakedShape;
  readonly laidDistance_ropeDiameters: number;
  /** how the laid form was turned so that every crossing can be read: seen along z it then can */
  readonly laidView: LaidView;
  /** what it is tied to, beside the laid form */
  readonly objects: readonly ShapeComponent[];
  /** the end hangs free and never came back into the knot: there is no eye */
  readonly openEnd?: boolean;
  /** its author says how it lies in every state: no solver took part */
  readonly composed?: boolean;
  readonly set: DrawnUp;
}

/** A form in a state. */
export const inState = (form: BakedForm, state: ShapeState): BakedShape =>
  state === 'laid' ? form.laid : form.set[state];

export interface BakedKnot {
  readonly inputHash: string;
  readonly forms: Readonly<Record<string, BakedForm>>;
}

/** One step of a way: how far the end has come along its laid path, or a state of the whole knot. */
export interface Step {
  /** how many crossings of the laid path the end has made; or the finished knot in a state */
  readonly upTo: number | ShapeState;
  readonly caption: string;
  readonly hands: { readonly left: string; readonly right: string };
  readonly moving: string;
}

export interface CatalogueKnot {
  readonly entry: KnotEntry;
  readonly baked: BakedKnot;
  readonly ways: Readonly<Record<string, readonly Step[]>>;
}

/** The points of a stored shape. */
export const pointsOf = (rope: BakedRope): Point3[] => triples(rope.xyz);

/** Points of a run of x, y, z. */
export function triples(xyz: readonly number[]): Point3[] {
  return Array.from({ length: xyz.length / 3 }, (_, i): Point3 => [xyz[3 * i]!, xyz[3 * i + 1]!, xyz[3 * i + 2]!]);
}

/** The ropes of a shape as lines, the first first. */
export const linesOf = (shape: BakedShape): Line3[] =>
  [shape, ...(shape.second ? [shape.second] : [])].map((rope) => ({
    points: pointsOf(rope),
    closed: rope.closed ?? false,
  }));
