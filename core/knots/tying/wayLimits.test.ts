/** The limits of a proof, on motions that are good, on the limit, and bad by a hair. */
import { describe, expect, test } from '@jest/globals';
import type { WayFigures } from './proving';
import { wayFaults } from './wayLimits';

const GOOD: WayFigures = {
  frames: 200,
  keys: 30,
  smallest: 1,
  largestShare: 0.7,
  crossingsAtFirst: 0,
  lastOff: 0,
  lengthStrays: 0.01,
  endsOutside: 1.4,
  named: null,
};

test('what holds has no fault, led by hands or not, with a free end or not', () => {
  expect(wayFaults(GOOD)).toEqual([]);
  expect(
    wayFaults({ ...GOOD, lastOff: null, endsOutside: null, named: { as: ['bowline right'], asTold: true } }),
  ).toEqual([]);
});

describe.each([
  ['smallest', 0.7, 0.699999, /two parts come as near as 0.699999/],
  ['largestShare', 0.999999, 1, /a move takes 1 of its bound/],
  ['lengthStrays', 0.05, 0.050001, /its length strays by 5.0001 %/],
  ['lastOff', 0.3, 0.300001, /ends 0.30 off its form/],
  ['endsOutside', 1.000001, 1, /an end comes into the knot/],
  ['crossingsAtFirst', 0, 1, /begins with 1 crossings/],
  ['frames', 2, 1, /has no frames/],
] as const)('%s', (figure, holds, not, said) => {
  test(`${holds} holds, ${not} does not`, () => {
    expect(wayFaults({ ...GOOD, [figure]: holds })).toEqual([]);
    expect(wayFaults({ ...GOOD, [figure]: not })).toEqual([expect.stringMatching(said)]);
  });
  test('what is no number does not hold', () => {
    expect(wayFaults({ ...GOOD, [figure]: NaN })).toHaveLength(1);
  });
});

test('a last shape that is named otherwise, or as nothing, is said', () => {
  expect(wayFaults({ ...GOOD, named: { as: ['the mirrored bowline right'], asTold: false } })).toEqual([
    'ends in the mirrored bowline right',
  ]);
  expect(wayFaults({ ...GOOD, named: { as: [], asTold: false } })).toEqual(['ends in nothing known']);
});
