import { describe, expect, test } from '@jest/globals';
import type { Point3 } from '../../curve';
import { specimenOf, type Entered } from './specimen';

/** A straight line of eleven points, so far from the others. */
const line = (role: Entered['role'], at: number, more: Partial<Entered> = {}): Entered => ({
  role,
  closed: false,
  points: Array.from({ length: 11 }, (_, k): Point3 => [k, at, 0]),
  ...more,
});
/** A square of eight points. */
const ring = (at: number, more: Partial<Entered> = {}): Entered => ({
  role: 'ring',
  closed: true,
  points: [
    [0, at, 0],
    [1, at, 0],
    [2, at, 0],
    [2, at, 1],
    [2, at, 2],
    [1, at, 2],
    [0, at, 2],
    [0, at, 1],
  ],
  ...more,
});
const rope = line('rope', 0);
const reason = (...components: readonly Entered[]): unknown => {
  try {
    specimenOf(components);
    return null;
  } catch (error) {
    return (error as { values: { reason: string } }).values.reason;
  }
};

describe('what is handed in to be named', () => {
  test.each<[string, readonly Entered[], string | null]>([
    ['a rope', [rope], null],
    ['two ropes', [rope, line('second-rope', 3)], null],
    ['three ropes', [rope, line('second-rope', 3), line('rope', 6)], 'there are more than two ropes in it'],
    ['a thing alone', [ring(9)], 'there is no rope in it'],
    ['a sling', [ring(0, { role: 'sling' })], null],
    ['a rope and a sling', [rope, ring(9, { role: 'sling' })], 'of two ropes none may be closed'],
    ['four rings', [rope, ...[9, 12, 15, 18].map((at) => ring(at))], null],
    ['five rings', [rope, ...[9, 12, 15, 18, 21].map((at) => ring(at))], 'there are more than four rings in it'],
    ['a ring that is open', [rope, ring(9, { closed: false })], 'a ring is not closed'],
    ['a post', [rope, line('post', 4)], null],
    ['a post that is closed', [rope, ring(9, { role: 'post' })], 'a post or a gripped rope is closed'],
    [
      'a post and a gripped rope',
      [rope, line('post', 4), line('host', 8)],
      'there is more than one post or gripped rope in it',
    ],
    ['two eyes', [line('rope', 0, { marks: { eye: [3, 6] } })], null],
    ['three eyes', [line('rope', 0, { marks: { eye: [3, 5], second_eye: 7 } })], 'more than two eyes are marked'],
    ['an eye beside the ends', [line('rope', 0, { marks: { eye: [1, 9] } })], null],
    ['an eye at the end', [line('rope', 0, { marks: { eye: 10 } })], 'an eye is marked where there is no rope'],
    ['an eye at the beginning', [line('rope', 0, { marks: { eye: 0 } })], 'an eye is marked where there is no rope'],
    ['an eye between points', [line('rope', 0, { marks: { eye: 4.5 } })], 'an eye is marked where there is no rope'],
  ])('%s', (_, components, said) => expect(reason(...components)).toBe(said));

  test('of two ropes the one with an eye stands first, and a second rope stands after the first', () => {
    const eye = line('second-rope', 3, { marks: { eye: 5 } });
    expect(specimenOf([rope, eye])).toMatchObject({
      ropes: [{ points: eye.points }, { points: rope.points }],
      eyes: [5],
    });
    const second = line('second-rope', 3);
    expect(specimenOf([second, rope]).ropes.map((r) => r.points)).toEqual([rope.points, second.points]);
  });

  test('its eyes are known where one is marked, where both ends are, and of what is closed', () => {
    const known = (c: Entered) => specimenOf([c]).eyesKnown;
    expect([
      known(rope),
      known(line('rope', 0, { marks: { standing: [0, 2] } })),
      known(line('rope', 0, { marks: { standing: [0, 2], tail: [8, 10] } })),
      known(line('rope', 0, { marks: { eye: 5 } })),
      known(ring(0, { role: 'sling' })),
    ]).toEqual([false, false, true, true, true]);
  });

  test('a karabiner is where its gate is, a gripped rope where it hangs', () => {
    const { gates, anchors } = specimenOf([
      rope,
      ring(9, { marks: { gate: [2, 4] } }),
      line('host', 5, { marks: { standing: [8, 10] } }),
    ]);
    expect([gates, anchors]).toEqual([[[2, 9, 1]], [[9, 5, 0]]]);
  });
});
