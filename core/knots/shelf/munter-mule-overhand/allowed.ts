import type { AllowedForms } from '../../shape/allowed';

/** What its forms have otherwise than others, and why. */
export const allowed: AllowedForms = {
  'slip-not-caught': { narrow: 'a wrong form, laid where the right one runs: still to be spread' },
  'overhand-missing': { narrow: 'a wrong form, laid where the right one runs: still to be spread' },
};
