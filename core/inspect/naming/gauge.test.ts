import { expect, test } from '@jest/globals';
import { distance, dot, subtract, unit, type Point3 } from '../../curve';
import { evened, gaugesOf, indexAt, nearestArc, nearestParts, pointAt, type Even } from './gauge';
import { tangle } from './testing/tangles';

/** as many diameters along a rope are its own neighbours */
const NEIGHBOURS = 4;

/** The same by asking every point of every other. */
function asked(lines: readonly Even[], reach: number, across: boolean): number[][] {
  const runs = lines.map(({ points }) =>
    points.map((_, i) => unit(subtract(points[Math.min(points.length - 1, i + 1)]!, points[Math.max(0, i - 1)]!))),
  );
  return lines.map((line, k) =>
    line.points.map((p, i) => {
      let least = Infinity;
      lines.forEach((other, m) =>
        other.points.forEach((q, j) => {
          const along = Math.abs(other.s[j]! - line.s[i]!);
          const own = m === k && Math.min(along, line.closed ? line.s.at(-1)! - along : Infinity) <= NEIGHBOURS;
          if (own || (across && Math.abs(dot(runs[k]![i]!, runs[m]![j]!)) > 0.8)) return;
          if (distance(p, q) < reach) least = Math.min(least, distance(p, q));
        }),
      );
      return least;
    }),
  );
}

const lineOf = (seed: number): Even => evened({ points: tangle(seed, { eye: false }).points, closed: false, eyes: [] });
const ring = (radius: number, at: Point3, turned: boolean): Even => {
  const points = Array.from({ length: 40 }, (_, k): Point3 => {
    const [x, y] = [radius * Math.cos((k * Math.PI) / 20), radius * Math.sin((k * Math.PI) / 20)];
    return turned ? [at[0] + x, at[1], at[2] + y] : [at[0] + x, at[1] + y, at[2]];
  });
  return evened({ points, closed: true, eyes: [] });
};

test.each([
  ['one tangled line', [lineOf(3)]],
  ['two', [lineOf(4), lineOf(9)]],
  ['a ring that meets another', [ring(4, [0, 0, 0], false), ring(3, [4, 0, 0], true)]],
  ['a line in a ring', [lineOf(5), ring(5, [1, 2, 3], true)]],
] as const)('the nearest parts of %s are those that asking every point gives', (_, lines) => {
  for (const reach of [1.75, 4.2])
    for (const across of [false, true]) {
      const [found, all] = [nearestParts(lines, reach, across), asked(lines, reach, across)];
      const tell = (far: number[][]) => far.map((line) => line.map((d) => Number(d.toFixed(6))));
      expect(tell(found)).toEqual(tell(all));
    }
});

test('lines that are wider than a grid can be are looked through all the same', () => {
  const far = (by: number): Even =>
    evened({
      points: [
        [0, 0, by],
        [10, 0, by],
        [900, 900, 900 + by],
      ],
      closed: false,
      eyes: [],
    });
  const near = nearestParts([far(0), far(1.5)], 1.75);
  expect(near[0]!.filter((d) => d === Infinity)).toEqual([]);
});

test('an eye, a knot proper: marked where they were, though the line was made even', () => {
  const points = Array.from({ length: 30 }, (_, i): Point3 => [i < 20 ? i * i * 0.05 : 20 + (i - 20) * 2, 0.1 * i, 0]);
  const even = evened({ points, closed: false, eyes: [12, 25], proper: [5, 28] });
  for (const [was, is] of [
    [12, even.eyes[0]!],
    [25, even.eyes[1]!],
    [5, even.proper![0]],
    [28, even.proper![1]],
  ] as const)
    expect([was, distance(even.points[is]!, points[was]!) < 0.3]).toEqual([was, true]);
});

test('where the rope comes by the same place twice an eye is where its share of the way is', () => {
  const there = Array.from({ length: 21 }, (_, i): Point3 => [i, 0, 0]);
  const points = [...there, ...there.slice(0, -1).reverse()];
  const { eyes, s } = evened({ points, closed: false, eyes: [10, 30] });
  expect(eyes.map((e) => Math.round(s[e]! / 2))).toEqual([5, 15]);
});

test('of a rope that meets nothing all is the knot', () => {
  const even = evened({
    points: [
      [0, 0, 0],
      [3, 0, 0],
    ],
    closed: false,
    eyes: [],
  });
  const total = even.s.at(-1)!;
  expect(gaugesOf([even])[0]!.anchors).toEqual([0, 0, total, total]);
});

test('a knot lies between the first and the last place where the rope meets another part; an eye where its legs leave it', () => {
  // two legs that cross at x = 10, 1.1 apart, the eye beyond
  const points: Point3[] = [
    [0, -5, 0],
    [20, 5, 0],
    [26, 0, 0.55],
    [20, -5, 1.1],
    [0, 5, 1.1],
  ];
  const even = evened({ points, closed: false, eyes: [2] });
  // as near as 1.75 times the nearest is at each other: 1.77 to either side along x
  const xs = (bars: readonly (readonly Point3[])[] = [], reach = 0) => {
    const [gauge] = gaugesOf([even], bars, reach);
    return gauge!.anchors.map((s) => pointAt(gauge!, s)[0]);
  };
  const near = (found: readonly number[], wanted: readonly number[]) =>
    expect(found.map((x, k) => Math.abs(x - wanted[k]!) < 0.5)).toEqual(wanted.map(() => true));
  near(xs(), [0, 8.2, 11.8, 11.8, 8.2, 0]);
  // a bar that the standing part crosses belongs to the knot, one beyond reach does not
  const bar = (z: number) => Array.from({ length: 60 }, (_, i): Point3 => [4, i / 4 - 10, z]);
  near(xs([bar(-1)], 1.6), [0, 3, 11.8, 11.8, 8.2, 0]);
  near(xs([bar(-2)], 1.6), [0, 8.2, 11.8, 11.8, 8.2, 0]);
});

test('a place along a line, and the place nearest to a point', () => {
  const even = evened({
    points: [
      [0, 0, 0],
      [20, 0, 0],
    ],
    closed: false,
    eyes: [],
  });
  const [g] = gaugesOf([even]);
  for (const x of [0, 0.1, 7.33, 19.99, 20]) {
    expect(pointAt(g!, x)[0]).toBeCloseTo(x, 6);
    const i = indexAt(g!, x);
    expect(g!.s[i]! <= x && (x < g!.s[i + 1]! || i === g!.s.length - 2)).toBe(true);
  }
  expect(pointAt(g!, -5)[0]).toBe(0);
  expect(pointAt(g!, 25)[0]).toBeCloseTo(20, 6);
  // looked for only so far from where it should be
  expect(Math.abs(nearestArc(g!, 9, 3, 10, 1, 0) - 10)).toBeLessThan(0.3);
  expect(nearestArc(g!, 2, 3, 15, 0, 0)).toBeLessThan(5.5);
  // a closed line goes on at its beginning
  const round = ring(4, [0, 0, 0], false);
  const [closed] = gaugesOf([round]);
  const total = round.s.at(-1)!;
  expect(distance(pointAt(closed!, -1), pointAt(closed!, total - 1))).toBeLessThan(1e-9);
  expect(distance(pointAt(closed!, total + 1), pointAt(closed!, 1))).toBeLessThan(1e-9);
  const [x, y, z] = pointAt(closed!, 1);
  expect(Math.abs(nearestArc(closed!, total - 0.5, 2.5, x, y, z) - 1)).toBeLessThan(0.5);
});

test('on a closed line the nearest place is found across the seam, from either side', () => {
  const even = ring(6, [0, 0, 0], false);
  const [g] = gaugesOf([even]);
  const total = g!.s.at(-1)!;
  const around = (share: number) => [6 * Math.cos(2 * Math.PI * share), 6 * Math.sin(2 * Math.PI * share), 0] as const;
  for (const [about, wanted] of [
    [0.02, 0.97],
    [0.97, 0.03],
    [0.5, 0.55],
    [0.999, 0.95],
  ] as const) {
    const found = nearestArc(g!, about * total, 0.1 * total, ...around(wanted));
    const off = Math.abs(found / total - wanted);
    expect([about, Math.min(off, 1 - off) < 0.004]).toEqual([about, true]);
  }
  // no farther than one looks
  const near = nearestArc(g!, 0.02 * total, 0.03 * total, ...around(0.9));
  expect(Math.min(near / total, 1 - near / total)).toBeLessThan(0.03);
});
