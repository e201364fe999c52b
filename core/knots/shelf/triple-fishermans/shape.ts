/** Triple fisherman's: the double one's barrels with three turns each. */
import type { LaidForms } from '../../shape/laid';
import { fishermans } from '../../laying/fishermans';

export const forms = {
  right: () => fishermans(3),
  'one-wrap-short': () => fishermans(3, { short: true }),
  'not-tucked': () => fishermans(3, { underOneOnly: true }),
  'coils-opposite': () => fishermans(3, { opposite: true }),
} satisfies LaidForms;
