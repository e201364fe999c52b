/**
 * Alpine butterfly by the twist, a tying motion written down in space (twist.ts): so that the false one is the same
 * motion with one sign changed. Wound on the hand it is the same knot (wound.ts, which shares nothing with it).
 */
import { asItLies } from '../../laying/as-it-lies';
import type { LaidForms } from '../../shape/laid';
import { butterflyByTwist } from './twist';

export const forms = {
  right: () => butterflyByTwist(1),
  'false-butterfly': () => butterflyByTwist(-1),
  'eye-pulled-through': () => asItLies(butterflyByTwist(1, false)),
} satisfies LaidForms;
