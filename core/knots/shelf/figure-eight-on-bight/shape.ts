/** Figure-eight on a bight: the flat single path doubled by offset, because a pair then is parallel by construction; the strands joined in the eye. */
import type { LaidForms } from '../../shape/laid';
import { tiedOnBight } from '../../laying/on-bight';
import { EIGHT } from '../../laying/single-paths';

const SCALE = 1.4;

export const forms = {
  right: () => tiedOnBight(EIGHT, SCALE),
  'pair-twisted': () => tiedOnBight(EIGHT, SCALE, [-3.8, -4.6]),
} satisfies LaidForms;
