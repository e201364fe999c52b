import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  arcLengths,
  bestTurn,
  curvatures,
  distance,
  lanes,
  lengthOf,
  movedBy,
  offsetInPlane,
  resample,
  segmentDistance,
  smallestDistance,
  smallestRadius,
  smooth,
  splineThrough,
  straight,
  subtract,
  transportFrames,
  twistOfPair,
  dot,
  norm,
  type Point3,
} from './index';

const circle = (radius: number, n = 200): Point3[] =>
  Array.from({ length: n }, (_, k) => [
    radius * Math.cos((2 * Math.PI * k) / n),
    radius * Math.sin((2 * Math.PI * k) / n),
    0,
  ]);
const number = fc.double({ min: -20, max: 20, noNaN: true });
const point = fc.tuple(number, number, number);

describe('arc length and resampling', () => {
  test('a 3-4-5 step is five long', () =>
    expect(
      arcLengths([
        [0, 0, 0],
        [3, 4, 0],
      ]),
    ).toEqual([0, 5]));

  test('resampling keeps both ends and spaces evenly', () => {
    const out = resample(straight([0, 0, 0], [10, 0, 0]), 0.45);
    expect(out[0]).toEqual([0, 0, 0]);
    expect(out.at(-1)![0]).toBeCloseTo(10, 9);
    const gaps = out.slice(1).map((p, i) => distance(p, out[i]!));
    expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThan(1e-9);
  });

  test('a spline goes through every control point', () => {
    const control: Point3[] = [
      [0, 0, 0],
      [2, 3, 1],
      [5, 1, -1],
      [6, 6, 0],
    ];
    const out = splineThrough(control, 10);
    control.forEach((c, i) => expect(distance(out[i * 10]!, c)).toBeLessThan(1e-9));
  });

  test('smoothing never lengthens a line', () => {
    fc.assert(
      fc.property(
        fc.array(point, { minLength: 4, maxLength: 20 }),
        (points) => lengthOf(smooth(points, 3)) <= lengthOf(points) + 1e-9,
      ),
    );
  });
});

describe('distances', () => {
  test('crossing, parallel and end-on segments', () => {
    expect(segmentDistance([-1, 0, 0], [1, 0, 0], [0, -1, 2], [0, 1, 2])).toBeCloseTo(2, 12);
    expect(segmentDistance([0, 0, 0], [4, 0, 0], [1, 3, 0], [3, 3, 0])).toBeCloseTo(3, 12);
    expect(segmentDistance([0, 0, 0], [1, 0, 0], [4, 4, 0], [9, 9, 0])).toBeCloseTo(5, 12);
  });

  test('a segment distance is never more than that of any two of its points, and does not depend on the order', () => {
    fc.assert(
      fc.property(
        point,
        point,
        point,
        point,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (p, q, r, t, s, u) => {
          const d = segmentDistance(p, q, r, t);
          const a = p.map((v, i) => v + s * (q[i]! - v)) as unknown as Point3;
          const b = r.map((v, i) => v + u * (t[i]! - v)) as unknown as Point3;
          expect(d).toBeLessThanOrEqual(distance(a, b) + 1e-6);
          expect(segmentDistance(r, t, p, q)).toBeCloseTo(d, 5);
        },
      ),
    );
  });

  test('neighbours along the rope are left out, the far side of a ring is not', () => {
    const ring = { points: circle(3), closed: true };
    expect(smallestDistance([ring], 6)).toBeGreaterThan(4.9);
    expect(
      smallestDistance([ring, { points: circle(3).map((p): Point3 => [p[0], p[1], 1.5]), closed: true }], 6),
    ).toBeCloseTo(1.5, 6);
  });
});

describe('offset and frames', () => {
  test('an offset strand lies at its distance to the left', () => {
    const left = offsetInPlane(straight([0, 0, 0], [5, 0, 0], 0.1), 0.64);
    left.forEach((p) => expect(p[1]).toBeCloseTo(0.64, 9));
  });

  test('frames stay at right angles and of length one round any bend', () => {
    const line = splineThrough(
      [
        [0, 0, 0],
        [3, 0, 0],
        [3, 3, 2],
        [0, 4, 5],
        [-3, 0, 1],
      ],
      20,
    );
    const f = transportFrames(line);
    f.normals.forEach((n, i) => {
      expect(norm(n)).toBeCloseTo(1, 6);
      expect(Math.abs(dot(n, f.tangents[i]!))).toBeLessThan(0.02);
    });
  });
});

describe('curvature', () => {
  test('of a circle is one over its radius, of a straight line nothing', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.3, max: 40, noNaN: true }), (r) => {
        for (const k of curvatures(circle(r))) expect(k * r).toBeCloseTo(1, 3);
        expect(smallestRadius(circle(r)) / r).toBeCloseTo(1, 3);
      }),
    );
    expect(smallestRadius(straight([0, 0, 0], [9, 1, 2], 0.5))).toBeGreaterThan(1e6);
    expect(
      curvatures([
        [0, 0, 0],
        [1, 0, 0],
      ]),
    ).toEqual([0, 0]);
  });

  test('the sharpest bend decides', () => {
    const line = [
      ...straight([0, -10, 0], [2, -10, 0], 0.1),
      ...circle(2, 60).slice(40, 60),
      ...straight([2, 0, 0], [2, 9, 0], 0.1),
    ];
    expect(smallestRadius(circle(2, 60).slice(40, 60))).toBeCloseTo(2, 2);
    expect(smallestRadius(line)).toBeLessThan(2);
  });
});

describe('doubling and tripling a path', () => {
  const bow = splineThrough(
    [
      [-20, 0, 0],
      [-8, 0, 0],
      [-2, 3, 1],
      [4, 8, 0],
      [0, 13, -1],
      [-8, 12, 0],
      [-20, 12, 0],
    ],
    40,
  );

  test('strands lie side by side, left first, and never touch', () => {
    for (const count of [2, 3] as const) {
      const strands = lanes(bow, count, 1.28);
      expect(strands).toHaveLength(count);
      for (let k = 1; k < count; k++) {
        const gaps = strands[k]!.map((p) => Math.min(...strands[k - 1]!.map((q) => distance(p, q))));
        expect(Math.max(...gaps)).toBeLessThan(1.3);
        expect(Math.min(...gaps)).toBeGreaterThan(1);
        expect(twistOfPair(strands[k - 1]!, strands[k]!, 2)).toBeLessThan(0.25);
      }
      expect(
        smallestDistance(
          strands.map((points) => ({ points: resample(points, 0.3), closed: false })),
          2.5,
        ),
      ).toBeGreaterThan(1);
    }
    expect(lanes(straight([0, 0, 0], [5, 0, 0], 0.1), 3, 1)[0]!.every((p) => Math.abs(p[1] - 1) < 1e-9)).toBe(true);
  });

  test('a bend too tight for the inner strand is refused', () => {
    const tight = circle(0.6, 60).slice(0, 40);
    expect(() => lanes(tight, 3, 1.28)).toThrow(
      expect.objectContaining({ code: 'bend-too-tight' }) as unknown as Error,
    );
    expect(lanes(circle(3, 200).slice(0, 150), 3, 1.28)).toHaveLength(3);
  });

  test('a path that runs into itself is refused', () => {
    const loop = (rise: number): Point3[] =>
      splineThrough(
        [
          [-12, 0, 0],
          [0, 0, -rise],
          [9, 3, 0],
          [6, 9, 0],
          [0, 8, 0],
          [0, 0, rise],
          [0, -12, 0],
        ],
        60,
      );
    expect(() => lanes(loop(0), 2, 1)).toThrow(expect.objectContaining({ code: 'strands-touch' }) as unknown as Error);
    expect(lanes(loop(0.7), 2, 1)).toHaveLength(2);
  });

  test('strands laid round each other show their turns', () => {
    const round = (phase: number, turns: number): Point3[] =>
      Array.from({ length: 200 }, (_, k) => [
        k / 10,
        0.6 * Math.cos(phase + (2 * Math.PI * turns * k) / 199),
        0.6 * Math.sin(phase + (2 * Math.PI * turns * k) / 199),
      ]);
    const straightened = Array.from({ length: 200 }, (_, k): Point3 => [k / 10, 0, 0]);
    expect(twistOfPair(straightened, round(0, 1.5), 2)).toBeCloseTo(1.5, 1);
    expect(twistOfPair(straightened, round(0, 0), 2)).toBeCloseTo(0, 3);
  });
});

describe('the best turn', () => {
  const spread = [
    [0, 0, 0],
    [3, 0, 0],
    [0, 5, 0],
    [1, 1, 7],
    [-2, 4, 1],
  ] as const satisfies readonly Point3[];
  const angle = fc.double({ min: -Math.PI, max: Math.PI, noNaN: true });
  const about = (axis: 0 | 1 | 2, a: number, p: Point3): Point3 => {
    const out = [...p] as [number, number, number];
    const [i, j] = [(axis + 1) % 3, (axis + 2) % 3];
    out[i] = p[i]! * Math.cos(a) - p[j]! * Math.sin(a);
    out[j] = p[i]! * Math.sin(a) + p[j]! * Math.cos(a);
    return out;
  };

  test('lays turned and shifted points back where they were', () => {
    fc.assert(
      fc.property(angle, angle, angle, point, (a, b, c, shift) => {
        const moved = spread.map(
          (p) => about(2, c, about(1, b, about(0, a, p))).map((v, i) => v + shift[i]!) as unknown as Point3,
        );
        const turn = bestTurn(spread, moved);
        spread.forEach((p, k) => expect(distance(movedBy(turn, p), moved[k]!)).toBeLessThan(1e-9));
      }),
    );
  });

  test('never mirrors, and no other turn lies nearer', () => {
    const mirrored = spread.map((p): Point3 => [p[0], p[1], -p[2]]);
    const turn = bestTurn(spread, mirrored);
    const apart = (all: readonly Point3[]) => all.reduce((sum, p, k) => sum + distance(p, mirrored[k]!) ** 2, 0);
    const own = apart(spread.map((p) => movedBy(turn, p)));
    expect(own).toBeGreaterThan(1);
    for (const axis of [0, 1, 2] as const)
      for (const a of [-0.1, 0.1])
        expect(
          apart(
            spread
              .map((p) => movedBy(turn, p))
              .map((p) => about(axis, a, subtract(p, turn.to)))
              .map((p) => p.map((v, i) => v + turn.to[i]!) as unknown as Point3),
          ),
        ).toBeGreaterThan(own);
  });
});
