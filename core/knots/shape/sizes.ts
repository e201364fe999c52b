/** From a stored form's unit to millimetres: a rope is told by its diameter, a tape by its width. */
import type { KnotEntry } from '../facts/types';
import type { BakedForm } from './stored';

/** Width of the usual tape, mm: general. */
export const USUAL_TAPE_MM = 25;

/** The unit of a form in units of what it is told by: 1 for rope; for tape, stored by its thickness, the share of its width. */
export const unitOfAcross = (form: BakedForm): number => 1 / (form.set.tight.tape?.width ?? 1);

/** Millimetres of a form's unit. @param across_mm diameter of the rope, or width of the tape */
export const unit_mm = (form: BakedForm, across_mm: number): number => across_mm * unitOfAcross(form);

/** Cord of a friction hitch, of the diameter of the rope it grips: where one school's band begins, and another's "somewhat above one half" still holds (practice). */
export const CORD_SHARE = 0.65;

type Told = Pick<KnotEntry, 'tape' | 'family'>;

/**
 * What a knot is tied in, mm across: the rope of the job; but a knot in tape alone in the usual tape, where the rope is none, and a friction
 * hitch in a cord (to half a millimetre) that suits the rope, where the rope is no cord.
 */
export function across_mm(
  { tape, family }: Told,
  rope: { readonly kind: string; readonly diameter_mm: number },
): number {
  if (tape === 'only' && rope.kind !== 'webbing') return USUAL_TAPE_MM;
  if (family === 'friction' && rope.kind !== 'accessory-cord')
    return Math.max(2, Math.round(2 * CORD_SHARE * rope.diameter_mm) / 2);
  return rope.diameter_mm;
}

/** What of the rope that length says, for people. */
export const acrossText = ({ tape, family }: Told, mm: number): string =>
  tape === 'only' ? `${mm} mm tape` : family === 'friction' ? `${mm} mm cord` : `${mm} mm`;
