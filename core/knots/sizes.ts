/** From a stored form's unit to millimetres: a rope is told by its diameter, a tape by its width. */
import type { KnotEntry } from './types';
import type { BakedForm } from './stored';

/** Width of the usual tape, mm: general. */
export const USUAL_TAPE_MM = 25;

/** The unit of a form in units of what it is told by: 1 for rope; for tape, stored by its thickness, the share of its width. */
export const unitOfAcross = (form: BakedForm): number => 1 / (form.set.tight.tape?.width ?? 1);

/** Millimetres of a form's unit. @param across_mm diameter of the rope, or width of the tape */
export const unit_mm = (form: BakedForm, across_mm: number): number => across_mm * unitOfAcross(form);

/** What a knot is tied in, mm across: the rope of the job, but for a knot in tape alone the usual tape, if the rope is none. */
export const across_mm = ({ tape }: Pick<KnotEntry, 'tape'>, rope: { readonly kind: string; readonly diameter_mm: number }): number =>
  tape === 'only' && rope.kind !== 'webbing' ? USUAL_TAPE_MM : rope.diameter_mm;

/** What of the rope that length says, for people. */
export const acrossText = ({ tape }: Pick<KnotEntry, 'tape'>, mm: number): string => (tape === 'only' ? `${mm} mm tape` : `${mm} mm`);
