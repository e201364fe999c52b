/** A job: what the knot is for, on which rope, pulled how, untied when, checked by whom. */
import type { ObjectKind, Pull, Purpose } from '../knots/facts/types';

export { PURPOSES } from '../knots/facts/uses';
export const PULLS = [
  'standing-eye',
  'tail-eye',
  'through',
  'cross',
  'ring',
  'all',
  'up',
  'down',
] as const satisfies readonly Pull[];
export const ROPE_KINDS = [
  'dynamic',
  'low-stretch',
  'accessory-cord',
  'high-modulus-cord',
  'webbing',
  'hollow-braid',
] as const;
export const OBJECTS = [
  'clip',
  'closed-ring',
  'post',
  'harness',
  'rope',
  'none',
] as const satisfies readonly ObjectKind[];
export const UNTYING_WISHES = ['any', 'by-hand-after-load', 'after-hard-falls', 'under-load'] as const;
export const MUST_PASS = ['edge', 'standard-eight', 'large-eight', 'pulley', 'tube', 'autolock', 'ring'] as const;
/** Joints that close a loop of cord or tape. */
export const LOOP_JOINTS = ['double-fishermans', 'triple-fishermans', 'figure-eight-bend', 'water-knot'] as const;
export const TEAMS = ['anyone', 'trained'] as const;

export interface JobRope {
  readonly kind: (typeof ROPE_KINDS)[number];
  readonly diameter_mm: number;
}

export interface Job {
  readonly purpose: Purpose;
  /** id or id@version */
  readonly profile: string;
  readonly rope: JobRope;
  readonly second_rope?: JobRope | null | undefined;
  /** every pull that may ever come, at least one */
  readonly pulls: readonly Pull[];
  readonly object: (typeof OBJECTS)[number];
  /** how many thicknesses of this rope go through the object */
  readonly fits_thicknesses?: number | undefined;
  readonly end_free: boolean;
  readonly untie: (typeof UNTYING_WISHES)[number];
  readonly must_pass: readonly (typeof MUST_PASS)[number][];
  readonly team: (typeof TEAMS)[number];
  readonly life_load: boolean;
}
