/** What a fault changes, where it shows, and the name of the operation that makes it. */
import { FAULTS, type FaultId, type FaultKind, type FaultRow, type Part } from './faultTable';
import type { Fault } from './types';

const rowOf = (id: FaultId): FaultRow => FAULTS[id];

/** Of a fault that has a shape. */
export const kindOfFault = ({ id }: Pick<Fault, 'id'>): FaultKind => rowOf(id).kind ?? 'path';

const PART_OF = {
  wraps: 'wraps',
  load: 'loaded-end',
  object: 'tied-to',
  path: 'strands',
  measure: 'strands',
} as const satisfies Readonly<Record<FaultKind, Part>>;

/** The part of the knot where a fault that has a shape shows. */
export const partOfFault = (f: Pick<Fault, 'id'>): Part => rowOf(f.id).part ?? PART_OF[kindOfFault(f)];

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
  made && made.by !== 'knot'
    ? BY_MADE[made.by]
    : (rowOf(id).by ?? (made ? BY_MADE.knot : laid ? 'laid otherwise' : '–'));
