/**
 * Figure-nine on a bight: the flat single path doubled by offset, because a pair then is parallel by construction; the
 * strands joined in the eye. second-derivation.ts winds the same knot in space.
 */
import type { LaidForms } from '../../shape/laid';
import { tiedOnBight } from '../../laying/on-bight';
import { NINE } from '../../laying/single-paths';

const SCALE = 1.45;

export const forms = {
  right: () => tiedOnBight(NINE, SCALE),
  'pair-twisted': () => tiedOnBight(NINE, SCALE, [-3.6, -10.4]),
} satisfies LaidForms;
