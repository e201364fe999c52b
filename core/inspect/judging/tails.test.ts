import { expect, test } from '@jest/globals';
import { judge, TAIL_UNCERTAINTY_MM, tailNames, verdictSaid, worse, type PointAnswer } from '.';
import { entryById } from '../../knots/catalogue/lookup';
import { shippedProfile } from '../../profiles';
import { typedTail_mm } from './tails';

const OF = { fist_mm: 92, rope_diameter_mm: 10.5 };
test.each([
  ['130', 'mm', 130],
  ['5', 'in', 127],
  ['1,5', 'fist', 138],
  ['12', 'diameter', 126],
  [' 0 ', 'mm', 0],
  ['20000', 'mm', 20_000],
] as const)('%s %s is %d mm', (text, unit, mm) => expect(typedTail_mm(text, unit, OF)).toBe(mm));
test.each(['', '   ', 'x', '-1', '1e9', 'NaN', '12 cm', '20001'])('"%s" is no length', (text) =>
  expect(typedTail_mm(text, 'mm', OF)).toBeNull(),
);

test('a joint has a tail in each rope, anything else one', () => {
  expect(tailNames(entryById('double-fishermans'))).toHaveLength(2);
  expect(tailNames(entryById('bowline'))).toEqual(['tail']);
});

test('each tail of a joint is judged; the worse one decides, with the least margin', () => {
  const m = (tail_mm: number) => ({ tail_mm, method: 'fists' as const, uncertainty_mm: 5 });
  const tail = (...mm: number[]) => {
    const answers: PointAnswer[] = [{ point: 'tail', found: 'right', tail: m(mm[0]!), more_tails: mm.slice(1).map(m) }];
    return judge(shippedProfile('rope-access'), {
      knot: 'figure-eight-bend',
      use: 'join',
      rope_diameter_mm: 10,
      fist_mm: 100,
      answers,
      secondSigned: false,
    }).points.find((p) => p.point === 'tail')!;
  };
  expect(tail(150, 160)).toMatchObject({ state: 'meets', tail: { margin_mm: 45 } });
  expect(tail(160, 150)).toMatchObject({ state: 'meets', tail: { margin_mm: 45 } });
  expect(tail(150, 60)).toMatchObject({ state: 'put-right', found: 'tail-short' });
  expect(tail(150, 102).state).toBe('not-judged');
  // one measured of two is not both
  expect(tail(150).state).toBe('not-judged');
  expect(tail(60).state).toBe('put-right');
});

test('of two verdicts the worse stands: what is wrong before what was not judged', () => {
  expect(worse('meets-the-rule', 'not-judged')).toBe('not-judged');
  expect(worse('not-judged', 'put-right')).toBe('put-right');
  expect(worse('take-out-and-retie', 'put-right')).toBe('take-out-and-retie');
  expect(worse('meets-the-rule', 'meets-the-rule')).toBe('meets-the-rule');
});

test('a rope that is retired or damaged is never passed, whatever else is right', () => {
  const answers: PointAnswer[] = entryById('bowline-locked').check_points.map((p) =>
    p.id === 'tail'
      ? { point: 'tail', found: 'right', tail: { tail_mm: 130, method: 'ruler', uncertainty_mm: 5 } }
      : { point: p.id, found: 'right' },
  );
  for (const rope_state of ['retired', 'damaged'] as const) {
    const j = judge(shippedProfile('sport-crag'), {
      knot: 'bowline-locked',
      use: 'tie-in',
      rope_diameter_mm: 10,
      fist_mm: 100,
      answers,
      secondSigned: true,
      rope_state,
    });
    expect([j.verdict, j.points[0]!.point, j.not_judged]).toEqual(['take-out-and-retie', 'rope', []]);
  }
});

test('why a check is not judged though every point meets the rule is said; of another verdict nothing is added', () => {
  const row = { verdict: 'not-judged', points_verdict: 'meets-the-rule', differs: false } as const;
  expect([
    verdictSaid(row),
    verdictSaid({ ...row, differs: true }),
    verdictSaid({ ...row, points_verdict: 'not-judged' }),
    verdictSaid({ ...row, verdict: 'put-right', points_verdict: 'put-right' }),
  ]).toEqual(['Not judged: second person missing', 'Not judged: the two looks differ', 'Not judged', 'Put right']);
});

test('what is typed stays what it is to a tenth of a millimetre: nothing is rounded up to pass', () => {
  const of = { fist_mm: 92, rope_diameter_mm: 10.2 };
  expect(typedTail_mm('99.4', 'mm', of)).toBe(99.4);
  expect(typedTail_mm('99,95', 'mm', of)).toBe(100);
  expect(typedTail_mm('99.94', 'mm', of)).toBe(99.9);
  expect(typedTail_mm('9.8', 'diameter', of)).toBe(100);
  expect(typedTail_mm('9.7', 'diameter', of)).toBe(98.9);
});

test('no more than 20 m, in whatever unit it is typed', () => {
  expect(typedTail_mm('200', 'fist', { fist_mm: 100, rope_diameter_mm: 10 })).toBe(20_000);
  expect(typedTail_mm('200.1', 'fist', { fist_mm: 100, rope_diameter_mm: 10 })).toBeNull();
});

test('how far off each way of measuring may be', () => {
  expect(TAIL_UNCERTAINTY_MM).toEqual({ ruler: 5, fists: 10, 'rope-diameters': 10, 'by-eye': 30 });
});
