/** The limits of a stored form's proof, on, below and above. */
import { describe, expect, test } from '@jest/globals';
import { storedForm } from '../knots/catalogue/catalogue';
import { formFaults } from './formLimits';
import type { FormFigures } from './formProof';
import { nameFaults } from './nameLimits';
import { placeFaults } from './placeLimits';

const stopper = storedForm('overhand-stopper', 'right');
const same = { laid: ['a'], dressed: ['a'], tight: ['a'] };
const GOOD: FormFigures = {
  codes: { laid: '', dressed: '', tight: '' },
  invariants: same,
  laidApart: 1.3,
  crossingsApart: 0.8,
  clearOfThings: null,
  endsStraight: 0.99,
  presented: { asked: 4, same: 4 },
  everApart: 0.95,
  dressedApart: 1.1,
  setApart: 0.99,
  bakedAgainOff: 0,
  measuresAgain: true,
};

test('what holds has no fault', () => expect(formFaults(GOOD, stopper)).toEqual([]));

describe.each([
  ['laidApart', 1.2, 1.199999],
  ['crossingsApart', 0.75, 0.749999],
  ['clearOfThings', -0.01, -0.010001],
  ['endsStraight', 0.96, 0.959999],
  ['everApart', 0.92, 0.919999],
  ['dressedApart', 1, 0.999999],
  ['setApart', 0.97, 0.969999],
  ['bakedAgainOff', 1e-6, 2e-6],
] as const)('%s', (figure, holds, not) => {
  test(`${holds} holds, ${not} does not, nor what is no number`, () => {
    expect(formFaults({ ...GOOD, [figure]: holds }, stopper)).toEqual([]);
    expect(formFaults({ ...GOOD, [figure]: not }, stopper)).toHaveLength(1);
    expect(formFaults({ ...GOOD, [figure]: NaN }, stopper)).toHaveLength(1);
  });
});

test.each([
  ['narrow', 'laidApart', 0.65, 0.649999],
  ['closeOnTheWay', 'everApart', 0.65, 0.649999],
  ['bentEnds', 'endsStraight', 0.7, 0.699999],
] as const)('%s lowers its own limit and no other', (allowance, figure, holds, not) => {
  const allowed = { [allowance]: 'because' };
  expect(formFaults({ ...GOOD, [figure]: holds }, stopper, allowed)).toEqual([]);
  expect(formFaults({ ...GOOD, [figure]: holds }, stopper)).toHaveLength(1);
  expect(formFaults({ ...GOOD, [figure]: not }, stopper, allowed)).toHaveLength(1);
});

test('crossings that cannot be read as laid are a fault, but of what is tied to something and of tape', () => {
  const unread = { ...GOOD, crossingsApart: null };
  expect(formFaults(unread, stopper)).toEqual(['its crossings cannot be read as laid']);
  for (const knot of ['girth-hitch', 'water-knot']) expect(formFaults(unread, storedForm(knot, 'right'))).toEqual([]);
});

test('one presentation with other figures is a fault, and so is none asked', () => {
  expect(formFaults({ ...GOOD, presented: { asked: 4, same: 3 } }, stopper)).toHaveLength(1);
  expect(formFaults({ ...GOOD, presented: { asked: 0, same: 0 } }, stopper)).toHaveLength(1);
});

test('other measures when it is baked again are a fault', () => {
  expect(formFaults({ ...GOOD, measuresAgain: false }, stopper)).toEqual(['baked again it has other measures']);
});

describe('one and the same knot in every state', () => {
  const told = (invariants: FormFigures['invariants'], allowed = {}) =>
    formFaults({ ...GOOD, invariants }, stopper, allowed);
  test('another as laid, or another as dressed', () => {
    expect(told({ ...same, laid: ['b'] })).toEqual(['laid and set it is not one knot']);
    expect(told({ ...same, dressed: ['b'] })).toEqual(['dressed and set it is not one knot']);
  });
  test('where its ends part only the ropes are compared, one by one; as drawn up all still counts', () => {
    const parted = { laid: ['a', 'x'], dressed: ['a', 'y'], tight: ['a', 'y'] };
    expect(told(parted)).toHaveLength(1);
    expect(told(parted, { endsPart: 'they do' })).toEqual([]);
    expect(told({ ...parted, laid: ['b', 'y'] }, { endsPart: 'they do' })).toHaveLength(1);
    expect(told({ ...parted, dressed: ['a', 'x'] }, { endsPart: 'they do' })).toHaveLength(1);
  });
});

test('a name: another one is a fault, left open now and then is none, never named is', () => {
  expect(nameFaults({ asked: 3, named: 3, leftOpen: 0, otherwise: [] })).toEqual([]);
  expect(nameFaults({ asked: 3, named: 1, leftOpen: 2, otherwise: [] })).toEqual([]);
  expect(nameFaults({ asked: 3, named: 0, leftOpen: 3, otherwise: [] })).toHaveLength(1);
  expect(nameFaults({ asked: 3, named: 2, leftOpen: 0, otherwise: ['laid: bowline/right'] })).toEqual([
    'named as another: laid: bowline/right',
  ]);
});

test('a place where a form differs lies at the rope, and is ringed no smaller and no larger than can be seen', () => {
  const place = { state: 'laid', on: 'wrong', radius: 3, offRope: 0 } as const;
  const faults = (change: object) => placeFaults([{ ...place, ...change }]).length;
  expect([
    faults({}),
    faults({ radius: 1.7 }),
    faults({ radius: 1.69 }),
    faults({ radius: 66 }),
    faults({ radius: NaN }),
  ]).toEqual([0, 0, 1, 1, 1]);
  expect([faults({ offRope: 8.9 }), faults({ offRope: 9 }), faults({ offRope: 9, radius: 10 })]).toEqual([0, 1, 0]);
});
