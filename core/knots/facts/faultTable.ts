/**
 * Every fault that a knot can have: a row each. Where it has a shape: what it changes (the rope's path, where nothing is said), the part
 * of the knot where it shows (where it is not what the kind says), and the operation that makes the wrong form from the right one.
 */
export type FaultKind = 'path' | 'load' | 'wraps' | 'object' | 'measure';

/** Parts of a knot by which a person says what looks different. */
export const PARTS = ['strands', 'pair', 'wraps', 'eye', 'tail', 'loaded-end', 'tied-to', 'set'] as const;
export type Part = (typeof PARTS)[number];

export interface FaultRow {
  readonly kind?: FaultKind;
  readonly part?: Part;
  readonly by?: string;
}

export const FAULTS = {
  'half-finished': { by: 'path left off' },
  'pair-crossed': { part: 'pair', by: 'pair swapped' },
  'wrong-lane': { part: 'pair', by: 'wrong lane at one pass' },
  loose: { kind: 'measure', part: 'set' },
  'tail-short': { kind: 'measure', part: 'tail' },
  'tail-long': { kind: 'measure', part: 'tail' },
  'eye-too-large': { kind: 'measure', part: 'eye', by: 'eye drawn out' },
  'one-harness-point': { kind: 'object' },
  'load-strand-outside': { part: 'pair', by: 'lanes exchanged' },
  'lock-not-through-collar': { part: 'tail', by: 'tail past the collar' },
  'third-strand-astray': { part: 'pair', by: 'wrong lane at one pass' },
  'nip-reversed': { by: 'crossing reversed' },
  'turns-short': { kind: 'wraps', by: 'wrap dropped' },
  'tail-outside-eye': { part: 'tail', by: 'tail to the other side' },
  'stopper-missing': {},
  'stopper-gap': { part: 'tail', by: 'stopper slid away' },
  'stopper-wrong-strand': { part: 'tail' },
  'backup-one-side': { part: 'tail' },
  'another-knot': {},
  'false-eye-clipped': { kind: 'object', by: 'clip in another loop' },
  'false-butterfly': { by: 'second twist the other way' },
  'eye-pulled-through': { part: 'eye', by: 'eye pulled back' },
  'turns-three-strands': {},
  'not-tucked': { part: 'tail', by: 'last pass left out' },
  'bight-from-tail': { by: 'bight from the other strand' },
  'tail-from-wrong-side': { part: 'tail', by: 'entered from the wrong face' },
  'pair-twisted': { part: 'pair', by: 'pair swapped' },
  'turns-one-more': { kind: 'wraps', by: 'wrap added' },
  'overhand-turned': { by: 'crossing reversed' },
  'strand-between-legs': { by: 'crossing reversed' },
  'loop-open': { by: 'crossing reversed' },
  'finished-loose': {},
  'gate-unlocked': {},
  'first-eight-left': {},
  'offset-eight': { kind: 'load', by: 'other end loaded' },
  'reversed-buntline': { by: 'turns worked the other way' },
  'mirrored-loops': { kind: 'wraps', by: 'loop mirrored' },
  'lowest-wrap-sags': { kind: 'wraps' },
  'crossed-wraps': { kind: 'wraps', by: 'wraps crossed' },
  'turns-reversed': { kind: 'wraps', by: 'turn reversed' },
  'uneven-legs': { kind: 'measure', part: 'tail' },
  'joint-in-wraps': { kind: 'wraps' },
  'joint-on-clip': { kind: 'object' },
  'one-bight-clipped': { kind: 'object', part: 'eye', by: 'one bight left out' },
  'hitch-upside-down': { kind: 'load' },
  'not-through-bight': { part: 'tail', by: 'last pass left out' },
  'fold-missed': { part: 'eye', by: 'fold left out' },
  'ears-crossed': { part: 'eye', by: 'eyes exchanged' },
  'ears-unequal': { kind: 'measure', part: 'eye', by: 'eye drawn out' },
  'gate-to-brake': { kind: 'object' },
  'stopper-wrong-face': { part: 'tail', by: 'round another strand' },
  'slip-not-caught': { by: 'crossings reversed' },
  'half-hitch-missing': { by: 'last part left out' },
  'half-hitch-misplaced': { by: 'crossing reversed' },
  'standing-side-slipped': { kind: 'load' },
  'coils-opposite': { kind: 'wraps', by: 'turn reversed' },
  'one-wrap-short': { kind: 'wraps', by: 'wrap dropped' },
  granny: { by: 'second half tied the first way' },
  thief: { kind: 'load', by: 'other end loaded' },
  'tape-twisted': {},
  'cord-too-thick': {},
  'cord-too-thin': {},
  'points-wrong-way': { kind: 'load' },
  'overhand-missing': { by: 'last part left out' },
  'clip-carries': { kind: 'wraps', by: 'wraps dropped' },
  'not-clipped': { kind: 'object' },
  'post-too-thin': { kind: 'object', by: 'post exchanged' },
  'device-reaches': {},
  'other-ends-loaded': { kind: 'load' },
  'one-strand-only': {},
  'strands-crossed': { part: 'pair', by: 'pair swapped' },
} as const satisfies Readonly<Record<string, FaultRow>>;

export type FaultId = keyof typeof FAULTS;
