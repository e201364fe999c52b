import type { KnotReply, ShapeQuestion } from '../../store/api';

export const tieIn = (knot: KnotReply) => knot.purposes.includes('tie-in');

/** What hangs in the eye in the large picture; some knots bring their own. */
export function objectOf(knot: KnotReply): ShapeQuestion['object'] {
  if (tieIn(knot)) return 'ring';
  return knot.family === 'end-loop' && knot.tied_to === null ? 'clip' : undefined;
}
