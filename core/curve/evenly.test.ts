import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { arcLengths, resample, smooth } from '.';
import { evenly } from './evenly';

const at = fc.double({ min: -20, max: 20, noNaN: true });
const place = fc.tuple(at, at, at);

test('made even and smooth in one go a line is what resampling and smoothing make of it, ends and arc lengths too', () => {
  fc.assert(
    fc.property(
      fc.array(place, { minLength: 2, maxLength: 12 }),
      fc.double({ min: 0.1, max: 3, noNaN: true }),
      fc.integer({ min: 0, max: 5 }),
      (points, step, rounds) => {
        const { points: is, s } = evenly(points, step, rounds);
        const wanted = smooth(resample(points, step), rounds);
        expect(is).toHaveLength(wanted.length);
        is.forEach((p, i) => p.forEach((v, c) => expect(v).toBeCloseTo(wanted[i]![c]!, 8)));
        arcLengths(wanted).forEach((l, i) => expect(s[i]).toBeCloseTo(l, 8));
      },
    ),
  );
});
