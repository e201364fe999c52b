import type { AllowedForms } from '../../shape/allowed';

/** What its forms have otherwise than others, and why. */
export const allowed: AllowedForms = {
  right: { endsPart: 'its ends lie otherwise when it is drawn up' },
};
