import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { inOwnMeasures, OWN_MEASURES, type OwnMeasures } from './index';

const own: OwnMeasures = { arm: 700, foot: 260, hand: 190, fist: 90 };

test.each([
  [700, own, '1 arm’s length'],
  [1000, { ...own, hand: null, foot: null }, '1 arm’s length and 4 fists'],
  [900, own, '1 arm’s length and 1 foot'],
  [85, own, '1 fist'],
  [2100, { ...own, hand: null, foot: null, fist: null }, '3 arm’s lengths'],
  [300, { arm: 700, foot: null, hand: null, fist: null }, '1 arm’s length'],
] as const)('%d mm', (mm, measures, text) => expect(inOwnMeasures(mm, measures)?.text).toBe(text));

test('never less than what is asked, and over by less than the smallest measure that is known', () => {
  const measure = fc.option(fc.integer({ min: 70, max: 1200 }), { nil: null });
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 20_000 }),
      fc.record({ arm: measure, foot: measure, hand: measure, fist: measure }),
      (mm, measures) => {
        const known = OWN_MEASURES.map((m) => measures[m]).filter((v) => v !== null);
        const said = inOwnMeasures(mm, measures);
        if (known.length === 0) return expect(said).toBeNull();
        expect(said!.mm).toBeGreaterThanOrEqual(mm - 1);
        expect(said!.mm - mm).toBeLessThan(Math.min(...known));
      },
    ),
  );
});

test('nothing measured, nothing said', () => {
  expect(inOwnMeasures(500, { arm: null, foot: null, hand: null, fist: null })).toBeNull();
  expect(inOwnMeasures(Number.NaN, own)).toBeNull();
});
