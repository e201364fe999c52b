import { describe, expect, test } from '@jest/globals';
import { distance, middleOf, segmentDistance, type Point3 } from '../../curve';
import { crossingsSeenFrom, FRONT } from '../../topology';
import { refuses } from '../../topology/testing/curves';
import { CATALOGUE } from './shelved';
import { faultsWithShape, shapeOf, storedForm } from './catalogue';
import { changedForm, SHORT_TAIL_ROPE_DIAMETERS } from './changes';
import { kindOfFault } from '../facts/faultKinds';
import type { LaidForms, LaidKnot } from '../shape/laid';
import { withCrossingsReversed } from '../laying/operations';
import { pointsOf } from '../shape/stored';
import { STATES } from '../facts/types';
import { forms as bowline } from '../shelf/bowline/shape';
import { forms as butterfly } from '../shelf/alpine-butterfly/shape';
import { forms as eightBend } from '../shelf/figure-eight-bend/shape';
import { forms as followThrough } from '../shelf/figure-eight-follow-through/shape';
import { forms as locked } from '../shelf/bowline-locked/shape';
import { forms as onBight } from '../shelf/figure-eight-on-bight/shape';
import { forms as nine } from '../shelf/figure-nine-on-bight/shape';
import { forms as rewoven } from '../shelf/butterfly-rewoven/shape';
import { forms as square } from '../shelf/square-knot/shape';
import { forms as trefoil } from '../shelf/trefoil-stopper/shape';
import { forms as flemish } from '../shelf/flemish-bend-with-bight/shape';
import { forms as offset } from '../shelf/offset-overhand/shape';

const shown = CATALOGUE.flatMap(({ entry }) =>
  faultsWithShape(entry.id).map((id) => ({ knot: entry.id, fault: entry.faults.find((f) => f.id === id)! })),
);

test('there are enough of them, and most change more than a measure', () => {
  expect(shown.length).toBeGreaterThanOrEqual(100);
  expect(shown.filter(({ fault }) => kindOfFault(fault) !== 'measure').length).toBeGreaterThanOrEqual(60);
});

test('every fault of the trade stands at a knot', () => {
  const all = new Set(CATALOGUE.flatMap(({ entry }) => entry.faults.map((f) => f.id as string)));
  const wanted =
    `false-butterfly eye-pulled-through offset-eight reversed-buntline half-finished first-eight-left pair-crossed wrong-lane load-strand-outside tail-short tail-outside-eye loose eye-too-large one-harness-point false-eye-clipped lock-not-through-collar
    third-strand-astray nip-reversed turns-short turns-three-strands mirrored-loops not-tucked crossed-wraps turns-reversed uneven-legs joint-in-wraps joint-on-clip one-bight-clipped hitch-upside-down not-through-bight fold-missed ears-crossed strand-between-legs loop-open overhand-turned gate-to-brake gate-unlocked
    stopper-missing stopper-gap stopper-wrong-face slip-not-caught half-hitch-missing coils-opposite one-wrap-short granny thief tape-twisted cord-too-thick cord-too-thin`.split(
      /\s+/,
    );
  expect(wanted.filter((f) => !all.has(f))).toEqual([]);
});

describe('outside what was changed the laid form is the same', () => {
  /** Laid where the other form runs as well: nearer than this to one of its strands. */
  const SAME = 0.3;
  const linesOf = (laid: LaidKnot) => [laid.points, ...(laid.second ? [laid.second.points] : [])];
  /** Passes, in the order of the rope, of crossings both of whose strands lie as in the other form. */
  function unchanged(own: LaidKnot, other: LaidKnot): string[] {
    const [lines, there] = [linesOf(own), linesOf(other)];
    const { passes } = crossingsSeenFrom(
      lines.map((points) => ({ points, closed: false })),
      FRONT,
    );
    const at = (p: (typeof passes)[number]): Point3 => lines[p.line]![Math.round(p.at)]!;
    const lies = (p: (typeof passes)[number]) =>
      there.some((points) => points.some((q, i) => i > 0 && segmentDistance(at(p), at(p), points[i - 1]!, q) < SAME));
    const same = new Set(
      passes.filter((p) => passes.filter((q) => q.crossing === p.crossing).every(lies)).map((p) => p.crossing),
    );
    const kept = passes.filter((p) => same.has(p.crossing));
    // by place, so that the same crossing has one name in both
    const name = (p: (typeof passes)[number]) =>
      at(p)
        .slice(0, 2)
        .map((v) => Math.round(v / 2))
        .join(',');
    return kept.map((p) => `${p.over ? 'over' : 'under'} near ${name(p)}`);
  }
  const CASES: readonly (readonly [string, LaidForms, string, number])[] = [
    ['bowline-locked', locked, 'lock-not-through-collar', 6],
    ['figure-eight-follow-through', followThrough, 'pair-crossed', 6],
    ['figure-eight-follow-through', followThrough, 'wrong-lane', 8],
    ['figure-eight-on-bight', onBight, 'pair-twisted', 6],
    ['figure-nine-on-bight', nine, 'pair-twisted', 6],
    ['figure-eight-bend', eightBend, 'pair-crossed', 6],
    ['square-knot', square, 'granny', 4],
    ['trefoil-stopper', trefoil, 'tail-from-wrong-side', 8],
    ['flemish-bend-with-bight', flemish, 'wrong-lane', 20],
    ['offset-overhand', offset, 'pair-crossed', 4],
    ['butterfly-rewoven', rewoven, 'loop-open', 16],
    ['alpine-butterfly', butterfly, 'false-butterfly', 10],
  ];
  test.each(CASES)('%s: %s %s', (_, forms, fault, least) => {
    const [right, wrong] = [forms['right']!() as LaidKnot, forms[fault]!() as LaidKnot];
    const [kept, held] = [unchanged(right, wrong), unchanged(wrong, right)];
    const common = kept.filter((p) => held.includes(p));
    // places are rounded: a few may fall to either side of a step
    expect(common.length).toBeGreaterThanOrEqual(Math.min(least, kept.length) - 2);
    expect(kept.length).toBeGreaterThanOrEqual(least);
    expect(held.length).toBeGreaterThanOrEqual(least);
  });
});

describe('a crossing reversed', () => {
  test('changes that crossing and no other', () => {
    const { points } = bowline.right();
    const seen = (line: readonly Point3[]) => crossingsSeenFrom([{ points: line, closed: false }], FRONT).passes;
    const before = seen(points);
    for (const crossing of [1, 2, 5, 7]) {
      const [line] = withCrossingsReversed([points], [crossing]);
      const after = seen(line!);
      expect(after.map((p) => p.crossing)).toEqual(before.map((p) => p.crossing));
      expect(after.filter((p, i) => p.over !== before[i]!.over).map((p) => p.crossing + 1)).toEqual([
        crossing,
        crossing,
      ]);
      // what lies farther along than the strand is lifted stays where it is
      expect(line!.filter((p, i) => distance(p, points[i]!) > 1e-9).length).toBeLessThan(30);
    }
  });

  test('twice is as before', () => {
    const { points } = bowline.right();
    const [once] = withCrossingsReversed([points], [2]);
    const [twice] = withCrossingsReversed([once!], [2]);
    const code = (line: readonly Point3[]) =>
      crossingsSeenFrom([{ points: line, closed: false }], FRONT).passes.map((p) => `${p.crossing}${p.over}`);
    expect(code(twice!)).toEqual(code(points));
  });

  test('one that is not there is refused', () => {
    expect(() => withCrossingsReversed([bowline.right().points], [8])).toThrow(refuses('no-such-crossing'));
  });
});

describe('faults of condition change one measure', () => {
  const tail = (knot: string, fault: string) => shapeOf(knot, fault, 'tight')[0]!;
  test.each(
    shown
      .filter(
        ({ fault }) =>
          fault.made?.by === 'tail-cut' || fault.made?.by === 'tail-lengthened' || fault.made?.by === 'leg-lengthened',
      )
      .map(({ knot, fault }) => [knot, fault.id] as const),
  )('%s, %s: the tail alone', (knot, fault) => {
    const [right, wrong] = [tail(knot, 'right'), tail(knot, fault)];
    const common = Math.min(right.points.length, wrong.points.length);
    expect(wrong.points.slice(0, common)).toEqual(right.points.slice(0, common));
    expect(wrong.points.length).not.toBe(right.points.length);
    expect({ ...wrong.marks, tail: null }).toEqual({ ...right.marks, tail: null });
    if (fault === 'tail-short')
      expect(
        wrong.points
          .slice(wrong.marks!.tail![0])
          .reduce((sum, p, i, all) => (i ? sum + distance(p, all[i - 1]!) : 0), 0),
      ).toBeLessThan(SHORT_TAIL_ROPE_DIAMETERS + 1);
  });

  test.each(shown.filter(({ fault }) => fault.id === 'loose').map(({ knot }) => knot))(
    '%s, not set: the dressed form',
    (knot) => {
      expect(shapeOf(knot, 'loose', 'tight')).toEqual(shapeOf(knot, 'right', 'dressed'));
      expect(shapeOf(knot, 'loose', 'laid')).toEqual(shapeOf(knot, 'right', 'laid'));
    },
  );

  test('a large eye, laid: the knot proper stays', () => {
    const [right, wrong] = [storedForm('bowline', 'right').laid, storedForm('bowline', 'eye-too-large').laid];
    const before = (s: typeof right) => pointsOf(s).slice(0, s.marks.legs![0][0]);
    const after = (s: typeof right) => pointsOf(s).slice(s.marks.legs![1][1]);
    expect(before(wrong)).toEqual(before(right));
    expect(after(wrong)).toEqual(after(right));
    expect(wrong.xyz.length).toBeGreaterThan(right.xyz.length);
  });
});

describe('the other end loaded', () => {
  test.each(
    shown
      .filter(({ fault }) => fault.made?.by === 'ends-exchanged')
      .map(({ knot, fault }) => [knot, fault.id] as const),
  )('%s, %s: the same curves from the other end, in every state', (knot, fault) => {
    const { made } = CATALOGUE.find((k) => k.entry.id === knot)!.entry.faults.find((f) => f.id === fault)!;
    if (made?.by !== 'ends-exchanged') throw new Error('not made so');
    for (const state of STATES) {
      const [right, wrong] = [shapeOf(knot, 'right', state), shapeOf(knot, fault, state)];
      made.ropes.forEach((r) => expect(wrong[r]!.points).toEqual(right[r]!.points.slice().reverse()));
      made.ropes.forEach((r) => expect(wrong[r]!.marks!.standing![0]).toBe(0));
    }
    // and back again
    const once = storedForm(knot, fault);
    expect(changedForm(once, made, () => once)).toEqual(storedForm(knot, 'right'));
  });
});

test('upside down: the hitch is turned, the rope it grips is not', () => {
  for (const knot of ['klemheist', 'distel', 'schwabisch', 'michoacan']) {
    const [right, wrong] = [shapeOf(knot, 'right', 'tight'), shapeOf(knot, 'hitch-upside-down', 'tight')];
    expect(wrong.find((c) => c.role === 'host')).toEqual(right.find((c) => c.role === 'host'));
    expect(wrong[0]!.points).toEqual(right[0]!.points.map(([x, y, z]): Point3 => [0 - x, 0 - y, z]));
  }
});

describe('the joint of a cord tied in where it must not be', () => {
  const CASES = ['prusik', 'klemheist', 'autoblock'].flatMap((knot) => STATES.map((state) => [knot, state] as const));
  const off = (p: Point3, line: readonly Point3[]) =>
    Math.min(...line.slice(1).map((q, i) => segmentDistance(p, p, line[i]!, q)));
  const nodesNear = (line: readonly Point3[], other: readonly Point3[]) => line.map((p) => off(p, other) < 0.12);

  test.each(CASES)(
    '%s %s: in the wraps, every other strand and the gripped rope lie as in the right form',
    (knot, state) => {
      const [right, wrong] = [shapeOf(knot, 'right', state), shapeOf(knot, 'joint-in-wraps', state)];
      expect(wrong.find((c) => c.role === 'host')).toEqual(right.find((c) => c.role === 'host'));
      const host = right.find((c) => c.role === 'host')!;
      const onHost = right[0]!.points.filter((p) => off(p, host.points) < host.diameter / 2 + 1.2);
      const same = nodesNear(onHost, wrong[0]!.points);
      // one stretch is another, about the joint; all else is there
      expect(same.filter((s) => s).length).toBeGreaterThan(0.75 * same.length);
      const gone = same.flatMap((s, i) => (s ? [] : [i]));
      expect(gone.length).toBeGreaterThan(4);
      expect(gone.at(-1)! - gone[0]! + 1).toBeLessThanOrEqual(gone.length + 6);
    },
  );

  test.each(CASES)(
    '%s %s: it is a real joint, both tails stand out of it, and nothing runs into anything',
    (knot, state) => {
      for (const [fault, at] of [
        ['joint-in-wraps', 'host'],
        ['joint-on-clip', 'ring'],
      ] as const) {
        const [rope, ...things] = shapeOf(knot, fault, state);
        const { points, marks } = rope!;
        expect(rope!.closed).toBe(false);
        const [first, last] = [marks!.standing![1], marks!.tail![0]];
        // both ends are at the joint, and the joint at the host or at the ring
        const middle = points[0]!.map((c, j) => (c + points.at(-1)![j]!) / 2) as unknown as Point3;
        expect(distance(points[0]!, points.at(-1)!)).toBeLessThan(12);
        const thing = things.find((o) => o.role === at)!;
        const ring = middleOf(thing.points);
        expect(
          at === 'host' ? off(middle, thing.points) : distance(middle, ring) - distance(thing.points[0]!, ring),
        ).toBeLessThan(at === 'host' ? 6.5 : 1);
        expect(first).toBeGreaterThan(1);
        expect(last).toBeLessThan(points.length - 2);
        // each barrel winds round the other strand: many crossings near each end
        const passes = crossingsSeenFrom([{ points, closed: false }], [0.3, 0.2, 1]).passes.map((p) => p.at);
        expect(passes.filter((p) => p < 60).length).toBeGreaterThan(8);
        const apart = Math.min(...points.flatMap((p, i) => points.slice(i + 8).map((q) => distance(p, q))));
        expect(apart).toBeGreaterThan(0.75);
        for (const o of things)
          expect(Math.min(...points.map((p) => off(p, o.points)))).toBeGreaterThan((1 + o.diameter) / 2 - 0.2);
      }
    },
  );
});

test('clipped into the tail loop: the clip bears on the tail beyond the eye, and hangs clear of the eye', () => {
  const [rope, clip] = shapeOf('bowline-yosemite', 'false-eye-clipped', 'tight');
  const eye = rope!.marks!.eye! as number;
  const middleOfClip = middleOf(clip!.points);
  const nearest = rope!.points.reduce(
    (best, p, i) =>
      distance(
        p,
        clip!.points.reduce((a, q) => (q[1] > a[1] ? q : a)),
      ) <
      distance(
        rope!.points[best]!,
        clip!.points.reduce((a, q) => (q[1] > a[1] ? q : a)),
      )
        ? i
        : best,
    0,
  );
  expect(nearest).toBeGreaterThan(eye + 20);
  expect(Math.min(...rope!.points.slice(eye - 8, eye + 9).map((p) => distance(p, middleOfClip)))).toBeGreaterThan(2);
});
