/**
 * What a knot is for at its place: the purposes that one chooses by, and uses that follow from a knot alone. One list of words, for choosing,
 * rules, checks and records.
 */

export const PURPOSES = [
  'tie-in',
  'end-loop',
  'two-eyes',
  'midline',
  'join',
  'join-to-pass',
  'join-to-retrieve',
  'sling',
  'cord-loop',
  'hitch-object',
  'tether',
  'handle',
  'friction',
  'belay',
  'releasable',
  'stopper',
  'isolate-damage',
  'tension-eye',
] as const;
export type Purpose = (typeof PURPOSES)[number];

/** `stopper` is the end of a rope; a `backup` belongs to another knot. */
export const USES = [
  ...PURPOSES,
  'termination',
  'backup',
  'lashing',
  'friction-climb',
  'friction-backup',
  'friction-escape',
  'friction-both',
] as const;
export type Use = (typeof USES)[number];

/** Uses that say more closely what a wider one is: what is ruled for the wider one holds for them. */
const CLOSER: Readonly<Partial<Record<Use, readonly Use[]>>> = {
  friction: ['friction-climb', 'friction-backup', 'friction-escape', 'friction-both'],
};
const isCloser = (use: Use): boolean => Object.values(CLOSER).some((all) => all.includes(use));
/** Whether a use is one of those, or says more closely what one of them is. */
export const isAmong = (uses: readonly Use[], use: Use): boolean =>
  uses.some((u) => u === use || (CLOSER[u]?.includes(use) ?? false));

/** Other knots that belong to one: round its standing part, round both strands, in its tag, on both sides of it, behind it. */
export const COMPANIONS = [
  'stopper-behind',
  'two-strand-backup',
  'stopper-in-tag',
  'backed-both-sides',
  'half-hitch-behind',
  'overhand-behind',
] as const;
export type Companion = (typeof COMPANIONS)[number];

/** Uses beyond what one chooses a knot for. */
const ALSO: Readonly<Record<string, readonly Use[]>> = {
  'half-hitches': ['backup'],
  'buntline-hitch': ['termination'],
  'barrel-noose': ['termination'],
  'two-strand-backup': ['backup'],
  'tie-in-stopper': ['backup'],
};

/** Every use that a knot is made for, in the order of its entry; what says one of them more closely after it. */
export const usesOf = (knot: { readonly id: string; readonly purposes: readonly Purpose[] }): readonly Use[] =>
  [...knot.purposes, ...(ALSO[knot.id] ?? [])].flatMap((u) => [u, ...(CLOSER[u] ?? [])]);
/** Those between which has to be chosen; to say one of them more closely is left to whoever asks. */
export const usesToChoose = (knot: Parameters<typeof usesOf>[0]): readonly Use[] =>
  usesOf(knot).filter((u) => !isCloser(u));

/** Uses of a knot in the middle of a rope, which goes on beyond it. */
const IN_THE_MIDDLE: readonly Use[] = ['midline', 'isolate-damage'];
export const isInTheMiddle = (use: Use): boolean => IN_THE_MIDDLE.includes(use);

/** Companions that are part of a knot's own form: it is not the knot without them, and its own points look at them. */
const PART_OF_IT: Readonly<Record<string, readonly Companion[]>> = {
  'slipped-eight': ['half-hitch-behind'],
  'munter-mule-overhand': ['overhand-behind'],
};
export const partsOf = (knot: { readonly id: string }): readonly Companion[] => PART_OF_IT[knot.id] ?? [];

/** Knots of which a companion can be tied, by family or id, and for which uses. */
const GOES_WITH: readonly {
  readonly companion: Companion;
  readonly knots: readonly string[];
  readonly uses: readonly Use[];
}[] = [
  { companion: 'stopper-in-tag', knots: ['end-loop', 'noose'], uses: ['tether', 'termination'] },
  { companion: 'stopper-in-tag', knots: ['noose'], uses: ['hitch-object'] },
  { companion: 'stopper-behind', knots: ['end-loop'], uses: ['tie-in', 'end-loop', 'hitch-object'] },
  { companion: 'two-strand-backup', knots: ['end-loop'], uses: ['tie-in', 'end-loop', 'hitch-object'] },
  {
    companion: 'backed-both-sides',
    knots: ['water-knot', 'figure-eight-bend'],
    uses: ['sling', 'join', 'cord-loop'],
  },
];

/** The companions that a knot can have in a use: those that are part of it, and those that may be tied to it. */
export const companionsFor = (
  knot: { readonly id: string; readonly family: string },
  use: Use,
): readonly Companion[] => [
  ...partsOf(knot),
  ...GOES_WITH.flatMap((g) =>
    isAmong(g.uses, use) && (g.knots.includes(knot.id) || g.knots.includes(knot.family)) ? [g.companion] : [],
  ),
];
