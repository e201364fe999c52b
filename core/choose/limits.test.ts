/** Limits of choosing, on, below and above: what a rule says of the very number that it names. */
import { describe, expect, test } from '@jest/globals';
import { ENTRIES } from '../knots/catalogue/entries';
import type { KnotEntry } from '../knots/facts/types';
import { RULES } from './rules';
import type { Job } from './index';
import { TIE_IN } from './testing/jobs';

const JOB: Job = { ...TIE_IN, rope: { kind: 'dynamic', diameter_mm: 10.2 } };
const rule = (id: string) => RULES.find((r) => r.id === id)!;
const eight = ENTRIES.find((e) => e.id === 'figure-eight-follow-through')!;
const says = (id: string, knot: KnotEntry, job: Partial<Job>) => rule(id).says(knot, { ...JOB, ...job }).length;

test('as many thicknesses through the object as the knot needs are enough, one fewer are not', () => {
  for (const thicknesses_through_object of [1, 2, 3]) {
    const knot: KnotEntry = { ...eight, needs: { ...eight.needs, thicknesses_through_object } };
    const said = [-1, 0, 1].map((more) => says('N2', knot, { fits_thicknesses: thicknesses_through_object + more }));
    expect(said).toEqual([1, 0, 0]);
  }
});

describe('undone by hand', () => {
  const undone = (least: 1 | 2 | 3 | 4 | 5): KnotEntry => ({
    ...eight,
    untying: [{ condition: 'ordinary-load', least, most: 5, text: 'so', source: 'general' }],
  });
  test('four of five is still by hand, five is not', () => {
    expect([3, 4, 5].map((least) => says('U3', undone(least as 3), { untie: 'by-hand-after-load' }))).toEqual([
      0, 0, 1,
    ]);
  });
  test('where nobody asked for it nothing is said', () => {
    expect(says('U3', undone(5), { untie: 'any' })).toBe(0);
  });
});

test('let go under load: three of five at most is by hand, four is not, and what is not known is not', () => {
  const letGo = (most: 2 | 3 | 4 | 5): KnotEntry => ({
    ...eight,
    untying: [{ condition: 'under-load', least: 1, most, text: 'so', source: 'practice' }],
  });
  expect([2, 3, 4, 5].map((most) => says('U1', letGo(most as 2), { untie: 'under-load' }))).toEqual([0, 0, 1, 1]);
  expect(says('U1', { ...eight, untying: [] }, { untie: 'under-load' })).toBe(1);
});
