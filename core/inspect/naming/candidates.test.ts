import { expect, test } from '@jest/globals';
import { shapeOf } from '../../knots/catalogue/catalogue';
import { bestOfEach, lyingAs, withoutRings, type Candidate } from './candidates';
import { prepared } from './figures/formFigures';
import { knownForms } from './known';
import type { Entered } from './naming';
import { presented } from './presentations';

test('of each form only the nearest is kept, in the order they were in', () => {
  const [a, b] = knownForms();
  const of = (known: Candidate['known'], apart: number) => ({ known, apart }) as Candidate;
  const all = [of(a!, 0.1), of(b!, 0.15), of(a!, 0.2), of(b!, 0.3)];
  expect(bestOfEach(all).map((c) => [c.known.form.id, c.apart])).toEqual([
    [a!.form.id, 0.1],
    [b!.form.id, 0.15],
  ]);
  expect(bestOfEach([])).toEqual([]);
});

test('without its rings a form keeps the figures of its ropes', () => {
  const figure = [{ as: 'x', mirrored: 'y' }];
  const figures = { alone: figure, 'ring 1': figure, 'turns in ring 1': figure };
  expect(Object.keys(withoutRings(figures))).toEqual(['alone']);
});

test.each(['bowline-locked', 'figure-eight-bend', 'clove-hitch'])(
  'a %s as it is stored lies as itself in the state it is in, however it is turned, and nearer than as any other',
  (knot) => {
    for (const [n, state] of (['dressed', 'tight'] as const).entries()) {
      const shape = presented(shapeOf(knot, 'right', state) as readonly Entered[], { turned: true, step: 0.4 }, n);
      const { lying } = lyingAs(prepared(shape));
      const own = lying.filter((c) => c.known.form.id === `${knot}/right`);
      expect(own.map((c) => [c.state, c.mirror])).toContainEqual([state, false]);
      // the same shape may be stored under another form of the knot too; another knot is not as near
      expect([lying[0]!.known.form.knot, lying[0]!.apart]).toEqual([knot, Math.min(...lying.map((c) => c.apart))]);
      expect(own[0]!.apart).toBeLessThan(0.1);
    }
  },
);
