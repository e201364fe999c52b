import type { AllowedForms } from '../../shape/allowed';

/** What its forms have otherwise than others, and why. */
export const allowed: AllowedForms = {
  'tail-from-wrong-side': {
    narrow: 'a wrong form, laid where the right one runs: still to be spread',
    closeOnTheWay: 'it begins where one strand was lifted past another',
  },
};
