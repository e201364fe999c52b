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
    said: ['double fisherman', 'double fishermans'],
    meanings: [
      { means: 'a joint of two ropes, each end round both', knot: 'double-fishermans' },
      { means: 'a noose, the same turns round its own strand', knot: 'barrel-noose' },
    ],
  },
  {
    said: ['half fisherman', 'half fishermans', 'half double fisherman', 'half double fishermans'],
    meanings: [
      { means: 'a noose that slides shut on its object', knot: 'barrel-noose' },
      { means: 'a stopper, two turns', knot: 'double-overhand-stopper' },
    ],
  },
  {
    said: ['fishermans bend', 'fisherman bend'],
    meanings: [
      { means: 'a joint of two ropes, each end twice round both', knot: 'double-fishermans' },
      { means: 'a joint of two ropes, each end three times round both', knot: 'triple-fishermans' },
      { means: 'a hitch to a ring, a round turn and the end under it', knot: null },
    ],
  },
  {
    said: ['post eye', 'post eye tiable', 'posteye'],
    meanings: [
      { means: 'tied wholly after the end went through, with a lock', knot: 'bowline-locked' },
      { means: 'tied wholly after the end went through, two turns', knot: 'double-bowline' },
      { means: 'tied wholly after the end went through', knot: 'bowline' },
      { means: 'tied wholly after the end went through, the tail finished upward', knot: 'bowline-yosemite' },
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

/**
 * Names that find a knot and are not its own here: said elsewhere, or with a person's or a people's name in them. They lead to the knot by the name
 * that it has. General.
 */
const ALSO_FOUND_BY: Readonly<Record<string, readonly string[]>> = {
  autoblock: ['French prusik'],
  'butterfly-rewoven': ['rewoven alpine butterfly', 'rethreaded alpine butterfly'],
  'double-fishermans': ['double fisherman’s bend'],
  'girth-hitch': ['lark’s head'],
  'offset-overhand': ['European death knot', 'EDK'],
  prusik: ['classic prusik', 'prusik loop', 'three-wrap prusik', 'four-wrap prusik'],
  'tension-free-hitch': ['tensionless hitch'],
  'triple-fishermans': ['triple fisherman’s bend'],
};
/** Other words for a fault. General. */
const FAULT_ALSO_CALLED: readonly { readonly knot: string; readonly fault: string; readonly said: string }[] = [
  { knot: 'alpine-butterfly', fault: 'false-butterfly', said: 'dragonfly' },
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
    .replace(/\bpruss?i(c|k|ck)\b/g, 'prusik')
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

/** What is looked in: of a knot its usual names, its family and its word; faults and ways where they are given. */
export interface Searched {
  readonly id: string;
  readonly names: readonly string[];
  readonly family: Family;
  readonly faults?: readonly { readonly id: string; readonly name: string }[];
  readonly ways?: readonly { readonly id: string; readonly name: string }[];
}

export interface Found {
  /** ids of the knots that match, in the order given */
  readonly knots: readonly string[];
  /** what to ask, where the name stands for several */
  readonly ask: AmbiguousName | null;
  /** knots that were found by a name that is not theirs here */
  readonly called: readonly { readonly knot: string; readonly name: string }[];
  readonly faults: readonly { readonly knot: string; readonly fault: string; readonly name: string }[];
  readonly ways: readonly { readonly knot: string; readonly way: string; readonly name: string }[];
}

/** Fewer letters find no fault and no way: they would find them all. */
const LETTERS_FOR_A_FAULT = 4;

/**
 * @param text as typed; empty finds every knot, and no fault or way
 */
export function searchKnots(entries: readonly Searched[], text: string): Found {
  const asked = wordsOf(text);
  const ask = ambiguity(text);
  const named = new Set(ask?.meanings.flatMap((m) => (m.knot ? [m.knot] : [])));
  const says = (name: string) => {
    const words = normalised(name).split(' ');
    return asked.every((w) => words.some((n) => n.startsWith(w)));
  };
  const byName = (e: Searched) => [...e.names, e.id, FAMILIES[e.family]].some(says);
  const otherName = (e: Searched) => (byName(e) ? undefined : ALSO_FOUND_BY[e.id]?.find(says));
  const found = entries.filter((e) => asked.length === 0 || named.has(e.id) || byName(e) || otherName(e));
  const deep = asked.join('').length >= LETTERS_FOR_A_FAULT;
  return {
    knots: found.map((e) => e.id),
    ask,
    called: found.flatMap((e) => {
      const name = asked.length === 0 ? undefined : otherName(e);
      return name && !named.has(e.id) ? [{ knot: e.id, name }] : [];
    }),
    faults: entries.flatMap((e) =>
      (deep ? (e.faults ?? []) : [])
        .filter((f) =>
          [f.name, ...FAULT_ALSO_CALLED.flatMap((a) => (a.knot === e.id && a.fault === f.id ? [a.said] : []))].some(
            says,
          ),
        )
        .map((f) => ({ knot: e.id, fault: f.id, name: f.name })),
    ),
    ways: entries.flatMap((e) =>
      (deep ? (e.ways ?? []) : []).filter((w) => says(w.name)).map((w) => ({ knot: e.id, way: w.id, name: w.name })),
    ),
  };
}
