import { describe, expect, test } from '@jest/globals';
import { arcLengths, distance, smallestDistance, type Point3 } from '../curve';
import { alexander, closedAtInfinity, crossingsSeenFrom, determinantOf, invariantsOf, linkingMatrix, diagramOf, signature, simplestDiagram } from '../topology';
import { bakeForm } from './baking';
import { CATALOGUE } from './index';
import { faultsWithShape, formWithWraps, framesOf, knotById, shapeOf, statesOfForm, storedForm, wrapsOf } from './catalogue';
import { doubleBowlineWound } from './double-bowline/second-derivation';
import { entryById } from './lookup';
import { inState, pointsOf, statesOf, type ShapeState } from './stored';
import { forms as bowlineForms } from './bowline/shape';
import { presentation as bowlinePresentation } from './bowline/presentation';

/** What is known of a rope from its form alone. */
const figures = (points: readonly Point3[]) => signature(invariantsOf(simplestDiagram([closedAtInfinity(points)])));
const determinant = (points: readonly Point3[]) => determinantOf(alexander(simplestDiagram([closedAtInfinity(points)])));
const shape = (id: string, form = 'right', state: ShapeState = 'tight') => {
  const s = inState(storedForm(id, form), state);
  return { points: pointsOf(s), marks: s.marks, eye: s.marks.eye! };
};
/** Determinants of the two halves of a rope cut at the far point of its eye. */
const halves = (id: string, form: string) => {
  const { points, eye } = shape(id, form, 'laid');
  return [points.slice(0, eye + 1), points.slice(eye)].map(determinant);
};
const drawn = CATALOGUE.filter((k) => k.baked.forms['right']!.set).map((k) => k.entry.id);

// determinant of the rope alone, its ends joined far away, the tail of a bowline led out of the front
const DETERMINANT: Record<string, bigint> = { 'figure-eight-follow-through': 1n, bowline: 13n, 'bowline-locked': 3n, 'double-bowline': 9n };

describe.each(drawn)('%s, drawn up', (id) => {
  test('is the same knot laid, dressed and tight', () => {
    for (const state of statesOfForm(id)) expect(figures(shape(id, 'right', state).points)).toEqual(figures(shape(id, 'right', 'laid').points));
    expect(determinant(shape(id).points)).toBe(DETERMINANT[id]);
  });

  test('its strands keep their distances', () => {
    expect(smallestDistance([{ points: shape(id).points, closed: false }], 2.5)).toBeGreaterThanOrEqual(0.96);
    for (const f of Object.values(knotById(id).baked.forms)) expect(f.set!.smallestDistanceEver_ropeDiameters).toBeGreaterThanOrEqual(0.92);
  });

  test('stands upright: the standing part leaves upward, the eye hangs down', () => {
    const { points, marks, eye } = shape(id);
    expect(points[0]![1]).toBeGreaterThan(12);
    expect(points[eye]![1]).toBeLessThan(-5);
    expect(Math.abs(points[eye]![2])).toBeLessThan(2);
    expect(marks.standing[1]).toBeLessThan(eye);
    expect(marks.tail[0]).toBeGreaterThan(eye);
  });
});

describe.each(CATALOGUE.map((k) => k.entry.id))('%s', (id) => {
  test('every picture that a check point names can be made', () => {
    for (const point of entryById(id).check_points)
      for (const p of [point.right.picture, ...point.wrong.flatMap((w) => (w.picture ? [w.picture] : []))]) expect(shapeOf(p.knot ?? id, p.form, p.state, p.harness ?? null).length).toBeGreaterThan(0);
  });

  test('every wrong answer of a point is one of its faults, each with what to do and a source', () => {
    const entry = entryById(id);
    for (const point of entry.check_points) for (const w of point.wrong) expect(entry.faults.map((f) => f.id)).toContain(w.fault);
    for (const f of entry.faults) expect([f.what_to_do.length > 0, ['practice', 'general'].includes(f.source)]).toEqual([true, true]);
    expect(new Set(entry.faults.map((f) => f.id)).size).toBe(entry.faults.length);
    expect(new Set(entry.pulls.map((p) => p.pull)).size).toBe(entry.pulls.length);
  });

  test('its ways have frames of one rope with equally many points', () => {
    for (const way of entryById(id).ways) {
      const frames = framesOf(id, way.id);
      expect(frames.length).toBeGreaterThan(4);
      for (const f of frames) expect([f.components.length, f.components[0]!.points.length]).toEqual([1, frames[0]!.components[0]!.points.length]);
    }
    expect(() => framesOf(id, 'no-such-way')).toThrow(expect.objectContaining({ code: 'unknown-way' }) as unknown as Error);
  });

  test('its marks name places in order along the rope', () => {
    for (const [name, form] of Object.entries(knotById(id).baked.forms))
      for (const state of statesOf(form)) {
        const { points, marks } = shape(id, name, state);
        const inOrder = [...marks.standing, ...(marks.legs ? [...marks.legs[0], ...marks.legs[1]] : []), ...marks.tail];
        expect([name, state, inOrder.slice().sort((a, b) => a - b)]).toEqual([name, state, inOrder]);
        expect([inOrder[0], inOrder.at(-1)]).toEqual([0, points.length - 1]);
        if (marks.legs) expect([marks.legs[0][1], marks.legs[1][0]]).toEqual([marks.eye, marks.eye]);
        for (const part of [marks.collar, marks.nipping_loop]) if (part) expect(part[0]).toBeLessThan(part[1]);
      }
  });

  test('what is hung in its eye hangs in it: linked once, clear of the rope; a knot without an eye refuses', () => {
    for (const state of statesOfForm(id))
      for (const object of ['clip', 'ring'] as const) {
        if (shape(id, 'right', state).eye === undefined) {
          expect(() => shapeOf(id, 'right', state, object)).toThrow(expect.objectContaining({ code: 'no-object-form' }) as unknown as Error);
          continue;
        }
        const [rope, hung] = shapeOf(id, 'right', state, object);
        const link = linkingMatrix(diagramOf(crossingsSeenFrom([closedAtInfinity(rope!.points), { points: hung!.points, closed: true }], [0.9, 0.2, 0.4]), 2))[0]![1]!;
        expect([state, object, Math.abs(link)]).toEqual([state, object, 1]);
        const gap = Math.min(...hung!.points.map((p) => Math.min(...rope!.points.map((q) => distance(p, q)))));
        expect(gap).toBeGreaterThan((1 + hung!.diameter) / 2);
      }
  });
});

describe('figure-eight follow-through', () => {
  const id = 'figure-eight-follow-through';
  test('standing part and tail lie side by side through the knot', () => {
    const { points, marks, eye } = shape(id);
    const knot = (from: number, to: number) => points.slice(from, to).filter((p) => Math.abs(p[1]) < 3.2);
    const first = knot(marks.standing[1], eye);
    const second = knot(eye, marks.tail[0]);
    const gaps = second.map((p) => Math.min(...first.map((q) => distance(p, q)))).sort((a, b) => a - b);
    expect(gaps[gaps.length >> 1]).toBeLessThanOrEqual(1.15);
  });

  test('each strand through it is a figure-eight; half finished only the first is there; a wrong lane is no eight', () => {
    expect(halves(id, 'right')).toEqual([5n, 5n]);
    expect(halves(id, 'load-strand-outside')).toEqual([5n, 5n]);
    expect(determinant(shape(id, 'half-finished').points)).toBe(5n);
    expect(halves(id, 'wrong-lane')).not.toEqual([5n, 5n]);
  });

  test('takes about twice the rope of a single eight', () => {
    const ratio = storedForm(id, 'right').set!.inKnot_ropeDiameters / storedForm(id, 'half-finished').set!.inKnot_ropeDiameters;
    expect(ratio).toBeGreaterThan(2);
    expect(ratio).toBeLessThan(4);
  });
});

test.each(['bowline', 'double-bowline', 'bowline-locked'])('%s, set, still has its collar behind the standing part and above the turns that nip', (id) => {
  const { points, marks, eye } = shape(id);
  const turns = points.slice(marks.standing[1], eye).filter((p) => p[1] > -3.5);
  const standing = points.slice(0, marks.standing[1] + 8);
  // of what comes back from the eye, what lies behind the standing part as seen from the front
  const behind = points.slice(eye, marks.tail[1] + 1).filter((p) => standing.some((q) => Math.hypot(p[0] - q[0], p[1] - q[1]) < 0.5 && q[2] - p[2] > 0.8));
  expect(behind.length).toBeGreaterThan(0);
  // a bowline that has capsized carries its nipping turns on top
  expect(Math.max(...behind.map((p) => p[1]))).toBeGreaterThan(turns.map((p) => p[1]).sort((a, b) => a - b)[Math.floor(turns.length / 2)]!);
});

test('the double bowline wound in space is the one laid flat', () => {
  const wound = doubleBowlineWound();
  expect(figures(wound)).toEqual(figures(shape('double-bowline').points));
  expect(figures(wound)).not.toEqual(figures(shape('bowline').points));
});

test('faults of the locked bowline are other knots, or pass another way', () => {
  expect(figures(shape('bowline-locked', 'lock-not-through-collar').points)).not.toEqual(figures(shape('bowline-locked').points));
  expect(figures(shape('bowline-locked', 'third-strand-astray').points)).not.toEqual(figures(shape('bowline-locked').points));
});

test('a fault, too, is one and the same form laid, dressed and tight', () => {
  for (const { entry, baked } of CATALOGUE)
    for (const [form, stored] of Object.entries(baked.forms))
      if (form !== 'half-finished') for (const state of statesOf(stored)) expect([entry.id, form, state, figures(shape(entry.id, form, state).points)]).toEqual([entry.id, form, state, figures(shape(entry.id, form, 'laid').points)]);
});

test('condition faults change exactly their one measure', () => {
  for (const id of drawn) {
    const right = shape(id);
    const large = shape(id, 'eye-too-large');
    expect(figures(large.points)).toEqual(figures(right.points));
    expect(right.points[right.eye]![1] - large.points[large.eye]![1]).toBeCloseTo(11, 1);
    expect(storedForm(id, 'eye-too-large').set!.inKnot_ropeDiameters).toBe(storedForm(id, 'right').set!.inKnot_ropeDiameters);
    expect(faultsWithShape(id)).toEqual(expect.arrayContaining(['loose', 'tail-short', 'eye-too-large', 'one-harness-point']));
  }
  for (const { entry } of CATALOGUE.filter((k) => faultsWithShape(k.entry.id).includes('tail-short'))) {
    const [short] = shapeOf(entry.id, 'tail-short', statesOfForm(entry.id).at(-1)!);
    const tail = short!.points.slice(short!.marks!.tail![0]);
    expect(arcLengths(tail).at(-1)).toBeGreaterThanOrEqual(2);
    expect(arcLengths(tail).at(-1)).toBeLessThan(2.6);
  }
});

test('the harness hangs in the eye: both points threaded, or one', () => {
  const linked = (harness: 'both' | 'one') => {
    const [rope, ...rings] = shapeOf('figure-eight-follow-through', 'right', 'tight', harness);
    return rings.map((ring) => Math.abs(linkingMatrix(diagramOf(crossingsSeenFrom([closedAtInfinity(rope!.points), { points: ring.points, closed: true }], [0.9, 0.2, 0.4]), 2))[0]![1]!));
  };
  // a rope whose two legs both pass the far side closes up round the ring: one threading counts one
  expect(linked('both')).toEqual([1, 1]);
  expect(linked('one')).toEqual([1, 0]);
  // half finished, the end has gone through both and hangs free
  const [rope, ...rings] = shapeOf('figure-eight-follow-through', 'half-finished', 'tight', 'both');
  const low = Math.min(...rope!.points.map((p) => p[1]));
  for (const ring of rings) expect(Math.max(...ring.points.map((p) => p[1]))).toBeGreaterThan(low);
  expect(() => shapeOf('figure-eight-follow-through', 'half-finished', 'laid', 'both')).toThrow(expect.objectContaining({ code: 'no-object-form' }) as unknown as Error);
});

test('wraps can be chosen where they are a choice', () => {
  expect(wrapsOf('barrel-noose')).toEqual([2, 3]);
  expect([formWithWraps('barrel-noose', 2), formWithWraps('barrel-noose', 3)]).toEqual(['right', 'wraps-3']);
  for (const [id, wraps] of [['barrel-noose', 4], ['bowline', 2]] as const) expect(() => formWithWraps(id, wraps)).toThrow(expect.objectContaining({ code: 'no-wraps-form' }) as unknown as Error);
});

test('a state that is not stored is refused', () => {
  expect(statesOfForm('alpine-butterfly')).toEqual(['laid']);
  expect(() => shapeOf('alpine-butterfly', 'right', 'tight')).toThrow(expect.objectContaining({ code: 'state-not-made' }) as unknown as Error);
});

test('baking again gives what is stored', () => {
  const again = bakeForm(bowlineForms.right(), bowlinePresentation);
  expect(again).toEqual(storedForm('bowline', 'right'));
});

test('unknown knots and faults are refused by name', () => {
  expect(() => knotById('no-such-knot')).toThrow(expect.objectContaining({ code: 'unknown-knot' }) as unknown as Error);
  expect(() => storedForm('bowline', 'half-finished')).toThrow(expect.objectContaining({ code: 'unknown-fault' }) as unknown as Error);
});
