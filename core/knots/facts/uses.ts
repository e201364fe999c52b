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
export const USES = [...PURPOSES, 'termination', 'backup', 'lashing'] as const;
export type Use = (typeof USES)[number];

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
  'buntline-hitch': ['termination'],
  'barrel-noose': ['termination'],
  'two-strand-backup': ['backup'],
  'tie-in-stopper': ['backup'],
};

/** Every use that a knot is made for, in the order of its entry. */
export const usesOf = (knot: { readonly id: string; readonly purposes: readonly Purpose[] }): readonly Use[] => [
  ...knot.purposes,
  ...(ALSO[knot.id] ?? []),
];

/** Uses of a knot in the middle of a rope, which goes on beyond it. */
const IN_THE_MIDDLE: readonly Use[] = ['midline', 'isolate-damage'];
export const isInTheMiddle = (use: Use): boolean => IN_THE_MIDDLE.includes(use);
