/**
 * Butterfly rewoven through a closed ring, by the butterfly's twist, because the finished forms are one: the finished knot is the butterfly, its eye through the ring. Its
 * path is the twist's, which is already one overhand on the standing side and one on the other: the
 * first is tied before the ring is threaded, the second is what reweaving adds.
 */
import { butterflyByTwist } from '../alpine-butterfly/twist';
import { asItLies } from '../../laying/as-it-lies';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import { crossingsReversed } from '../../laying/operations';
import { ringIn } from '../../shape/objects';

/** The butterfly's laid form, its ring in the eye. */
const threaded = (laid: LaidKnot): LaidKnot => ({ ...laid, objects: [ringIn(laid.points[laid.eyeNode!]!, 3.2)] });

export const forms = {
  right: () => threaded(butterflyByTwist(1)),
  // of these faults many forms are possible; each here is one, a crossing reversed
  'overhand-turned': () => asItLies(crossingsReversed(threaded(butterflyByTwist(1)), [1])),
  'strand-between-legs': () => crossingsReversed(threaded(butterflyByTwist(1)), [4]),
  'loop-open': () => crossingsReversed(threaded(butterflyByTwist(1)), [12]),
} satisfies LaidForms;
