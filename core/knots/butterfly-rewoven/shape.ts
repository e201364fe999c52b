/**
 * Butterfly rewoven through a closed ring, by the butterfly's twist, because the finished forms are one: the finished knot is the butterfly, its eye through the ring. Its
 * path is the twist's, which is already one overhand on the standing side and one on the other: the
 * first is tied before the ring is threaded, the second is what reweaving adds.
 */
import { butterflyByTwist } from '../alpine-butterfly/twist';
import type { LaidForms } from '../laid';
import { ringIn } from '../objects';

export const forms = {
  right: () => {
    const laid = butterflyByTwist(1);
    return { ...laid, objects: [ringIn(laid.points[laid.eyeNode!]!, 3.2)] };
  },
} satisfies LaidForms;
