import type { AllowedForms } from '../../shape/allowed';

/** What its forms have otherwise than others, and why. */
export const allowed: AllowedForms = {
  'crossed-wraps': {
    bentEnds: 'wraps that cross lift an end out of its line',
    endsPart: 'its ends lie otherwise when it is drawn up',
  },
};
