import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { arcLengths, distance, lengthOf, nearestIndex, resample, type Point3 } from '../../curve';
import { entryById } from '../catalogue/lookup';
import { framesOf, motionOf } from './motions';
import { BETWEEN } from './motion';
import { proveFrames, proveWay } from './proving';
import { wayFaults } from './wayLimits';
import { storedForm } from '../catalogue/catalogue';
import { pointsOf } from '../shape/stored';
import { DoubledPath, Path, slidTo } from '../moving/sliding';

const bowline = () => new Path(pointsOf(storedForm('bowline', 'right').laid));

describe('rope that slides along its path', () => {
  test('keeps its length, lies straight before the path begins, and on it at the end', () => {
    const path = bowline();
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (share) => {
        const rope = slidTo(path, share * path.length, 200);
        expect(Math.abs(lengthOf(rope) / path.length - 1)).toBeLessThan(0.02);
      }),
    );
    const untied = slidTo(path, 0, 50);
    const along = untied
      .slice(1)
      .map((p, i): Point3 => [p[0] - untied[i]![0], p[1] - untied[i]![1], p[2] - untied[i]![2]]);
    for (const d of along) expect(distance(d, along[0]!)).toBeLessThan(1e-6);
    const tied = slidTo(path, path.length, 50);
    expect([distance(tied[0]!, path.points[0]!), distance(tied.at(-1)!, path.points.at(-1)!)]).toEqual([0, 0]);
  });

  test('a place is told by arc length, whatever the points', () => {
    const path = new Path([
      [0, 0, 0],
      [0.5, 0, 0],
      [1, 0, 0],
      [1, 3, 0],
    ]);
    expect([path.at(0.5), path.at(2), path.at(-2), path.at(99)]).toEqual(
      [
        [0.5, 0, 0],
        [1, 1, 0],
        [-2, 0, 0],
        [1, 3, 0],
      ].map((p) => p.map((v) => expect.closeTo(v, 6) as unknown as number)),
    );
  });

  test('legs that come to lie side by side only near the tip go in step before that, and beside each other from there', () => {
    // from far left and far right, up to the middle, and down side by side
    // prettier-ignore
    const left: Point3[] = [[-30, 0, 0], [-12, 9, 0], [-1, 10, 0], [-0.6, 6, 0], [-0.6, -10, 0]];
    // prettier-ignore
    const right: Point3[] = [[60, 4, 0], [30, 12, 0], [12, 2, 0], [1, 10, 0], [0.6, 6, 0], [0.6, -10, 0]];
    const all = resample([...left, [0, -10.6, 0], ...right.slice().reverse()], 0.3);
    const s = arcLengths(all);
    const at = (p: Point3) => s[nearestIndex(all, p)]!;
    const path = new DoubledPath(all, nearestIndex(all, [0, -10.6, 0]), [
      at([-0.6, 6, 0]),
      s.at(-1)! - at([0.6, 6, 0]),
    ]);
    for (const down of [1, 4, 8]) {
      const points = path.at(path.tip - 16.8 + down, 400);
      const tip = Math.round((399 * path.tip) / path.length);
      // on both sides of the tip the legs are as far apart as they lie, not skewed
      const [a, b] = [points[tip - 4]!, points[tip + 4]!];
      expect(Math.abs(a[1] - b[1])).toBeLessThan(0.5);
      expect(Math.abs(lengthOf(points) / lengthOf(all) - 1)).toBeLessThan(0.02);
    }
  });
  test('a bight keeps the length of its rope while it is led, its legs beside each other', () => {
    const { laid } = storedForm('figure-eight-on-bight', 'right');
    const path = new DoubledPath(pointsOf(laid), laid.marks.eye!);
    for (const share of [0.1, 0.3, 0.5, 0.7, 0.9, 1])
      expect([share, Math.abs(lengthOf(path.at(share * path.tip, 260)) / path.length - 1) < 0.02]).toEqual([
        share,
        true,
      ]);
  });
});

/** where the path stays nobody is asked what it is */
const nameless = () => {
  throw new Error('asked');
};

describe('ways of tying', () => {
  test('every wrong way ends in a fault of its knot, every right one in the knot', () => {
    for (const id of ['buntline-hitch', 'double-fishermans', 'figure-eight-follow-through', 'clove-hitch', 'bowline'])
      for (const way of entryById(id).ways) {
        expect([id, way.id, way.right]).toEqual([id, way.id, way.ends_in === null]);
        if (way.ends_in) expect(entryById(id).faults.map((f) => f.id)).toContain(way.ends_in.fault);
      }
  });

  test('both ends led together come along together: at every key frame each has the same share of its way behind it', () => {
    for (const knot of ['offset-overhand', 'offset-double-overhand']) {
      const { keys } = motionOf(knot, 'both-together');
      const steps = [...new Set(keys.map((k) => k.step))];
      for (const step of steps) {
        const of = keys.filter((k) => k.step === step);
        const before = keys[keys.indexOf(of[0]!) - 1] ?? of[0]!;
        const whole = of.at(-1)!.come.map((c, r) => c - before.come[r]!);
        for (const { come } of of) {
          const [one, other] = come.map((c, r) => (c - before.come[r]!) / (whole[r]! || 1));
          expect(one).toBeCloseTo(other!, 6);
        }
        expect(Math.min(...whole)).toBeGreaterThan(0);
      }
      // and where only one is led the other waits
      const first = motionOf('figure-eight-bend', 'retrace').keys.filter((k) => k.step === 0);
      expect(new Set(first.map((k) => k.come[1])).size).toBe(1);
    }
  });
  test('the joints of two ropes that are pulled down have both tails on one side; so has the bend that is followed from the wrong side, and not the right one', () => {
    const tails = (knot: string, way: string) =>
      framesOf(knot, way)
        .at(-1)!
        .components.filter((c) => c.role !== 'ring')
        .map((c) => Math.sign(c.points.at(-1)![0] - c.points[Math.floor(c.points.length / 2)]![0]));
    for (const [knot, way, same] of [
      ['offset-overhand', 'both-together', true],
      ['offset-double-overhand', 'both-together', true],
      ['figure-eight-bend', 'same-side', true],
      ['figure-eight-bend', 'retrace', false],
    ] as const) {
      const [one, other] = tails(knot, way);
      expect([knot, way, one === other]).toEqual([knot, way, same]);
    }
  });
  test('between two key frames as many as asked lie, with the same ropes and points', () => {
    const [none, six] = [
      framesOf('figure-eight-stopper', 'by-the-end'),
      framesOf('figure-eight-stopper', 'by-the-end', BETWEEN),
    ];
    expect(six.length).toBe((none.length - 1) * (BETWEEN + 1) + 1);
    expect(six.filter((f) => f.key).map((f) => f.come_ropeDiameters)).toEqual(none.map((f) => f.come_ropeDiameters));
    expect(new Set(six.map((f) => f.components[0]!.points.length)).size).toBe(1);
    expect(motionOf('figure-eight-stopper', 'by-the-end').then.map((s) => s.upTo)).toEqual(['dressed', 'tight']);
  });

  test('one by the end and one by a bight are proved; what is wrong with others is found', () => {
    for (const [knot, way] of [
      ['figure-eight-stopper', 'by-the-end'],
      ['overhand-on-bight', 'bight'],
    ] as const)
      expect([knot, wayFaults(proveWay(knot, way, nameless))]).toEqual([knot, []]);
    const frames = framesOf('figure-eight-stopper', 'by-the-end', BETWEEN);
    const told = { knot: 'figure-eight-stopper', way: 'by-the-end' };
    const faults = (changed: typeof frames) =>
      wayFaults(proveFrames(told.knot, told.way, changed, nameless)).join('; ');
    expect(faults(frames)).toBe('');
    // a leap, a rope that grows, one that starts tied, one that ends untied
    expect(faults(frames.filter((_, i) => i % 9 === 0))).toMatch(/of its bound/);
    expect(
      faults(
        frames.map((f, i) => ({
          ...f,
          components: f.components.map((c) => ({
            ...c,
            points: c.points.map((p): Point3 => [p[0] * (1 + i / 900), p[1] * (1 + i / 900), p[2] * (1 + i / 900)]),
          })),
        })),
      ),
    ).toMatch(/length strays/);
    expect(faults(frames.slice(150))).toMatch(/begins with/);
    expect(faults(frames.slice(0, 60))).toMatch(/off its form/);
    // a strand led through another: the heights of one stretch exchanged
    const flat = frames.map((f) => ({
      ...f,
      components: f.components.map((c) => ({ ...c, points: c.points.map((p): Point3 => [p[0], p[1], 0]) })),
    }));
    expect(faults(flat)).toMatch(/come as near/);
  });
});
