/**
 * Finding a knot by any of its usual names. Where one name stands for several knots the search asks which
 * is meant; it never takes the likeliest. Typing on narrows by the words begun.
 */
import { FAMILIES, type Family } from './types';

export interface Meaning {
  /** what the name stands for here, in words */
  readonly means: string;
  /** a catalogue knot, or null where it is not in the catalogue yet */
  readonly knot: string | null;
}

export interface AmbiguousName {
  /** the ways of saying it, normalised */
  readonly said: readonly string[];
  readonly meanings: readonly Meaning[];
}

const AN_END = 'a stopper at an end';
const STOPPERS: readonly Meaning[] = [
  { means: `${AN_END}, small`, knot: 'overhand-stopper' },
  { means: `${AN_END}, two turns`, knot: 'double-overhand-stopper' },
  { means: `${AN_END}, a figure-eight`, knot: 'figure-eight-stopper' },
  { means: `${AN_END}, a figure-nine`, knot: 'figure-nine-stopper' },
  { means: `${AN_END}, three lobes`, knot: 'trefoil-stopper' },
  { means: 'round the standing part, butted up behind a tie-in', knot: 'tie-in-stopper' },
  { means: 'round both strands behind a tie-in', knot: 'two-strand-backup' },
];

/** Names that stand for several knots; source: practice. */
export const AMBIGUOUS: readonly AmbiguousName[] = [
  {
    said: ['double overhand'],
    meanings: [
      { means: 'a stopper at an end, two turns', knot: 'double-overhand-stopper' },
      { means: 'a noose with two turns', knot: 'barrel-noose' },
      { means: 'a joint of two ropes, each end round both (double fisherman’s)', knot: 'double-fishermans' },
      { means: 'a flat joint with one more wrap (offset)', knot: 'offset-double-overhand' },
    ],
  },
  {
    said: ['double eight', 'double figure eight'],
    meanings: [
      { means: 'an eight tied on a bight: two strands all through', knot: 'figure-eight-on-bight' },
      { means: 'a loop with two eyes', knot: 'double-figure-eight-loop' },
    ],
  },
  {
    said: ['barrel'],
    meanings: [
      { means: 'a stopper at an end', knot: 'double-overhand-stopper' },
      { means: 'a noose that slides shut on its object', knot: 'barrel-noose' },
    ],
  },
  {
    said: ['overhand bend'],
    meanings: [
      { means: 'a tape knot, one end retracing the other', knot: 'water-knot' },
      { means: 'a flat joint, both ends in one overhand', knot: 'offset-overhand' },
    ],
  },
  {
    said: ['follow through', 'rethreaded eight', 'traced eight', 'retraced eight'],
    meanings: [
      { means: 'a loop: the end follows its own eight back', knot: 'figure-eight-follow-through' },
      { means: 'a joint: another rope’s end follows the eight', knot: 'figure-eight-bend' },
      { means: 'a butterfly rewoven through a ring', knot: 'butterfly-rewoven' },
    ],
  },
  { said: ['stopper', 'safety', 'backup', 'back up'], meanings: STOPPERS },
  {
    said: ['bunny', 'bunny ears', 'ears', 'rabbit', 'rabbit ears'],
    meanings: [
      { means: 'a loop with two eyes, an eight', knot: 'double-figure-eight-loop' },
      { means: 'a loop with two eyes, a bowline', knot: 'bowline-on-bight' },
    ],
  },
];

/** Lower case, no accents or marks, one spelling of what is written several ways. */
export function normalised(text: string): string {
  return text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[’'`]/g, '')
    .replace(/[^a-z0-9]+/g, ' ')
    .replace(/\bfigure of\b/g, 'figure')
    .replace(/\bfig\b/g, 'figure')
    .replace(/\b8\b/g, 'eight')
    .replace(/\b9\b/g, 'nine')
    .replace(/\b2\b/g, 'two')
    .replace(/\bback up\b/g, 'backup')
    .trim();
}

const FILLING = new Set(['a', 'an', 'the', 'knot', 'knots', 'on', 'of', 'with', 'in']);
const wordsOf = (text: string): string[] =>
  normalised(text)
    .split(' ')
    .filter((w) => w !== '' && !FILLING.has(w));

/** The question to ask where a name stands for several knots; null where it does not. */
export function ambiguity(text: string): AmbiguousName | null {
  const asked = wordsOf(text).join(' ');
  return asked === '' ? null : (AMBIGUOUS.find((a) => a.said.some((s) => wordsOf(s).join(' ') === asked)) ?? null);
}

export interface Found {
  /** ids of the knots that match, in the order given */
  readonly knots: readonly string[];
  /** what to ask, where the name stands for several */
  readonly ask: AmbiguousName | null;
}

/**
 * @param entries what to look in: the usual names, the family and its word are looked at
 * @param text as typed; empty finds everything
 */
export function searchKnots(
  entries: readonly { readonly id: string; readonly names: readonly string[]; readonly family: Family }[],
  text: string,
): Found {
  const asked = wordsOf(text);
  const ask = ambiguity(text);
  const named = new Set(ask?.meanings.flatMap((m) => (m.knot ? [m.knot] : [])));
  const knots = entries
    .filter((e) => {
      if (asked.length === 0 || named.has(e.id)) return true;
      const words = [...e.names, e.id, FAMILIES[e.family]].map((name) => normalised(name).split(' '));
      return words.some((name) => asked.every((w) => name.some((n) => n.startsWith(w))));
    })
    .map((e) => e.id);
  return { knots, ask };
}
