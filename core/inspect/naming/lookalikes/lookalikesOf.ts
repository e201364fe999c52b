/** Look-alikes of a knot, as they were computed when its shapes were baked. */
import { found } from './found';
import type { Lookalike } from './lookalike';

export type { Lookalike };

/** Its own wrong forms first, then other knots, then wrong forms of those. */
export function lookalikesOf(knot: string): readonly Lookalike[] {
  const rank = (l: Lookalike) => (l.knot === knot ? 0 : l.fault === null ? 1 : 2);
  return (found[knot] ?? []).slice().sort((a, b) => rank(a) - rank(b));
}
