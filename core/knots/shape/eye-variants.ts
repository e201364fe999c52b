/** Faults that change one measure of a finished shape and nothing else: the eye drawn out. */
import type { LaidForms } from './laid';
import type { Presentation } from './presentation';

/** Depth of the eye in the fault eye-too-large, in rope diameters beyond the right one. */
export const LARGE_EYE_EXTRA_ROPE_DIAMETERS = 11;

export interface FormToBake {
  readonly name: string;
  readonly make: LaidForms[string];
  readonly presentation: Presentation;
  /** measured over set force and friction too */
  readonly spread: boolean;
}

/**
 * The laid forms of a knot, and its right form with a large eye where that is one of its faults.
 * @param faults ids of the knot's faults
 */
export function formsToBake(forms: LaidForms, presentation: Presentation, faults: readonly string[]): FormToBake[] {
  const { inForm, ...usual } = { inForm: undefined, ...presentation };
  const own = Object.entries(forms).map(([name, make]) => ({
    name,
    make,
    presentation: { ...usual, ...inForm?.[name] } as Presentation,
    spread: name === 'right',
  }));
  if (!('eye_ropeDiameters' in presentation) || !faults.includes('eye-too-large')) return own;
  return [
    ...own,
    {
      name: 'eye-too-large',
      make: forms['right']!,
      presentation: {
        ...presentation,
        eye_ropeDiameters: presentation.eye_ropeDiameters + LARGE_EYE_EXTRA_ROPE_DIAMETERS,
      },
      spread: false,
    },
  ];
}
