/**
 * What a knot does under a pull. It is never derived, neither from its form nor from the solver: it is read from the
 * entry, with its source; where the entry says nothing the answer is "not known".
 */
import type { Grade, KnotEntry, Pull, Source } from './types';

export type Behaviour =
  | { readonly grade: Grade; readonly condition: string; readonly what_happens: string; readonly source: Source }
  | { readonly grade: 'not-known'; readonly condition: ''; readonly what_happens: 'not known'; readonly source: null };

const NOT_KNOWN: Behaviour = { grade: 'not-known', condition: '', what_happens: 'not known', source: null };

/** Whether the rope goes on beyond the knot on both sides, so that it has no tail: loops in its middle, and hitches made without a free end. */
export const goesOn = (entry: Pick<KnotEntry, 'family' | 'needs'>): boolean =>
  entry.family === 'midline' || (!entry.needs.free_end && (entry.family === 'hitch' || entry.family === 'friction'));

export const behaviour = (entry: KnotEntry, pull: Pull): Behaviour =>
  entry.pulls.find((p) => p.pull === pull) ?? NOT_KNOWN;
