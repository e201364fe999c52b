import { describe, expect, test } from '@jest/globals';
import { arcLengths, distance, smallestDistance, type Point3 } from '../curve';
import { alexanderAt, closedAtInfinity, crossingsSeenFrom } from '../topology';
import { bakeForm } from './baking';
import { CATALOGUE } from './index';
import { faultsWithShape, framesOf, knotById, shapeOf, storedForm } from './catalogue';
import { doubleBowlineWound } from './double-bowline/second-derivation';
import { entryById } from './lookup';
import { pointsOf, STATES } from './stored';
import { forms as bowlineForms } from './bowline/shape';
import { presentation as bowlinePresentation } from './bowline/presentation';

const DIRECTIONS: Point3[] = [[0.12, 0.31, 1], [1, 0.21, 0.13], [-0.4, 0.9, 0.33], [0.7, -0.5, -0.6]];
const figures = (points: readonly Point3[], toViewer: Point3) => {
  const c = crossingsSeenFrom([closedAtInfinity(points)], toViewer);
  return [-1n, 2n, 3n].map((t) => alexanderAt(c, t));
};
const shape = (id: string, form = 'right', state: 'laid' | 'dressed' | 'tight' = 'tight') => {
  const s = storedForm(id, form)[state];
  return { points: pointsOf(s), marks: s.marks };
};
/** Determinants of the two halves of a rope cut at the far point of its eye. */
const halves = (id: string, form: string) => {
  const { points, marks } = shape(id, form, 'laid');
  return [points.slice(0, marks.eye + 1), points.slice(marks.eye)].map((half) => alexanderAt(crossingsSeenFrom([closedAtInfinity(half)], DIRECTIONS[0]!), -1n));
};

// determinant of the rope alone, its ends joined far away, the tail of a bowline led out of the front
const DETERMINANT: Record<string, bigint> = { 'figure-eight-follow-through': 1n, bowline: 13n, 'bowline-locked': 3n, 'double-bowline': 9n };

describe.each(CATALOGUE.map((k) => k.entry.id))('%s', (id) => {
  test('is the same knot laid, dressed and tight, seen from anywhere', () => {
    for (const state of STATES) for (const d of DIRECTIONS) expect(figures(shape(id, 'right', state).points, d)).toEqual(figures(shape(id, 'right', 'laid').points, DIRECTIONS[0]!));
    expect(figures(shape(id).points, DIRECTIONS[0]!)[0]).toBe(DETERMINANT[id]);
  });

  test('its strands keep their distances', () => {
    const form = storedForm(id, 'right');
    expect(form.laidDistance_ropeDiameters).toBeGreaterThanOrEqual(1.1);
    expect(smallestDistance([{ points: shape(id).points, closed: false }], 2.5)).toBeGreaterThanOrEqual(0.96);
    for (const f of Object.values(knotById(id).baked.forms)) expect(f.smallestDistanceEver_ropeDiameters).toBeGreaterThanOrEqual(0.92);
  });

  test('stands upright: the standing part leaves upward, the eye hangs down', () => {
    const { points, marks } = shape(id);
    expect(points[0]![1]).toBeGreaterThan(12);
    expect(points[marks.eye]![1]).toBeLessThan(-5);
    expect(Math.abs(points[marks.eye]![2])).toBeLessThan(2);
    expect(marks.standing[1]).toBeLessThan(marks.eye);
    expect(marks.tail[0]).toBeGreaterThan(marks.eye);
  });

  test('every picture that a check point names can be made', () => {
    for (const point of entryById(id).check_points)
      for (const p of [point.right.picture, ...point.wrong.flatMap((w) => (w.picture ? [w.picture] : []))]) expect(shapeOf(p.knot ?? id, p.form, p.state, p.harness ?? null).length).toBeGreaterThan(0);
  });

  test('every wrong answer of a point is one of its faults, each with what to do and a source', () => {
    const entry = entryById(id);
    for (const point of entry.check_points) for (const w of point.wrong) expect(entry.faults.map((f) => f.id)).toContain(w.fault);
    for (const f of entry.faults) expect([f.what_to_do.length > 0, ['practice', 'general'].includes(f.source)]).toEqual([true, true]);
    expect(new Set(entry.faults.map((f) => f.id)).size).toBe(entry.faults.length);
  });

  test('its ways have frames of one rope with equally many points', () => {
    for (const way of entryById(id).ways) {
      const frames = framesOf(id, way.id);
      expect(frames.length).toBeGreaterThan(4);
      for (const f of frames) expect([f.components.length, f.components[0]!.points.length]).toEqual([1, frames[0]!.components[0]!.points.length]);
    }
    expect(() => framesOf(id, 'no-such-way')).toThrow(expect.objectContaining({ code: 'unknown-way' }) as unknown as Error);
  });
});

describe('figure-eight follow-through', () => {
  const id = 'figure-eight-follow-through';
  test('standing part and tail lie side by side through the knot', () => {
    const { points, marks } = shape(id);
    const knot = (from: number, to: number) => points.slice(from, to).filter((p) => Math.abs(p[1]) < 3.2);
    const first = knot(marks.standing[1], marks.eye);
    const second = knot(marks.eye, marks.tail[0]);
    const gaps = second.map((p) => Math.min(...first.map((q) => distance(p, q)))).sort((a, b) => a - b);
    expect(gaps[gaps.length >> 1]).toBeLessThanOrEqual(1.15);
  });

  test('each strand through it is a figure-eight; half finished only the first is there; a wrong lane is no eight', () => {
    expect(halves(id, 'right')).toEqual([5n, 5n]);
    expect(halves(id, 'load-strand-outside')).toEqual([5n, 5n]);
    expect(figures(shape(id, 'half-finished').points, DIRECTIONS[0]!)[0]).toBe(5n);
    expect(halves(id, 'wrong-lane')).not.toEqual([5n, 5n]);
  });

  test('takes about twice the rope of a single eight', () => {
    const ratio = storedForm(id, 'right').inKnot_ropeDiameters / storedForm(id, 'half-finished').inKnot_ropeDiameters;
    expect(ratio).toBeGreaterThan(2);
    expect(ratio).toBeLessThan(4);
  });
});

test.each(['bowline', 'double-bowline', 'bowline-locked'])('%s, set, still has its collar behind the standing part and above the turns that nip', (id) => {
  const { points, marks } = shape(id);
  const turns = points.slice(marks.standing[1], marks.eye).filter((p) => p[1] > -3.5);
  const standing = points.slice(0, marks.standing[1] + 8);
  // of what comes back from the eye, what lies behind the standing part as seen from the front
  const behind = points.slice(marks.eye, marks.tail[1] + 1).filter((p) => standing.some((q) => Math.hypot(p[0] - q[0], p[1] - q[1]) < 0.5 && q[2] - p[2] > 0.8));
  expect(behind.length).toBeGreaterThan(0);
  // a bowline that has capsized carries its nipping turns on top
  expect(Math.max(...behind.map((p) => p[1]))).toBeGreaterThan(turns.map((p) => p[1]).sort((a, b) => a - b)[Math.floor(turns.length / 2)]!);
});

test('the double bowline wound in space is the one laid flat', () => {
  const wound = doubleBowlineWound();
  for (const d of DIRECTIONS) expect(figures(wound, d)).toEqual(figures(shape('double-bowline').points, DIRECTIONS[0]!));
  expect(figures(wound, DIRECTIONS[0]!)).not.toEqual(figures(shape('bowline').points, DIRECTIONS[0]!));
});

test('faults of the locked bowline are other knots, or pass another way', () => {
  expect(figures(shape('bowline-locked', 'lock-not-through-collar').points, DIRECTIONS[0]!)).not.toEqual(figures(shape('bowline-locked').points, DIRECTIONS[0]!));
  expect(figures(shape('bowline-locked', 'third-strand-astray').points, DIRECTIONS[0]!)).not.toEqual(figures(shape('bowline-locked').points, DIRECTIONS[0]!));
});

test('a fault, too, is one and the same form laid, dressed and tight', () => {
  for (const { entry, baked } of CATALOGUE)
    for (const form of Object.keys(baked.forms).filter((f) => f !== 'half-finished'))
      for (const state of STATES) expect([entry.id, form, state, figures(shape(entry.id, form, state).points, DIRECTIONS[1]!)]).toEqual([entry.id, form, state, figures(shape(entry.id, form, 'laid').points, DIRECTIONS[0]!)]);
});

test('condition faults change exactly their one measure', () => {
  for (const { entry } of CATALOGUE) {
    const right = shape(entry.id);
    const large = shape(entry.id, 'eye-too-large');
    expect(figures(large.points, DIRECTIONS[0]!)).toEqual(figures(right.points, DIRECTIONS[0]!));
    expect(right.points[right.marks.eye]![1] - large.points[large.marks.eye]![1]).toBeCloseTo(11, 1);
    expect(storedForm(entry.id, 'eye-too-large').inKnot_ropeDiameters).toBe(storedForm(entry.id, 'right').inKnot_ropeDiameters);
    const [short] = shapeOf(entry.id, 'tail-short', 'tight');
    const tail = short!.points.slice(short!.marks!.tail[0]);
    expect(arcLengths(tail).at(-1)).toBeGreaterThanOrEqual(2);
    expect(arcLengths(tail).at(-1)).toBeLessThan(2.6);
    expect(faultsWithShape(entry.id)).toEqual(expect.arrayContaining(['loose', 'tail-short', 'eye-too-large', 'one-harness-point']));
  }
});

test('the harness hangs in the eye: both points threaded, or one', () => {
  const linked = (harness: 'both' | 'one') => {
    const [rope, ...rings] = shapeOf('figure-eight-follow-through', 'right', 'tight', harness);
    return rings.map((ring) => {
      const c = crossingsSeenFrom([closedAtInfinity(rope!.points), { points: ring.points, closed: true }], [0.9, 0.2, 0.4]);
      const between = c.passes.filter((p) => p.line === 1 && c.passes.some((q) => q.crossing === p.crossing && q.line === 0));
      return Math.abs(between.reduce((s, p) => s + p.sign, 0) / 2);
    });
  };
  // a rope whose two legs both pass the far side closes up round the ring: one threading counts one
  expect(linked('both')).toEqual([1, 1]);
  expect(linked('one')).toEqual([1, 0]);
});

test('baking again gives what is stored', () => {
  const again = bakeForm(bowlineForms.right(), bowlinePresentation);
  expect(again).toEqual(storedForm('bowline', 'right'));
});

test('unknown knots and faults are refused by name', () => {
  expect(() => knotById('no-such-knot')).toThrow(expect.objectContaining({ code: 'unknown-knot' }) as unknown as Error);
  expect(() => storedForm('bowline', 'half-finished')).toThrow(expect.objectContaining({ code: 'unknown-fault' }) as unknown as Error);
});
