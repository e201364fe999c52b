/** A knot with a stopper in its tag: one rope, in every state the same knot, and just the two that it is joined of. */
import { describe, expect, test } from '@jest/globals';
import { distance, smallestDistance, type Point3 } from '../../curve';
import { alexander, closedAtInfinity, determinantOf, simplestDiagram } from '../../topology';
import { figuresOf, sameFigures } from '../baking/figures';
import { isJoined } from '../facts/composed';
import { STATES } from '../facts/types';
import { companionsFor, usesOf } from '../facts/uses';
import { NEIGHBOUR_ARC_ropeDiameters } from '../shape/storing';
import { ENTRIES } from './entries';
import { shapeOf } from './catalogue';
import { withStopperInTag } from './together';

const JOINED = ENTRIES.filter((e) => isJoined(e.id, 'stopper-in-tag'));
const determinant = (points: readonly Point3[]) =>
  determinantOf(alexander(simplestDiagram([closedAtInfinity(points)])));

test('they are those of which a stopper in the tag is asked or may be tied as a tether', () => {
  expect(JOINED.map((e) => e.id).sort()).toEqual([
    'barrel-noose',
    'buntline-hitch',
    'figure-eight-on-bight',
    'overhand-on-bight',
  ]);
  for (const e of ENTRIES)
    for (const use of usesOf(e))
      if (use === 'tether' && companionsFor(e, use).includes('stopper-in-tag')) expect(JOINED).toContain(e);
});

describe.each(JOINED.map((e) => e.id))('%s', (knot) => {
  const figures = (state: (typeof STATES)[number], gap: boolean) => {
    const [rope, ...things] = withStopperInTag(knot, state, gap);
    return figuresOf({
      ropes: [{ points: rope!.points, closed: false }],
      eyes: [rope!.marks!.eye!],
      things,
    });
  };
  test.each(STATES)('%s: no strand touches another, the rope has no step', (state) => {
    for (const gap of [false, true]) {
      const { points } = withStopperInTag(knot, state, gap)[0]!;
      const least = { laid: 1.2, dressed: 1, tight: 0.97 }[state];
      expect(smallestDistance([{ points, closed: false }], NEIGHBOUR_ARC_ropeDiameters)).toBeGreaterThan(least);
      const steps = points.slice(1).map((p, i) => distance(p, points[i]!));
      expect(Math.max(...steps)).toBeLessThan(0.7);
    }
  });
  test('laid, dressed and set it is one knot, slid away the same', () => {
    const set = figures('tight', false);
    for (const state of STATES)
      for (const gap of [false, true]) expect(sameFigures(figures(state, gap), set)).toBe(true);
  });
  test('it is the knot and a double overhand, no more: its determinant is theirs multiplied', () => {
    const host = shapeOf(knot, 'right', 'tight')[0]!;
    const both = withStopperInTag(knot, 'tight')[0]!;
    const stopper = determinant(shapeOf('double-overhand-stopper', 'right', 'tight')[0]!.points);
    expect(stopper).toBeGreaterThan(1n);
    expect(determinant(both.points)).toBe(determinant(host.points) * stopper);
  });
  test('a gap is one: something goes between knot and stopper', () => {
    const away = (gap: boolean) => {
      const { points, marks } = withStopperInTag(knot, 'tight', gap)[0]!;
      return distance(points[marks!.tail![0]]!, points[marks!.eye!]!);
    };
    expect(away(true)).toBeGreaterThan(away(false) + 3);
  });
});
