import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LENGTH_UNITS, lengthFromText, lengthText, lengthToMm, MM_PER_INCH, rangeText, upTo } from './index';

test('inches and fists are exact', () => {
  expect(lengthToMm(4, 'in', 100)).toBeCloseTo(101.6, 9);
  expect(lengthToMm(1.5, 'fist', 92)).toBe(138);
  expect(lengthToMm(87, 'mm', 92)).toBe(87);
});

test('a length is proportional to its number, in every unit', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...LENGTH_UNITS),
      fc.double({ min: 0.1, max: 500, noNaN: true }),
      fc.double({ min: 70, max: 120, noNaN: true }),
      (unit, v, fist) => expect(lengthToMm(2 * v, unit, fist)).toBeCloseTo(2 * lengthToMm(v, unit, fist), 6),
    ),
  );
});

test.each([
  [87, 'mm', '87 mm'],
  [1120, 'mm', '1.12 m'],
  [101.6, 'in', '4 in'],
  [131, 'fist', '1.3 fists'],
] as const)('%d in %s reads %s', (mm, unit, text) => expect(lengthText(mm, unit)).toBe(text));

test('what is no length is refused', () => {
  for (const bad of [Number.NaN, Infinity, -1])
    expect(() => lengthToMm(bad, 'mm', 100)).toThrow(
      expect.objectContaining({ code: 'not-a-number' }) as unknown as Error,
    );
});

test.each([
  ['10.5', 'mm', 10.5],
  ['10,5 mm', 'mm', 10.5],
  ['7/16 in', 'mm', 11.1125],
  ['1 1/2"', 'mm', 38.1],
  ['3 ft 6 in', 'mm', 1066.8],
  ['3\' 6"', 'mm', 1066.8],
  ['0.9 m', 'in', 900],
  ['4', 'in', 101.6],
  ['12 cm', 'mm', 120],
  ['.4 in', 'mm', 10.16],
] as const)('%s (bare numbers in %s) is %d mm', (text, unit, mm) =>
  expect(lengthFromText(text, unit)).toBeCloseTo(mm, 6),
);

test.each(['', ' ', 'ten', '10 furlongs', '3 6', '-4', '1/0', '1 2 3 in', '4 in in', 'NaN', 'Infinity', '1e9x'])(
  '%p is no length',
  (text) => expect(lengthFromText(text, 'mm')).toBeNaN(),
);

test('what is written out is read again', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 99_999 }), (mm) => {
      expect(lengthFromText(`${mm} mm`, 'in')).toBe(mm);
      expect(Math.abs(lengthFromText(lengthText(mm, 'in'), 'mm') - mm)).toBeLessThanOrEqual(MM_PER_INCH / 8 + 1e-9);
    }),
  );
});

test.each([
  [120, 140, 'mm', '120–140 mm'],
  [140, 140, 'mm', '140 mm'],
  [990, 1010, 'mm', '990 mm–1.01 m'],
  [1200, 1400, 'mm', '1.20–1.40 m'],
  [127, 254, 'in', '5–10 in'],
] as const)('from %d to %d in %s reads %s', (low, high, unit, text) => expect(rangeText(low, high, unit)).toBe(text));

test.each([
  [5, 46.5, 50],
  [1, 46.5, 47],
  [1, 47, 47],
  [1, 47.1, 48],
  // what computing adds beyond a tenth of a millimetre is no step more
  [10, 100.00000000000001, 100],
  [10, 0, 0],
] as const)('up to steps of %d mm, %d is %d', (step, mm, shown) => expect(upTo(step, mm)).toBe(shown));
