/** Hitches and joints as they are stored: turns counted, wraps in order, everything where the entry says it is. */
import { describe, expect, test } from '@jest/globals';
import { arcLengths, distance, smallestDistance, type Point3 } from '../../curve';
import {
  alexander,
  closedAtInfinity,
  crossJoined,
  determinantOf,
  diagramOf,
  invariantsOf,
  jones,
  laurentText,
  linkingMatrix,
  mirrored,
  regularView,
  signature,
  simplestDiagram,
  turnsAbout,
} from '../../topology';
import { shapeOf, storedForm, variantForm, wrapsOf } from './catalogue';
import { pointsOf, triples, type ShapeComponent } from '../shape/stored';
import { STATES, type ShapeState } from '../facts/types';

const rope = (id: string, form = 'right', state: ShapeState = 'tight') => shapeOf(id, form, state)[0]!;
const part = (id: string, role: ShapeComponent['role'], form = 'right', state: ShapeState = 'tight') =>
  shapeOf(id, form, state).find((c) => c.role === role)!;
const V = (points: readonly Point3[]) => laurentText(jones(simplestDiagram([closedAtInfinity(points)])));
/** A friction hitch's turns about its host, from reversal to reversal. */
const runs = (id: string, form = 'right', state: ShapeState = 'tight') =>
  turnsAbout(
    { points: rope(id, form, state).points, closed: false },
    { points: part(id, 'host', form, state).points, closed: false },
  ).runs.filter((r) => Math.abs(r) > 0.6);

describe('friction hitches', () => {
  test.each([
    [2, 'wraps-2'],
    [3, 'right'],
    [4, 'wraps-4'],
    [5, 'wraps-5'],
  ] as const)('a prusik with %i wraps has as many each way, in every state', (wraps, form) => {
    for (const state of STATES) {
      const turns = runs('prusik', form, state);
      expect([state, turns.length]).toEqual([state, 2]);
      expect(Math.abs(turns[0]!)).toBeGreaterThan(wraps - 0.4);
      expect(Math.abs(turns[0]!)).toBeLessThan(wraps + 0.4);
      expect(Math.abs(turns[0]! + turns[1]!)).toBeLessThan(0.3);
    }
  });

  test('joined crosswise with its host a prusik of n wraps is one of 2n + 1 turns and its mirror image', () => {
    const known: Record<string, number> = {};
    for (const [form, n] of [
      ['wraps-2', 2],
      ['right', 3],
      ['wraps-4', 4],
      ['wraps-5', 5],
    ] as const) {
      const d = simplestDiagram([crossJoined(rope('prusik', form).points, part('prusik', 'host', form).points)]);
      // its Jones polynomial is its own mirror image, and its determinant the square of 2n + 1
      expect(laurentText(jones(d))).toBe(laurentText(jones(mirrored(d))));
      known[form] = Math.sqrt(Number(determinantOf(alexander(d)))) - (2 * n + 1);
    }
    expect(known).toEqual({ 'wraps-2': 0, right: 0, 'wraps-4': 0, 'wraps-5': 0 });
  });

  test('schwabisch one and four, distel five of one sense, michoacan four and one back', () => {
    expect(runs('schwabisch').map((r) => Math.round(Math.abs(r)))).toEqual([4, 1]);
    expect(runs('distel').map((r) => Math.round(Math.abs(r)))).toEqual([5]);
    expect(runs('michoacan').map((r) => Math.round(Math.abs(r)))).toEqual([4, 1]);
    expect(runs('michoacan', 'variant-with-the-wraps').map((r) => Math.round(Math.abs(r)))).toEqual([5]);
  });

  test('wraps lie on the host, side by side, none crossing', () => {
    for (const [id, form] of [
      ['prusik', 'right'],
      ['prusik', 'wraps-5'],
      ['schwabisch', 'right'],
      ['distel', 'right'],
    ] as const) {
      const host = part(id, 'host', form);
      const { points } = rope(id, form);
      // where the cord passes the back of the host, from top to bottom
      const axis = host.points[Math.floor(host.points.length / 2)]!;
      const heights: number[] = [];
      for (let i = 1; i < points.length; i++) {
        const [a, b] = [points[i - 1]!, points[i]!];
        if (
          a[2] < axis[2] &&
          b[2] < axis[2] &&
          (a[0] - axis[0]) * (b[0] - axis[0]) <= 0 &&
          Math.hypot(a[0] - axis[0], a[2] - axis[2]) < 2
        )
          heights.push(a[1]);
      }
      heights.sort((p, q) => p - q);
      const gaps = heights.slice(1).map((h, i) => h - heights[i]!);
      expect([id, form, Math.min(...gaps) > 0.95, Math.max(...gaps) < 2.2]).toEqual([id, form, true, true]);
    }
  });

  test('slings are closed, hang in their ring, and lie on the host as pairs', () => {
    for (const [id, times] of [
      ['autoblock', 2],
      ['klemheist', 1],
    ] as const) {
      const [sling, host, ring] = shapeOf(id, 'right', 'tight');
      expect([sling!.role, sling!.closed, host!.role, ring!.role]).toEqual(['sling', true, 'host', 'ring']);
      const link = linkingMatrix(
        diagramOf(
          regularView([
            { points: sling!.points, closed: true },
            { points: ring!.points, closed: true },
          ]),
          2,
        ),
      )[0]![1]!;
      // a bight goes once round the ring's bar
      expect([id, Math.abs(link) % 2]).toEqual([id, times % 2]);
      const inRing = sling!.points.filter(
        (p) =>
          distance(
            p,
            ring!.points.reduce((b, q) => (distance(p, q) < distance(p, b) ? q : b), ring!.points[0]!),
          ) < 1.2,
      ).length;
      expect(inRing).toBeGreaterThan(times * 2);
      expect(smallestDistance([{ points: sling!.points, closed: true }], 2.5)).toBeGreaterThan(0.97);
    }
  });
});

describe('hitches on a bar', () => {
  const linked = (id: string, form = 'right') =>
    Math.abs(
      linkingMatrix(
        diagramOf(
          regularView([
            closedAtInfinity(rope(id, form).points),
            { points: part(id, 'ring', form).points, closed: true },
          ]),
          2,
        ),
      )[0]![1]!,
    );

  test('the clove passes twice the same way, the girth and the mirrored clove there and back', () => {
    expect([linked('clove-hitch'), linked('girth-hitch'), linked('clove-hitch', 'mirrored-loops')]).toEqual([2, 0, 0]);
  });

  test('the Munter passes there and back, alone it is no knot; its brake strand is away from the gate', () => {
    expect(linked('munter-hitch')).toBe(0);
    expect(V(rope('munter-hitch').points)).toBe('1');
    const { points } = rope('munter-hitch');
    const karabiner = part('munter-hitch', 'ring');
    const gate = karabiner.points[Math.round((karabiner.marks!.gate![0] + karabiner.marks!.gate![1]) / 2)]!;
    const [load, brake] = [points[0]!, points.at(-1)!];
    expect(Math.abs(brake[0] - gate[0])).toBeGreaterThan(Math.abs(load[0] - gate[0]));
  });

  test('on a post it is another form of its own; what it lies round cannot be exchanged', () => {
    expect(shapeOf('clove-hitch', 'right', 'tight', 'post').map((c) => c.role)).toEqual(['rope', 'post']);
    expect(shapeOf('clove-hitch', 'right', 'tight', 'clip').map((c) => c.name)).toEqual(['rope', 'karabiner']);
    for (const [id, object] of [
      ['clove-hitch', 'ring'],
      ['prusik', 'clip'],
      ['girth-hitch', 'post'],
      ['munter-hitch', 'both'],
    ] as const)
      expect(() => shapeOf(id, 'right', 'tight', object)).toThrow(
        expect.objectContaining({ code: 'no-object-form' }) as unknown as Error,
      );
  });

  test.each([
    [3, 'wraps-3'],
    [4, 'right'],
    [5, 'wraps-5'],
    [6, 'wraps-6'],
  ] as const)('%i wraps round a post, the karabiner through the eye and round the load strand', (wraps, form) => {
    for (const state of STATES) {
      const [line, post, clip] = shapeOf('tension-free-hitch', form, state);
      const turns = turnsAbout({ points: line!.points, closed: false }, { points: post!.points, closed: false }).runs;
      expect(Math.abs(Math.abs(turns[0]!) - wraps)).toBeLessThan(0.4);
      expect(
        Math.abs(
          linkingMatrix(
            diagramOf(regularView([closedAtInfinity(line!.points), { points: clip!.points, closed: true }]), 2),
          )[0]![1]!,
        ),
      ).toBe(2);
    }
    expect(wrapsOf('tension-free-hitch')).toEqual([4, 3, 5, 6]);
  });
});

describe('joints of two ropes', () => {
  const two = (id: string, form = 'right') => [rope(id, form).points, part(id, 'second-rope', form).points] as const;

  test('each rope alone is the knot it must be, both of one hand', () => {
    const known: readonly (readonly [string, string])[] = [
      ['figure-eight-bend', 't^-2 - t^-1 + 1 - t + t^2'],
      ['double-fishermans', 't^2 + t^4 - t^5 + t^6 - t^7'],
      ['triple-fishermans', 't^3 + t^5 - t^6 + t^7 - t^8 + t^9 - t^10'],
      ['offset-overhand', 't + t^3 - t^4'],
      ['offset-double-overhand', 't^2 + t^4 - t^5 + t^6 - t^7'],
      ['square-knot', '1'],
    ];
    for (const [id, v] of known) {
      const [a, b] = two(id);
      expect([id, V(a)]).toEqual([id, V(b)]);
      const d = simplestDiagram([closedAtInfinity(a)]);
      expect([laurentText(jones(d)), laurentText(jones(mirrored(d)))]).toContain(v);
    }
  });

  test('with opposite coils the two hands differ, with a wrap short the two ropes', () => {
    const [a, b] = two('double-fishermans', 'coils-opposite');
    expect(V(a)).not.toBe(V(b));
    const [c, d] = two('double-fishermans', 'one-wrap-short');
    expect(signature(invariantsOf(simplestDiagram([closedAtInfinity(c)])))).not.toBe(
      signature(invariantsOf(simplestDiagram([closedAtInfinity(d)]))),
    );
  });

  test('standing parts and tails leave where the entry says: opposite sides of a bend, one side of an offset joint', () => {
    const sides = (id: string, form = 'right') =>
      shapeOf(id, form, 'tight').map((c) => Math.sign(c.points.at(-1)![0] - c.points[c.marks!.tail![0]]![0]));
    for (const id of ['figure-eight-bend', 'double-fishermans', 'triple-fishermans', 'square-knot'])
      expect([id, sides(id).reduce((s, x) => s + x, 0)]).toEqual([id, 0]);
    for (const id of ['offset-overhand', 'offset-double-overhand'])
      expect([id, Math.abs(sides(id).reduce((s, x) => s + x, 0))]).toEqual([id, 2]);
    expect(Math.abs(sides('figure-eight-bend', 'offset-eight').reduce((s, x) => s + x, 0))).toBe(2);
  });

  test('pairs lie side by side: of a bend two strands at each place, of the joint with a bight three', () => {
    for (const [id, most] of [
      ['figure-eight-bend', 1.15],
      ['offset-overhand', 1.25],
      ['flemish-bend-with-bight', 1.2],
    ] as const) {
      const [a, b] = [rope(id), part(id, 'second-rope')];
      const core = b.points.slice(b.marks!.standing![1], b.marks!.tail![0]);
      const gaps = core.map((p) => Math.min(...a.points.map((q) => distance(p, q)))).sort((x, y) => x - y);
      expect([id, gaps[gaps.length >> 1]! < most]).toEqual([id, true]);
    }
  });

  test('tape lies flat on flat: one thickness apart all along, no wider and no longer than it is', () => {
    for (const state of STATES) {
      const { laid, set } = storedForm('water-knot', 'right');
      const shape = state === 'laid' ? laid : set[state];
      const [first, second] = [shape, shape.second!];
      const lower = pointsOf(second).reverse();
      const nearest = pointsOf(first)
        .slice(40, 140)
        .map((p) => Math.min(...lower.map((q) => distance(p, q))));
      expect(Math.max(...nearest) - Math.min(...nearest)).toBeLessThan(0.9);
      for (const a of triples(first.tape!.across)) expect(Math.hypot(...a)).toBeCloseTo(1, 3);
    }
    const [laid, tight] = [
      arcLengths(rope('water-knot', 'right', 'laid').points).at(-1)!,
      arcLengths(rope('water-knot').points).at(-1)!,
    ];
    expect(Math.abs(laid - tight) / tight).toBeLessThan(0.12);
  });
});

test('variants are known by name; another name is refused', () => {
  expect(variantForm('michoacan', 'variant-with-the-wraps')).toBe('variant-with-the-wraps');
  expect(() => variantForm('michoacan', 'right')).toThrow(
    expect.objectContaining({ code: 'unknown-variant' }) as unknown as Error,
  );
  expect(() => variantForm('bowline', 'on-post')).toThrow(
    expect.objectContaining({ code: 'unknown-variant' }) as unknown as Error,
  );
});

test('two eyes, both marked, one after the other along the rope; eyes that slack went into are drawn to size', () => {
  for (const id of ['double-figure-eight-loop', 'bowline-on-bight']) {
    const { marks } = storedForm(id, 'right').set.tight;
    expect(marks.legs![1][1]).toBeLessThanOrEqual(marks.second_legs![0][0]);
    const { points } = rope(id);
    const length = (legs: readonly [readonly [number, number], readonly [number, number]]) =>
      arcLengths(points.slice(legs[0][0], legs[1][1] + 1)).at(-1)!;
    for (const legs of [marks.legs!, marks.second_legs!]) expect(length(legs)).toBeLessThan(30);
  }
});

test('a backup is butted up to its knot: it begins within a diameter and a half of it', () => {
  for (const id of ['tie-in-stopper', 'two-strand-backup']) {
    const { points, marks } = rope(id);
    const back = points.slice(marks!.legs![1][1], marks!.tail![0]);
    const heights = back.map((p) => p[1]).sort((a, b) => a - b);
    expect(Math.max(...heights.slice(1).map((h, i) => h - heights[i]!))).toBeLessThan(1);
    expect(points.at(-1)![1]).toBeGreaterThan(Math.max(...heights));
  }
});
