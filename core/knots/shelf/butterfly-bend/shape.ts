/**
 * Butterfly bend: the alpine butterfly of the twist (../alpine-butterfly/twist.ts) cut at the far point of its eye, the eye's legs now two tails. Cut from the
 * butterfly wound on the hand it is the same joint (second-derivation.ts).
 */
import type { LaidForms } from '../../shape/laid';
import { butterflyByTwist } from '../alpine-butterfly/twist';
import { cutAtTheEye } from './cut';

export const forms = {
  right: () => cutAtTheEye(butterflyByTwist(1)),
  'false-butterfly': () => cutAtTheEye(butterflyByTwist(-1)),
} satisfies LaidForms;
