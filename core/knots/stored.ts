/** Stored shapes of a knot and the steps of its ways: plain data, made by baking, read by the catalogue. */
import type { Point3 } from '../curve';
import type { KnotEntry } from './types';

export const STATES = ['laid', 'dressed', 'tight'] as const;
export type ShapeState = (typeof STATES)[number];

/** Marks by point index, as the public shape carries them. */
export interface ShapeMarks {
  readonly standing: readonly [number, number];
  readonly tail: readonly [number, number];
  readonly eye: number;
}

export interface BakedShape {
  /** x, y, z per point, rope diameters, rounded to 1e-4 */
  readonly xyz: readonly number[];
  readonly marks: ShapeMarks;
  /** index of the solver's node that point 0 is */
  readonly firstNode: number;
}

export interface BakedForm {
  readonly laid: BakedShape;
  readonly dressed: BakedShape;
  readonly tight: BakedShape;
  /** rope between first and last contact, the eye left out, diameters, tight */
  readonly inKnot_ropeDiameters: number;
  /** the part of it between the standing part and the eye: the turns tied first */
  readonly inKnotStandingSide_ropeDiameters: number;
  /** the same as inKnot, loosely set, diameters: the upper end of the range */
  readonly inKnotLoose_ropeDiameters: number;
  /** largest width of the tight knot across its axis, diameters */
  readonly width_ropeDiameters: number;
  readonly length_ropeDiameters: number;
  readonly laidDistance_ropeDiameters: number;
  readonly smallestDistance_ropeDiameters: number;
  readonly smallestDistanceEver_ropeDiameters: number;
}

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
export function pointsOf(shape: BakedShape): Point3[] {
  return Array.from({ length: shape.xyz.length / 3 }, (_, i): Point3 => [shape.xyz[3 * i]!, shape.xyz[3 * i + 1]!, shape.xyz[3 * i + 2]!]);
}
