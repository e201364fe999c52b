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

/** A device by its kind, one of those that are to be passed or any other word, and its opening as it was measured. */
export interface JobDevice {
  readonly kind: string;
  readonly opening_mm: number;
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
  /** a stopper will be tied behind it, where one can be */
  readonly stopper_behind?: boolean | undefined;
  /** it has to be adjusted where it hangs */
  readonly adjustable?: boolean | undefined;
  /** it may be set in haste, unevenly: how it comes undone then counts */
  readonly set_unevenly?: boolean | undefined;
  /** the rope is stiff: that too decides how hard a knot is to undo */
  readonly stiff_rope?: boolean | undefined;
  /** what it has to stop at, or to pass, by the opening that was measured */
  readonly devices?: readonly JobDevice[] | undefined;
}
