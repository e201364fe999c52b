import { expect, test } from '@jest/globals';
import { judge, type PointAnswer } from '../inspect/judging';
import { shippedProfile } from '../profiles';
import { differencesBetween } from './index';

const look = (change: Partial<Record<string, PointAnswer['found']>>, tail_mm = 130, uncertainty_mm = 5) => {
  const answers: PointAnswer[] = [
    ...(['name', 'front', 'back', 'path', 'set', 'eye', 'harness'] as const).map((point) => ({
      point,
      found: change[point] ?? ('right' as const),
    })),
    { point: 'tail', found: 'right', tail: { tail_mm, method: 'ruler', uncertainty_mm } },
  ];
  return {
    answers,
    judgement: judge(shippedProfile('rope-access'), {
      knot: 'bowline-locked',
      rope_diameter_mm: 10,
      use: 'tie-in',
      fist_mm: 100,
      answers,
      secondSigned: true,
    }),
  };
};

test('two looks differ at the points where they found something else, in words of both', () => {
  expect(differencesBetween(look({}), look({}))).toEqual([]);
  const [d, ...rest] = differencesBetween(look({}), look({ set: 'loose' }));
  expect([d!.point, rest]).toEqual(['set', []]);
  expect(d!.first).not.toBe(d!.second);
  expect(differencesBetween(look({ back: 'cannot-see' }), look({})).map((x) => x.point)).toEqual(['back']);
});

test('tails differ only beyond what both ways of measuring allow', () => {
  for (const within of [139, 140]) expect(differencesBetween(look({}, 130, 5), look({}, within, 5))).toEqual([]);
  expect(differencesBetween(look({}, 130, 5), look({}, 140.1, 5)).map((x) => x.point)).toEqual(['tail']);
  expect(differencesBetween(look({}, 130, 5), look({}, 142, 5)).map((x) => x.point)).toEqual(['tail']);
});
