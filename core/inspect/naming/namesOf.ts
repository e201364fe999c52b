import { identify } from './identify';
import type { Entered } from './specimen';

/** What a shape is by all its figures can say: the forms it matches; where they leave several open, all of those. */
export function namesOf(
  components: readonly Entered[],
): { readonly knot: string; readonly fault: string | null; readonly relation: 'same' | 'mirror' }[] {
  const { matches, undecided } = identify(components);
  return matches.length > 0
    ? [...matches]
    : undecided.flatMap((u) => u.between.map((n) => ({ ...n, relation: 'same' as const })));
}
