/** Look-alikes of a knot, as they were computed when its shapes were baked. */
import { found } from './foundLookalikes';
import type { Lookalike } from './lookalike';

export type { Lookalike };

/** Wrong forms first. */
export const lookalikesOf = (knot: string): readonly Lookalike[] => (found[knot] ?? []).slice().sort((a, b) => Number(a.fault === null) - Number(b.fault === null));
