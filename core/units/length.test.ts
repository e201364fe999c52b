import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { LENGTH_UNITS, lengthText, lengthToMm } from './index';

test('inches and fists are exact', () => {
  expect(lengthToMm(4, 'in', 100)).toBeCloseTo(101.6, 9);
  expect(lengthToMm(1.5, 'fist', 92)).toBe(138);
  expect(lengthToMm(87, 'mm', 92)).toBe(87);
});

test('a length is proportional to its number, in every unit', () => {
  fc.assert(fc.property(fc.constantFrom(...LENGTH_UNITS), fc.double({ min: 0.1, max: 500, noNaN: true }), fc.double({ min: 70, max: 120, noNaN: true }), (unit, v, fist) => expect(lengthToMm(2 * v, unit, fist)).toBeCloseTo(2 * lengthToMm(v, unit, fist), 6)));
});

test.each([[87, 'mm', '87 mm'], [1120, 'mm', '1.12 m'], [101.6, 'in', '4 in'], [131, 'fist', '1.3 fists']] as const)('%d in %s reads %s', (mm, unit, text) => expect(lengthText(mm, unit)).toBe(text));

test('what is no length is refused', () => {
  for (const bad of [Number.NaN, Infinity, -1]) expect(() => lengthToMm(bad, 'mm', 100)).toThrow(expect.objectContaining({ code: 'not-a-number' }) as unknown as Error);
});
