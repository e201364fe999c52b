/**
 * Common practice: what holds beneath every school where it says nothing of just that knot in just that use. Rules in the same form as a school's.
 * Of its own rules one that names the knot goes before one for a family, and that before one for any.
 */
import type { Companion, Use } from '../knots/facts/uses';
import type { LengthRule } from './types';

export interface CommonLength extends Omit<LengthRule, 'use' | 'stopper'> {
  readonly uses: readonly Use[] | 'any';
  /** applies only where one of them is tied */
  readonly with?: readonly Companion[];
  /** better than the least, mm */
  readonly recommended_mm?: number;
}

export const COMMON_PRACTICE: {
  readonly id: string;
  readonly version: number;
  readonly name: string;
  readonly lengths: readonly CommonLength[];
} = {
  id: 'common-practice',
  version: 1,
  name: 'Common practice',
  lengths: [
    {
      id: 'CP-T1',
      for: ['end-loop'],
      uses: ['tie-in', 'end-loop', 'hitch-object'],
      kind: 'tail',
      fixed_mm: 100,
      fists: 1,
      text: 'end loop: 100 mm or one fist of tail, the larger',
      source: 'practice',
    },
    {
      id: 'CP-T2',
      for: ['overhand-on-bight', 'figure-eight-on-bight'],
      uses: ['tether'],
      kind: 'tail',
      fixed_mm: 150,
      text: 'tether: a tag of at least 150 mm',
      source: 'practice',
    },
    {
      id: 'CP-T3',
      for: ['any'],
      uses: ['tether'],
      with: ['stopper-in-tag'],
      kind: 'beyond_stopper',
      fixed_mm: 75,
      recommended_mm: 100,
      text: 'stopper in the tag of a tether: 75 to 100 mm of tail of its own',
      source: 'practice',
    },
    {
      id: 'CP-T4',
      for: ['any'],
      uses: ['stopper'],
      kind: 'beyond_stopper',
      fixed_mm: 300,
      text: 'end of a rope: 300 mm beyond the stopper',
      source: 'practice',
    },
    {
      id: 'CP-T5',
      for: ['offset-overhand', 'offset-double-overhand'],
      uses: 'any',
      kind: 'tail',
      fixed_mm: 300,
      text: 'flat joint: 300 mm of each tail; it may roll, the long tail is the margin',
      source: 'general',
    },
    {
      id: 'CP-T6',
      for: ['bend'],
      uses: ['cord-loop'],
      kind: 'tail',
      fixed_mm: 100,
      ropeDiameters: 10,
      text: 'loop of cord: 100 mm or 10 diameters of each tail, the larger',
      source: 'general',
    },
    {
      id: 'CP-T7',
      for: ['bend'],
      uses: 'any',
      kind: 'tail',
      fixed_mm: 100,
      text: 'joint: 100 mm of each tail',
      source: 'general',
    },
    {
      id: 'CP-T8',
      for: ['water-knot'],
      uses: 'any',
      kind: 'tail',
      fixed_mm: 75,
      text: 'water knot: 75 mm of each tail',
      source: 'practice',
    },
    {
      id: 'CP-T9',
      for: ['buntline-hitch', 'barrel-noose'],
      uses: ['termination', 'hitch-object'],
      kind: 'tail',
      ropeDiameters: 5,
      text: 'termination: 5 rope diameters of tail',
      source: 'practice',
    },
    {
      id: 'CP-T10',
      for: ['any'],
      uses: 'any',
      kind: 'beyond_stopper',
      fixed_mm: 75,
      text: 'knot tied behind another: butted up, 75 mm of tail of its own',
      source: 'general',
    },
    {
      id: 'CP-T11',
      for: ['any'],
      uses: ['backup'],
      kind: 'tail',
      fixed_mm: 75,
      text: 'backup of another knot: 75 mm of tail of its own',
      source: 'general',
    },
    {
      id: 'CP-T12',
      for: ['any'],
      uses: 'any',
      kind: 'tail',
      fixed_mm: 100,
      text: 'any other tail: 100 mm',
      source: 'general',
    },
  ],
};
