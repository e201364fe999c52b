import type { AllowedForms } from '../../shape/allowed';

/** What its forms have otherwise than others, and why. */
export const allowed: AllowedForms = {
  'half-hitch-misplaced': { closeOnTheWay: 'it begins where one strand was lifted past another' },
};
