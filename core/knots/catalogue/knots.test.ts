import { describe, expect, test } from '@jest/globals';
import { arcLengths, distance, type Point3 } from '../../curve';
import {
  alexander,
  closedAtInfinity,
  crossingsSeenFrom,
  determinantOf,
  invariantsOf,
  linkingMatrix,
  diagramOf,
  signature,
  simplestDiagram,
} from '../../topology';
import { bakeForm } from '../baking/baking';
import { CATALOGUE } from './shelved';
import { faultsWithShape, formWithWraps, knotById, shapeOf, storedForm, wrapsOf } from './catalogue';
import { framesOf, motionOf } from '../tying/motions';
import { doubleBowlineWound } from '../shelf/double-bowline/second-derivation';
import { entryById } from './lookup';
import { inState, pointsOf, type DrawnUp } from '../shape/stored';
import { STATES, type ShapeState } from '../facts/types';
import { butterflyByHand } from '../shelf/alpine-butterfly/wound';
import { presentation as butterflyPresentation } from '../shelf/alpine-butterfly/presentation';

/** What is known of a rope from its form alone. */
const figures = (points: readonly Point3[]) => signature(invariantsOf(simplestDiagram([closedAtInfinity(points)])));
const determinant = (points: readonly Point3[]) =>
  determinantOf(alexander(simplestDiagram([closedAtInfinity(points)])));
const shape = (id: string, form = 'right', state: ShapeState = 'tight') => {
  const s = inState(storedForm(id, form), state);
  return { points: pointsOf(s), marks: s.marks, eye: s.marks.eye! };
};
/** Determinants of the two halves of a rope cut at the far point of its eye. */
const halves = (id: string, form: string) => {
  const { points, eye } = shape(id, form, 'laid');
  return [points.slice(0, eye + 1), points.slice(eye)].map(determinant);
};
const everyForm = CATALOGUE.flatMap(({ entry, baked }) =>
  Object.keys(baked.forms).map((form) => [entry.id, form] as const),
);

/** Which stretch of rope is uppermost at each place of a face: diameters along it from where its strand enters the knot; the tail's side counts from 1000. */
function strandsSeen({ tight: { xyz, marks } }: DrawnUp, face: 'front' | 'back'): Map<string, number> {
  const turn = face === 'front' ? 1 : -1;
  const seen = new Map<string, { height: number; along: number }>();
  for (let i = 0; i < xyz.length / 3; i++) {
    const inLeg = marks.legs!.some(
      ([from, to]) => i > Math.min(from, marks.eye!) + 6 && i < Math.max(to, marks.eye!) - 6,
    );
    if (i < marks.standing[1] - 4 || i > marks.tail[0] + 4 || inLeg) continue;
    const [x, y, z] = [xyz[3 * i]! * turn, xyz[3 * i + 1]!, xyz[3 * i + 2]! * turn];
    const along = i < marks.eye! ? (i - marks.standing[1]) * 0.45 : 1000 + (marks.tail[0] - i) * 0.45;
    for (let u = -8; u <= 8; u++)
      for (let v = -6; v <= 6; v++) {
        const d = Math.hypot(x - u * 0.4, y - v * 0.4);
        const height = z + Math.sqrt(Math.max(0, 0.25 - d * d));
        if (d < 0.5 && height > (seen.get(`${u} ${v}`)?.height ?? -Infinity)) seen.set(`${u} ${v}`, { height, along });
      }
  }
  return new Map([...seen].map(([k, { along }]) => [k, along]));
}
/** Share of the places covered in both at which the same stretch of rope is seen. */
function agreement(a: Map<string, number>, b: Map<string, number>): number {
  const both = [...a].filter(([k]) => b.has(k));
  return both.filter(([k, along]) => Math.abs(along - b.get(k)!) < 2.5).length / both.length;
}

describe.each(everyForm)('%s %s', (id, form) => {
  const placed = storedForm(id, form).set.reach_ropeDiameters !== undefined;

  test('stands upright, an eye below', () => {
    if (placed) return; // in the frame in which it was drawn up
    const { points, marks, eye } = shape(id, form);
    const middle = points.slice(marks.standing[1], marks.tail[0]);
    if (id.startsWith('alpine') || id === 'butterfly-rewoven')
      expect([points[0]![0] < -8, points.at(-1)![0] > 8]).toEqual([true, true]);
    else expect(points[0]![1]).toBeGreaterThan(Math.max(...middle.map((p) => p[1])) + 3);
    if (eye !== undefined)
      expect(points[eye]![1]).toBeLessThan(Math.min(points[marks.standing[1]]![1], points[marks.tail[0]]![1]));
  });

  test('its measures are in order: low, as stored, high', () => {
    const { set } = storedForm(id, form);
    for (const r of [
      set.inKnot_ropeDiameters,
      set.girth_ropeDiameters,
      set.width_ropeDiameters,
      set.length_ropeDiameters,
    ]) {
      expect(r.low).toBeGreaterThan(1);
      expect(r.low).toBeLessThanOrEqual(r.value);
      expect(r.value).toBeLessThanOrEqual(r.high);
    }
    // a string round a knot is longer than twice its width, shorter than round the box it fits in
    expect(set.girth_ropeDiameters.value).toBeGreaterThan(Math.PI);
    expect(set.girth_ropeDiameters.value).toBeLessThan(4 * set.width_ropeDiameters.value);
  });
});

/** Nothing is hung in a knot without an eye, nor in one that stays as it was drawn up. */
const cannotHang = (id: string, state: ShapeState): boolean =>
  shape(id, 'right', state).eye === undefined || storedForm(id, 'right').set.reach_ropeDiameters !== undefined;

describe.each(CATALOGUE.map((k) => k.entry.id))('%s', (id) => {
  test('every picture that a check point names can be made', () => {
    for (const point of entryById(id).check_points)
      for (const p of [point.right.picture, ...point.wrong.flatMap((w) => (w.picture ? [w.picture] : []))])
        expect(shapeOf(p.knot ?? id, p.form, p.state, p.harness ?? null).length).toBeGreaterThan(0);
  });

  test('every wrong answer of a point is one of its faults, each with what to do and a source', () => {
    const entry = entryById(id);
    for (const point of entry.check_points)
      for (const w of point.wrong) expect(entry.faults.map((f) => f.id)).toContain(w.fault);
    for (const f of entry.faults)
      expect([f.what_to_do.length > 0, ['practice', 'general'].includes(f.source)]).toEqual([true, true]);
    expect(new Set(entry.faults.map((f) => f.id)).size).toBe(entry.faults.length);
    expect(new Set(entry.pulls.map((p) => p.pull)).size).toBe(entry.pulls.length);
  });

  test('its ways have frames of one rope with equally many points', () => {
    for (const way of entryById(id).ways) {
      const frames = framesOf(id, way.id);
      expect(frames.length).toBeGreaterThan(4);
      const counts = frames.map((f) => f.components.map((c) => c.points.length).join());
      expect([...new Set(counts)]).toEqual([counts[0]]);
      // every step has its key frames, in order
      expect([...new Set(frames.map((f) => f.step))]).toEqual(motionOf(id, way.id).steps.map((_, k) => k));
    }
    expect(() => framesOf(id, 'no-such-way')).toThrow(
      expect.objectContaining({ code: 'unknown-way' }) as unknown as Error,
    );
  });

  test('its marks name places in order along the rope', () => {
    for (const name of Object.keys(knotById(id).baked.forms))
      for (const state of STATES) {
        const s = inState(storedForm(id, name), state);
        if (s.closed) continue;
        if (s.second) {
          const { standing, tail } = s.second.marks;
          expect([standing[0], standing[1] < tail[0], tail[1]]).toEqual([0, true, pointsOf(s.second).length - 1]);
        }
        const { points, marks } = shape(id, name, state);
        const inOrder = [
          ...marks.standing,
          ...[marks.legs, marks.second_legs].flatMap((l) => (l ? [...l[0], ...l[1]] : [])),
          ...marks.tail,
        ];
        expect([name, state, inOrder.slice().sort((a, b) => a - b)]).toEqual([name, state, inOrder]);
        expect([inOrder[0], inOrder.at(-1)]).toEqual([0, points.length - 1]);
        if (marks.legs) expect([marks.legs[0][1], marks.legs[1][0]]).toEqual([marks.eye, marks.eye]);
        for (const part of [marks.collar, marks.nipping_loop]) if (part) expect(part[0]).toBeLessThan(part[1]);
      }
  });

  test('what is hung in its eye hangs in it: linked once, clear of the rope; a knot without an eye refuses', () => {
    if (['hitch', 'friction'].includes(entryById(id).family)) return; // it lies round its own object
    for (const state of STATES)
      for (const object of ['clip', 'ring'] as const) {
        if (cannotHang(id, state)) {
          expect(() => shapeOf(id, 'right', state, object)).toThrow(
            expect.objectContaining({ code: 'no-object-form' }) as unknown as Error,
          );
          continue;
        }
        const [rope, hung] = shapeOf(id, 'right', state, object);
        const link = linkingMatrix(
          diagramOf(
            crossingsSeenFrom(
              [closedAtInfinity(rope!.points), { points: hung!.points, closed: true }],
              [0.9, 0.2, 0.4],
            ),
            2,
          ),
        )[0]![1]!;
        expect([state, object, Math.abs(link)]).toEqual([state, object, 1]);
        const gap = Math.min(...hung!.points.map((p) => Math.min(...rope!.points.map((q) => distance(p, q)))));
        // where a ring takes the place of the karabiner on which a noose was drawn up, it may press on a leg
        expect(gap).toBeGreaterThan((1 + hung!.diameter) / 2 - (entryById(id).family === 'noose' ? 0.25 : 0.02));
      }
  });
});

describe('figure-eight follow-through', () => {
  const id = 'figure-eight-follow-through';
  test('each strand through it is a figure-eight; half finished only the first is there; a wrong lane is no eight', () => {
    expect(halves(id, 'right')).toEqual([5n, 5n]);
    expect(halves(id, 'load-strand-outside')).toEqual([5n, 5n]);
    expect(determinant(shape(id, 'half-finished').points)).toBe(5n);
    expect(halves(id, 'wrong-lane')).not.toEqual([5n, 5n]);
  });

  test('takes about twice the rope of a single eight', () => {
    const ratio =
      storedForm(id, 'right').set.inKnot_ropeDiameters.value /
      storedForm(id, 'half-finished').set.inKnot_ropeDiameters.value;
    expect(ratio).toBeGreaterThan(2);
    expect(ratio).toBeLessThan(4);
  });
});

test.each(['bowline', 'double-bowline', 'bowline-locked'])(
  '%s, set, still has its collar behind the standing part and above the turns that nip',
  (id) => {
    const { points, marks, eye } = shape(id);
    const turns = points.slice(marks.standing[1], eye).filter((p) => p[1] > -3.5);
    const standing = points.slice(0, marks.standing[1] + 8);
    // of what comes back from the eye, what lies behind the standing part as seen from the front
    const behind = points
      .slice(eye, marks.tail[1] + 1)
      .filter((p) => standing.some((q) => Math.hypot(p[0] - q[0], p[1] - q[1]) < 0.5 && q[2] - p[2] > 0.8));
    expect(behind.length).toBeGreaterThan(0);
    // a bowline that has capsized carries its nipping turns on top
    expect(Math.max(...behind.map((p) => p[1]))).toBeGreaterThan(
      turns.map((p) => p[1]).sort((a, b) => a - b)[Math.floor(turns.length / 2)]!,
    );
  },
);

test.each(['figure-eight-follow-through', 'figure-eight-on-bight', 'figure-nine-on-bight', 'overhand-on-bight'])(
  '%s: the two strands lie side by side all through, dressed and tight',
  (id) => {
    for (const state of ['dressed', 'tight'] as const) {
      const { points, marks } = shape(id, 'right', state);
      const first = points.slice(marks.standing[1], marks.legs![0][0]);
      const second = points.slice(marks.legs![1][1], marks.tail[0]);
      const gaps = first.map((p) => Math.min(...second.map((q) => distance(p, q)))).sort((a, b) => a - b);
      expect(gaps[gaps.length >> 1]).toBeLessThanOrEqual(1.15);
      // nowhere does one strand leave the other
      expect(gaps[Math.floor(0.9 * gaps.length)]).toBeLessThanOrEqual(1.2);
    }
  },
);

test('the double bowline wound in space is the one laid flat', () => {
  const wound = doubleBowlineWound();
  expect(figures(wound)).toEqual(figures(shape('double-bowline').points));
  expect(figures(wound)).not.toEqual(figures(shape('bowline').points));
});

test('faults of the locked bowline are other knots, or pass another way', () => {
  expect(figures(shape('bowline-locked', 'lock-not-through-collar').points)).not.toEqual(
    figures(shape('bowline-locked').points),
  );
  expect(figures(shape('bowline-locked', 'third-strand-astray').points)).not.toEqual(
    figures(shape('bowline-locked').points),
  );
});

test('condition faults change exactly their one measure', () => {
  for (const id of CATALOGUE.map((k) => k.entry.id).filter((k) => faultsWithShape(k).includes('eye-too-large'))) {
    const right = shape(id);
    const large = shape(id, 'eye-too-large');
    expect(figures(large.points)).toEqual(figures(right.points));
    expect(right.points[right.eye]![1] - large.points[large.eye]![1]).toBeCloseTo(11, 1);
    expect(storedForm(id, 'eye-too-large').set.inKnot_ropeDiameters.value).toBe(
      storedForm(id, 'right').set.inKnot_ropeDiameters.value,
    );
  }
  for (const { entry } of CATALOGUE.filter((k) => faultsWithShape(k.entry.id).includes('tail-short'))) {
    const [short] = shapeOf(entry.id, 'tail-short', 'tight');
    const tail = short!.points.slice(short!.marks!.tail![0]);
    expect(arcLengths(tail).at(-1)).toBeGreaterThanOrEqual(2);
    expect(arcLengths(tail).at(-1)).toBeLessThan(2.6);
  }
});

test('the harness hangs in the eye: both points threaded, or one', () => {
  const linked = (harness: 'both' | 'one') => {
    const [rope, ...rings] = shapeOf('figure-eight-follow-through', 'right', 'tight', harness);
    return rings.map((ring) =>
      Math.abs(
        linkingMatrix(
          diagramOf(
            crossingsSeenFrom([closedAtInfinity(rope!.points), { points: ring.points, closed: true }], [0.9, 0.2, 0.4]),
            2,
          ),
        )[0]![1]!,
      ),
    );
  };
  // a rope whose two legs both pass the far side closes up round the ring: one threading counts one
  expect(linked('both')).toEqual([1, 1]);
  expect(linked('one')).toEqual([1, 0]);
  // half finished, the end has gone through both and hangs free
  const [rope, ...rings] = shapeOf('figure-eight-follow-through', 'half-finished', 'tight', 'both');
  const low = Math.min(...rope!.points.map((p) => p[1]));
  for (const ring of rings) expect(Math.max(...ring.points.map((p) => p[1]))).toBeGreaterThan(low);
  expect(() => shapeOf('figure-eight-follow-through', 'half-finished', 'laid', 'both')).toThrow(
    expect.objectContaining({ code: 'no-object-form' }) as unknown as Error,
  );
});

test('wraps can be chosen where they are a choice', () => {
  expect(wrapsOf('barrel-noose')).toEqual([2, 3]);
  expect([formWithWraps('barrel-noose', 2), formWithWraps('barrel-noose', 3)]).toEqual(['right', 'wraps-3']);
  for (const [id, wraps] of [
    ['barrel-noose', 4],
    ['bowline', 2],
  ] as const)
    expect(() => formWithWraps(id, wraps)).toThrow(
      expect.objectContaining({ code: 'no-wraps-form' }) as unknown as Error,
    );
});

test('drawn up, the butterfly of the twist and the one wound on the hand show the same strands on both faces and take the same rope', () => {
  const hand = bakeForm(butterflyByHand(), butterflyPresentation, false);
  const [a, b] = [storedForm('alpine-butterfly', 'right').set, hand.set];
  expect(Math.abs(b.inKnot_ropeDiameters.value / a.inKnot_ropeDiameters.value - 1)).toBeLessThan(0.05);
  const wrong = storedForm('alpine-butterfly', 'false-butterfly').set;
  for (const face of ['front', 'back'] as const) {
    expect(agreement(strandsSeen(a, face), strandsSeen(b, face))).toBeGreaterThan(0.7);
    expect(agreement(strandsSeen(a, face), strandsSeen(wrong, face))).toBeLessThan(0.4);
  }
});

test('unknown knots and faults are refused by name', () => {
  expect(() => knotById('no-such-knot')).toThrow(expect.objectContaining({ code: 'unknown-knot' }) as unknown as Error);
  expect(() => storedForm('bowline', 'half-finished')).toThrow(
    expect.objectContaining({ code: 'unknown-fault' }) as unknown as Error,
  );
});
