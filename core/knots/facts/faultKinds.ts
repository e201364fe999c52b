/** What a fault changes, and the name of the operation that makes it. */
import type { Fault, FaultId } from './types';

export type FaultKind = 'path' | 'load' | 'wraps' | 'object' | 'measure';

const WRAPS: readonly FaultId[] = [
  'turns-short',
  'turns-one-more',
  'one-wrap-short',
  'crossed-wraps',
  'turns-reversed',
  'clip-carries',
  'coils-opposite',
  'mirrored-loops',
  'joint-in-wraps',
];
const LOAD: readonly FaultId[] = [
  'other-ends-loaded',
  'points-wrong-way',
  'standing-side-slipped',
  'offset-eight',
  'thief',
  'hitch-upside-down',
];
const OBJECT: readonly FaultId[] = [
  'one-harness-point',
  'gate-to-brake',
  'not-clipped',
  'post-too-thin',
  'one-bight-clipped',
  'joint-on-clip',
  'false-eye-clipped',
];
const MEASURE: readonly FaultId[] = [
  'loose',
  'tail-short',
  'tail-long',
  'eye-too-large',
  'ears-unequal',
  'uneven-legs',
];

/** Of a fault that has a shape. */
export function kindOfFault({ id }: Pick<Fault, 'id'>): FaultKind {
  if (MEASURE.includes(id)) return 'measure';
  if (OBJECT.includes(id)) return 'object';
  if (LOAD.includes(id)) return 'load';
  return WRAPS.includes(id) ? 'wraps' : 'path';
}

/** Parts of a knot by which a person says what looks different. */
export const PARTS = ['strands', 'pair', 'wraps', 'eye', 'tail', 'loaded-end', 'tied-to', 'set'] as const;
export type Part = (typeof PARTS)[number];

const OF_A_PART: Partial<Record<Part, readonly FaultId[]>> = {
  tail: [
    'tail-short',
    'tail-long',
    'uneven-legs',
    'tail-outside-eye',
    'tail-from-wrong-side',
    'lock-not-through-collar',
    'not-tucked',
    'not-through-bight',
    'stopper-gap',
    'stopper-wrong-face',
  ],
  pair: ['pair-crossed', 'pair-twisted', 'strands-crossed', 'wrong-lane', 'load-strand-outside', 'third-strand-astray'],
  eye: ['eye-too-large', 'ears-unequal', 'ears-crossed', 'eye-pulled-through', 'one-bight-clipped', 'fold-missed'],
  set: ['loose'],
};

/** The part of the knot where a fault that has a shape shows. */
export function partOfFault(f: Pick<Fault, 'id'>): Part {
  const own = PARTS.find((part) => OF_A_PART[part]?.includes(f.id));
  return (
    own ??
    ({ wraps: 'wraps', load: 'loaded-end', object: 'tied-to', path: 'strands', measure: 'strands' } as const)[
      kindOfFault(f)
    ]
  );
}

const BY_ID: Partial<Record<FaultId, string>> = {
  'false-eye-clipped': 'clip in another loop',
  'false-butterfly': 'second twist the other way',
  'stopper-gap': 'stopper slid away',
  'stopper-wrong-face': 'round another strand',
  'eye-pulled-through': 'eye pulled back',
  'nip-reversed': 'crossing reversed',
  'tail-outside-eye': 'tail to the other side',
  'wrong-lane': 'wrong lane at one pass',
  'pair-crossed': 'pair swapped',
  'pair-twisted': 'pair swapped',
  'strands-crossed': 'pair swapped',
  'load-strand-outside': 'lanes exchanged',
  'half-finished': 'path left off',
  'lock-not-through-collar': 'tail past the collar',
  'third-strand-astray': 'wrong lane at one pass',
  'turns-short': 'wrap dropped',
  'one-wrap-short': 'wrap dropped',
  'turns-one-more': 'wrap added',
  'crossed-wraps': 'wraps crossed',
  'turns-reversed': 'turn reversed',
  'mirrored-loops': 'loop mirrored',
  'coils-opposite': 'turn reversed',
  'reversed-buntline': 'turns worked the other way',
  'not-tucked': 'last pass left out',
  'not-through-bight': 'last pass left out',
  'slip-not-caught': 'crossings reversed',
  'overhand-missing': 'last part left out',
  'half-hitch-missing': 'last part left out',
  'half-hitch-misplaced': 'crossing reversed',
  'fold-missed': 'fold left out',
  'ears-crossed': 'eyes exchanged',
  'ears-unequal': 'eye drawn out',
  'eye-too-large': 'eye drawn out',
  'offset-eight': 'other end loaded',
  granny: 'second half tied the first way',
  thief: 'other end loaded',
  'bight-from-tail': 'bight from the other strand',
  'tail-from-wrong-side': 'entered from the wrong face',
  'overhand-turned': 'crossing reversed',
  'strand-between-legs': 'crossing reversed',
  'loop-open': 'crossing reversed',
  'one-bight-clipped': 'one bight left out',
  'clip-carries': 'wraps dropped',
  'post-too-thin': 'post exchanged',
};
const BY_MADE = {
  knot: 'is another form',
  'ends-exchanged': 'other end loaded',
  'joint-tied-in': 'joint tied in there',
  'tail-cut': 'tail short',
  'tail-lengthened': 'tail long',
  'leg-lengthened': 'one leg longer',
  'turned-upside-down': 'turned upside down',
  'gate-turned': 'gate turned',
  unclipped: 'clip taken off',
  'not-set': 'not set',
  'one-point': 'one harness point only',
} as const;

/** The operation in words. @param laid whether the fault is laid as a form of its own */
export const operationOf = ({ id, made }: Pick<Fault, 'id' | 'made'>, laid: boolean): string =>
  made && made.by !== 'knot' ? BY_MADE[made.by] : (BY_ID[id] ?? (made ? BY_MADE.knot : laid ? 'laid otherwise' : '–'));
