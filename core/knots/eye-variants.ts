/** Faults that change one measure of a finished shape and nothing else: the eye drawn out. */
import type { LaidForms } from './laid';
import type { Presentation } from './baking';

/** Depth of the eye in the fault eye-too-large, in rope diameters beyond the right one. */
export const LARGE_EYE_EXTRA_ROPE_DIAMETERS = 11;

export interface FormToBake {
  readonly name: string;
  readonly make: LaidForms[string];
  readonly presentation: Presentation | null;
}

/** The laid forms of a knot, and, where it is drawn up, its right form with a large eye. */
export function formsToBake(forms: LaidForms, presentation: Presentation | null): FormToBake[] {
  const own = Object.entries(forms).map(([name, make]) => ({ name, make, presentation }));
  if (!presentation) return own;
  const right = forms['right']!;
  return [...own, { name: 'eye-too-large', make: right, presentation: { ...presentation, eye_ropeDiameters: presentation.eye_ropeDiameters + LARGE_EYE_EXTRA_ROPE_DIAMETERS } }];
}
