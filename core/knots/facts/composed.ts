/** Knots with another one tied to them, as forms of the catalogue: which entry stands for the two together, and its forms by their faults. */
import type { FaultId } from './faultTable';
import type { Companion } from './uses';

const COMPOSED: Readonly<Record<string, Readonly<Partial<Record<Companion, string>>>>> = {
  'figure-eight-follow-through': { 'stopper-behind': 'tie-in-stopper', 'two-strand-backup': 'two-strand-backup' },
};
/** Loops whose tail goes on into one behind them: round the standing part, or where it leaves into the eye round that leg. */
const BEHIND: readonly string[] = [
  'figure-eight-on-bight',
  'figure-nine-on-bight',
  'overhand-on-bight',
  'bowline',
  'bowline-locked',
  'bowline-yosemite',
  'double-bowline',
];
/** Knots that are pictured with another one tied to them in one rope: the catalogue's form led on into that. */
const JOINED: Readonly<Partial<Record<Companion, readonly string[]>>> = {
  'stopper-in-tag': ['overhand-on-bight', 'figure-eight-on-bight', 'barrel-noose', 'buntline-hitch'],
  'stopper-behind': BEHIND,
  'two-strand-backup': BEHIND,
  'backed-both-sides': ['water-knot', 'figure-eight-bend'],
};
/** Whether a knot with a companion is the catalogue's form led on, rather than an entry of its own. */
export const isJoined = (knot: string, companion: Companion): boolean => JOINED[companion]?.includes(knot) ?? false;

/** What can be wrong with a companion of a joined form, as shapes; without it the knot stands alone. */
export const FAULTS_OF_JOINED: Readonly<Record<Companion, readonly FaultId[]>> = {
  'stopper-in-tag': ['stopper-missing', 'stopper-gap'],
  'stopper-behind': ['stopper-missing', 'stopper-gap', 'stopper-wrong-strand'],
  'two-strand-backup': ['stopper-missing', 'stopper-gap', 'stopper-wrong-strand'],
  'backed-both-sides': ['stopper-missing', 'stopper-gap', 'backup-one-side'],
  'half-hitch-behind': [],
  'overhand-behind': [],
};

/** The form that shows a companion's fault, where it is not called like the fault. */
const FORM_OF: Readonly<Partial<Record<FaultId, string>>> = { 'stopper-wrong-strand': 'stopper-wrong-face' };

/** The entry and form of a knot with a companion; null where none is stored. */
export function composedOf(
  knot: string,
  companion: Companion,
  fault?: FaultId,
): { readonly knot: string; readonly form: string } | null {
  const of = COMPOSED[knot]?.[companion];
  if (!of) return null;
  // without it the knot stands alone
  if (fault === 'stopper-missing') return { knot, form: 'right' };
  return { knot: of, form: fault === undefined ? 'right' : (FORM_OF[fault] ?? fault) };
}
