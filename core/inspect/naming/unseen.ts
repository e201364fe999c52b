/** Faults that no figure sees, and what of a foreign drawing can be said where a knot has one. */
import { ONE_FORM, type Form, type Name } from './forms';
import type { Prepared } from './figures/formFigures';
import { pairsOf } from './pairs';
import { knownForms } from './known';
import type { Candidate } from './candidates';

/** What hangs in a loop of the tail instead of the eye: a ring, wherever it lies. */
const CLIPPED = 'false-eye-clipped';
/** Faults by which strands, wraps or a tape lie otherwise, or by which it is another loop that something hangs in: no figure sees them. */
const UNSEEN: readonly string[] = [
  'pair-crossed',
  'pair-twisted',
  'strands-crossed',
  'crossed-wraps',
  'tape-twisted',
  CLIPPED,
];

/** of these the ones that can be seen where pairs are laid out flat */
const PAIRED: readonly string[] = ['pair-crossed', 'pair-twisted'];

const isUnseen = (name: Name): boolean => name.fault !== null && UNSEEN.includes(name.fault);

/** Whether two forms belong to one knot, or to knots that one shape may be. */
const akin = (a: Form, b: Form): boolean =>
  a.knot === b.knot || ONE_FORM.some((o) => o.forms.includes(a.id) && o.forms.some((f) => f.startsWith(`${b.knot}/`)));

/** Candidates, where some are told apart from others by no figure: without those, and with whatever has the same figures and no such fault. */
export function withRightOnes(some: readonly Candidate[], all: readonly Candidate[]): readonly Candidate[] {
  const seen = (c: Candidate) => !c.known.form.names.some(isUnseen);
  const right = all.filter(
    (c) => seen(c) && some.some((d) => d === c || (!seen(d) && akin(d.known.form, c.known.form))),
  );
  return right.length > 0 ? right : some;
}

/**
 * Wrong forms that a foreign drawing may be as well, though no figure of it says so: where a knot has a fault that figures do not see, the
 * drawing has to show that it is not there. That can be read only where pairs are laid out flat beside each other; then there are none. Whether
 * that a pair crosses can be read is never certain, so that it does is never said of a drawing that does not lie as the stored form.
 */
export function perhapsAsWell(alike: readonly Candidate[], p: Prepared): Name[] {
  const unseen = knownForms().filter(
    (k) =>
      k.form.names.some((n) => isUnseen(n) && (n.fault !== CLIPPED || p.laid.rings.length > 0)) &&
      alike.some((c) => akin(c.known.form, k.form)),
  );
  if (unseen.length === 0 || alike.every((c) => c.known.form.names.some(isUnseen))) return [];
  const byPairs = unseen.every(
    (k) => k.form.names.filter(isUnseen).every((n) => PAIRED.includes(n.fault!)) && k.pairs === 'crossed',
  );
  if (byPairs && pairsOf(p.template.gauges) === 'parallel') return [];
  return unseen.flatMap((k) => k.form.names);
}

/** What would tell forms apart that both fit about as well. */
export function decidedBy(names: readonly Name[]): string {
  const has = (...faults: readonly string[]) => names.some((n) => n.fault !== null && faults.includes(n.fault));
  if (has('other-ends-loaded')) return 'which end is loaded';
  if (has('pair-crossed', 'pair-twisted', 'strands-crossed'))
    return 'whether the strands of each pair lie side by side all the way';
  if (has('gate-to-brake')) return 'on which side the gate lies';
  if (has('tape-twisted')) return 'whether the tapes lie flat on each other all the way';
  if (has(CLIPPED)) return 'in which loop it is clipped';
  if (has('crossed-wraps')) return 'whether every wrap lies beside the next';
  return 'how the strands lie beside each other';
}
