import type { AllowedForms } from '../../shape/allowed';

/** What its forms have otherwise than others, and why. */
export const allowed: AllowedForms = {
  right: { endsPart: 'its ends lie otherwise when it is drawn up' },
  'one-wrap-short': { endsPart: 'its ends lie otherwise when it is drawn up' },
  'not-tucked': {
    closeOnTheWay: 'it begins where one strand was lifted past another',
    fallsApart: 'the second rope’s end is loose: led away from the knot it closes one way or another',
  },
};
