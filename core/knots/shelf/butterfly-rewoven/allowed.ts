import type { AllowedForms } from '../../shape/allowed';

/** What its forms have otherwise than others, and why. */
export const allowed: AllowedForms = {
  'strand-between-legs': {
    narrow: 'a wrong form, laid where the right one runs: still to be spread',
    closeOnTheWay: 'it begins where one strand was lifted past another',
  },
  'loop-open': { closeOnTheWay: 'it begins where one strand was lifted past another' },
};
