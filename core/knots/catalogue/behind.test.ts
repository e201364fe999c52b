/** Knots with another one tied behind them: in every state one knot, no strand in another, and just what the solver made of the same. */
import { describe, expect, test } from '@jest/globals';
import { add, distance, scale, smallestDistance, subtract, unit, type Point3 } from '../../curve';
import { alexander, closedAtInfinity, determinantOf, simplestDiagram } from '../../topology';
import { figuresOf, ledTo, sameFigures } from '../baking/figures';
import { FAULTS_OF_JOINED, isJoined } from '../facts/composed';
import { STATES } from '../facts/types';
import { companionsFor, partsOf, usesOf, type Companion } from '../facts/uses';
import type { ShapeComponent } from '../shape/stored';
import { NEIGHBOUR_ARC_ropeDiameters } from '../shape/storing';
import { tiedBehind } from './behind';
import { shapeOf } from './catalogue';
import { ENTRIES } from './entries';
import { withCompanion } from './withCompanion';

const BEHIND = ['stopper-behind', 'two-strand-backup', 'backed-both-sides'] as const;
const CASES = ENTRIES.flatMap(({ id }) => BEHIND.filter((c) => isJoined(id, c)).map((c) => [id, c] as const));
const ropes = (components: readonly ShapeComponent[]) => components.filter((c) => c.marks?.standing);
/** Of these the tail leaves into the eye. */
const INTO_THE_EYE: readonly string[] = ['bowline', 'double-bowline'];
/** Joined far away, where nothing lies in the way: the end of a tape as it lies, of a tail in the eye toward the viewer, else away from the standing part. */
function led(c: ShapeComponent, knot: string): readonly Point3[] {
  const [end, before] = [c.points.at(-1)!, c.points.at(-4)!];
  const beside = c.points
    .slice(0, c.marks!.standing![1])
    .reduce((a, b) => (distance(b, end) < distance(a, end) ? b : a));
  const toward: Point3 = c.tape
    ? subtract(end, before)
    : INTO_THE_EYE.includes(knot)
      ? [0, 0, 1]
      : subtract(end, beside);
  return ledTo(c.points, [
    add(c.points[0]!, scale(unit(subtract(c.points[0]!, c.points[3]!)), 60)),
    add(end, scale(unit(toward), 60)),
  ]);
}
const figures = (components: readonly ShapeComponent[], knot = '') =>
  figuresOf({
    ropes: ropes(components).map((c) => ({ points: led(c, knot), closed: false })),
    // one point more lies before it
    eyes: ropes(components).flatMap(({ marks }) => (marks!.eye === undefined ? [] : [marks!.eye + 1])),
    things: [],
  });
const determinant = (c: ShapeComponent, knot: string) =>
  determinantOf(alexander(simplestDiagram([closedAtInfinity(led(c, knot))])));
/** Lines across the width of a tape, or a rope's own. */
const lines = (c: ShapeComponent) =>
  (c.tape ? [-0.45, 0, 0.45] : [0]).map((u) => ({
    closed: false,
    points: c.points.map((p, i): Point3 => {
      const [x, y, z] = c.tape ? c.tape.across[i]! : [0, 0, 0];
      const w = u * (c.tape?.width ?? 0);
      return [p[0] + x * w, p[1] + y * w, p[2] + z * w];
    }),
  }));
/** Of one tape its folds count, not its edges beside each other; two are held apart. */
function least(components: readonly ShapeComponent[]): number {
  const [a, b] = ropes(components).map(lines);
  const own = [a!, b ?? []]
    .flat()
    .map((line) => smallestDistance([line], a!.length > 1 ? 5 : NEIGHBOUR_ARC_ropeDiameters));
  const between = b ? a!.flatMap((p) => b.map((q) => smallestDistance([p, q], 5))) : [];
  return Math.min(...own, ...between);
}
const LEAST = { laid: 0.88, dressed: 0.97, tight: 0.93 };

test('every knot of which one is asked or may be tied is pictured with it; a rewoven butterfly has nothing beside its tail', () => {
  const without = ENTRIES.flatMap((e) =>
    usesOf(e).flatMap((use) =>
      companionsFor(e, use)
        .filter((c) => !partsOf(e).includes(c) && !isJoined(e.id, c))
        .map(() => e.id),
    ),
  );
  expect([...new Set(without)].sort()).toEqual(['butterfly-rewoven', 'figure-eight-follow-through']);
});

test.each([
  ['tie-in-stopper', 2],
  ['two-strand-backup', 1],
] as const)('what the solver drew up as %s is what is tied behind a follow-through here', (entry, turns) => {
  for (const [wrong, form] of [
    [undefined, 'right'],
    ['stopper-gap', 'stopper-gap'],
    ['stopper-wrong-strand', 'stopper-wrong-face'],
  ] as const) {
    const solved = figures(shapeOf(entry, form, 'tight'));
    for (const state of STATES) {
      const here = figures(tiedBehind('figure-eight-follow-through', state, turns, wrong));
      expect(sameFigures(here, solved)).toBe(true);
      expect(
        sameFigures(here, figures(tiedBehind('figure-eight-follow-through', state, turns === 1 ? 2 : 1, wrong))),
      ).toBe(false);
    }
  }
});

describe.each(CASES)('%s, %s', (knot, companion: Companion) => {
  const faults = FAULTS_OF_JOINED[companion].filter((f) => f !== 'stopper-missing');
  const alone = figures(shapeOf(knot, 'right', 'tight'), knot);
  test.each([undefined, ...faults])('%s: one knot in every state, no strand in another, no step', (fault) => {
    const set = figures(withCompanion(knot, companion, 'tight', fault), knot);
    expect(sameFigures(set, alone)).toBe(false);
    for (const state of STATES) {
      const components = withCompanion(knot, companion, state, fault);
      expect(sameFigures(figures(components, knot), set)).toBe(true);
      expect(least(components)).toBeGreaterThan(LEAST[state]);
      for (const { points, marks } of ropes(components)) {
        expect(Math.max(...points.slice(1).map((p, i) => distance(p, points[i]!)))).toBeLessThan(0.7);
        expect(marks!.tail![0]).toBeGreaterThan(marks!.standing![1]);
        expect(marks!.tail![1]).toBe(points.length - 1);
      }
    }
  });
  test('missing, it is the knot alone', () => {
    expect(withCompanion(knot, companion, 'tight', 'stopper-missing')).toEqual(shapeOf(knot, 'right', 'tight'));
  });
  test('a gap is one: what is tied stands farther from the knot', () => {
    const tail = (fault?: 'stopper-gap') => {
      const { points, marks } = ropes(withCompanion(knot, companion, 'tight', fault))[0]!;
      return distance(points[marks!.tail![0]]!, points[marks!.standing![1]]!);
    };
    expect(tail('stopper-gap')).toBeGreaterThan(tail() + 3);
  });
});

test.each(CASES.filter(([, c]) => c !== 'backed-both-sides'))(
  '%s, %s round the tail alone: the knot and an overhand of its own, beside each other',
  (knot, companion) => {
    const host = determinant(shapeOf(knot, 'right', 'tight')[0]!, knot);
    const stopper = companion === 'stopper-behind' ? 'double-overhand-stopper' : 'overhand-stopper';
    const own = determinant(shapeOf(stopper, 'right', 'tight')[0]!, stopper);
    const both = withCompanion(knot, companion, 'tight', 'stopper-wrong-strand')[0]!;
    expect([determinant(both, knot), own > 1n]).toEqual([host * own, true]);
  },
);

test('backed on one side is neither backed on both nor on none', () => {
  for (const knot of ['water-knot', 'figure-eight-bend']) {
    const [both, one, none] = ([undefined, 'backup-one-side', 'stopper-missing'] as const).map((f) =>
      figures(withCompanion(knot, 'backed-both-sides', 'tight', f)),
    );
    expect([sameFigures(both!, one!), sameFigures(one!, none!), sameFigures(both!, none!)]).toEqual([
      false,
      false,
      false,
    ]);
  }
});
