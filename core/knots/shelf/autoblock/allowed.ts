import type { AllowedForms } from '../../shape/allowed';

/** What its forms have otherwise than others, and why. */
export const allowed: AllowedForms = {
  'one-wrap-short': { narrow: 'a wrong form, laid where the right one runs: still to be spread' },
  'crossed-wraps': { narrow: 'a wrong form, laid where the right one runs: still to be spread' },
};
