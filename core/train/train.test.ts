import { describe, expect, test } from '@jest/globals';
import { faultsWithShape, knotById } from '../knots/catalogue/catalogue';
import { refuses } from '../topology/testing/curves';
import { drill, RIGHT_SHARE, scored, type Attempt } from './index';

type Place = NonNullable<ReturnType<typeof drill>['key']['where']>;

describe('the next drill', () => {
  const many = Array.from({ length: 240 }, (_, seed) => drill(seed));

  test('the same seed is the same drill', () => {
    for (const seed of [0, 1, 77, 4_294_967_295]) expect(drill(seed)).toEqual(drill(seed));
    expect(new Set(many.map((d) => `${d.knot} ${d.key.fault}`)).size).toBeGreaterThan(50);
  });

  test('about a third are right, the others have a fault that can be seen', () => {
    const right = many.filter((d) => d.key.right).length / many.length;
    expect(Math.abs(right - RIGHT_SHARE)).toBeLessThan(0.1);
    for (const { knot, key, choices } of many) {
      expect(key.right).toBe(key.fault === null);
      expect(key.verdict === 'meets-the-rule').toBe(key.right);
      if (!key.fault) continue;
      expect(faultsWithShape(knot)).toContain(key.fault);
      expect(choices.filter((c) => c.fault === key.fault)).toHaveLength(1);
      expect(key.where!.radius).toBeGreaterThan(0);
    }
  });

  test('the key’s place is mirrored with the hand', () => {
    const places = new Map<string, { left?: Place; right?: Place }>();
    for (let seed = 0; seed < 150; seed++) {
      const { hand, key, knot } = drill(seed, ['figure-eight-follow-through', 'bowline']);
      if (key.where) {
        const of = `${knot} ${key.fault}`;
        places.set(of, { ...places.get(of), [hand]: key.where });
      }
    }
    const both = [...places.values()].filter((p) => p.left && p.right);
    expect(both.length).toBeGreaterThan(3);
    for (const { left, right } of both) {
      expect(left!.x).toBeCloseTo(-right!.x);
      expect(left!.y).toBeCloseTo(right!.y);
    }
    expect(both.some(({ left }) => Math.abs(left!.x) > 0.5)).toBe(true);
  });

  test('of the knots that are asked for', () => {
    for (let seed = 0; seed < 30; seed++)
      expect(['bowline', 'prusik']).toContain(drill(seed, ['bowline', 'prusik']).knot);
    expect(() => drill(1, ['no-such'])).toThrow(refuses('unknown-knot'));
    expect(knotById('bowline').entry.faults.map((f) => f.id)).toEqual(
      expect.arrayContaining(drill(3, ['bowline']).choices.map((c) => c.fault)),
    );
  });
});

describe('the score', () => {
  const attempt = (
    right: boolean,
    decided: Attempt['decided'],
    seconds = 5,
    named = false,
    touched = false,
  ): Attempt => ({ right, decided, named, touched, seconds });
  test('the two kinds of error are kept apart, and a missed fault weighs more', () => {
    const s = scored([
      attempt(true, 'right', 4),
      attempt(true, 'take-out', 6),
      attempt(false, 'right', 8),
      attempt(false, 'put-right', 10, true, false),
    ]);
    expect(s).toEqual({ count: 4, missed: 1, false_alarms: 1, named: 1, touched: 0, median_s: 7, weighed_errors: 6 });
    expect(scored([attempt(false, 'right')]).weighed_errors).toBeGreaterThan(
      scored([attempt(true, 'take-out')]).weighed_errors,
    );
  });

  test('nothing yet', () => {
    expect(scored([])).toMatchObject({ count: 0, median_s: null });
  });
});
