import type { AllowedForms } from '../../shape/allowed';

/** What its forms have otherwise than others, and why. */
export const allowed: AllowedForms = {
  'offset-eight': { endsPart: 'its ends lie otherwise when it is drawn up' },
  'pair-crossed': { endsPart: 'its ends lie otherwise when it is drawn up' },
};
