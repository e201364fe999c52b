/**
 * Double fisherman's: two barrels of one hand, each rope winding round the other and itself, laid a little apart on one axis
 * and slid together. Wound, because the number of turns then is one figure (triple-fishermans has three).
 */
import type { LaidForms } from '../../shape/laid';
import { fishermans } from '../../laying/fishermans';

export const forms = {
  right: () => fishermans(2),
  'one-wrap-short': () => fishermans(2, { short: true }),
  'not-tucked': () => fishermans(2, { underOneOnly: true }),
  'coils-opposite': () => fishermans(2, { opposite: true }),
} satisfies LaidForms;
