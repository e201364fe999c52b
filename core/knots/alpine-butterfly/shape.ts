/** Alpine butterfly by the twist, a motion written down in space (twist.ts); wound on the hand it is the same knot (wound.ts). */
import type { LaidForms } from '../laid';
import { butterflyByTwist } from './twist';

export const forms = {
  right: () => butterflyByTwist(1),
  'false-butterfly': () => butterflyByTwist(-1),
} satisfies LaidForms;
