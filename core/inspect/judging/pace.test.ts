import { expect, test } from '@jest/globals';
import { shippedProfile } from '../../profiles';
import { judge, paceOf, type PointAnswer } from '.';

const answers = (...seconds: (number | undefined)[]): PointAnswer[] =>
  (['name', 'front', 'back', 'path', 'set', 'eye'] as const)
    .slice(0, seconds.length)
    .map((point, i) => ({ point, found: 'right', ...(seconds[i] !== undefined && { seconds: seconds[i] }) }));

test('a walk quicker than one can look is marked; one whose times were not kept is not', () => {
  expect(paceOf(answers(0.4, 0.6, 0.5, 0.7))).toMatchObject({ timed: 4, seconds: 2.2, quick: true });
  expect(paceOf(answers(6, 4, 9, 12)).quick).toBe(false);
  // by the average: one point answered at once among others looked at is no quick walk
  expect(paceOf(answers(0.5, 8, 9)).quick).toBe(false);
  expect(paceOf(answers(undefined, undefined))).toEqual({ timed: 0, seconds: 0, quick: false, fast: 0 });
  expect(
    paceOf([
      { point: 'name', found: 'right', seconds: 3, lane: 'fast' },
      { point: 'set', found: 'right', seconds: 3 },
    ]).fast,
  ).toBe(1);
});

test('a fault that was touched in the picture is a finding at the point where it was found; one of another knot is none', () => {
  const rules = shippedProfile('sport-crag');
  const input = {
    knot: 'figure-eight-follow-through',
    rope_diameter_mm: 10,
    stopper: false,
    fist_mm: 100,
    secondSigned: false,
  };
  const at = (found: string, touched = true) =>
    judge(rules, {
      ...input,
      answers: [{ point: 'path', found: found as 'right', ...(touched && { touched: true as const }) }],
    });
  expect(at('half-finished').points.find((p) => p.point === 'path')).toMatchObject({
    state: 'take-out-and-retie',
    found: 'half-finished',
  });
  expect(at('half-finished').verdict).toBe('take-out-and-retie');
  expect(() => at('half-finished', false)).toThrow(expect.objectContaining({ code: 'bad-input' }) as unknown as Error);
  expect(() => at('crossed-wraps')).toThrow(expect.objectContaining({ code: 'bad-input' }) as unknown as Error);
});
