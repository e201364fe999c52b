import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { arcLengths, distance, lengthOf, offsetInPlane, resample, segmentDistance, smallestDistance, smooth, splineThrough, straight, transportFrames, dot, norm, type Point3 } from './index';

const circle = (radius: number, n = 200): Point3[] => Array.from({ length: n }, (_, k) => [radius * Math.cos((2 * Math.PI * k) / n), radius * Math.sin((2 * Math.PI * k) / n), 0]);
const number = fc.double({ min: -20, max: 20, noNaN: true });
const point = fc.tuple(number, number, number);

describe('arc length and resampling', () => {
  test('a 3-4-5 step is five long', () => expect(arcLengths([[0, 0, 0], [3, 4, 0]])).toEqual([0, 5]));

  test('resampling keeps both ends and spaces evenly', () => {
    const out = resample(straight([0, 0, 0], [10, 0, 0]), 0.45);
    expect(out[0]).toEqual([0, 0, 0]);
    expect(out.at(-1)![0]).toBeCloseTo(10, 9);
    const gaps = out.slice(1).map((p, i) => distance(p, out[i]!));
    expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThan(1e-9);
  });

  test('a spline goes through every control point', () => {
    const control: Point3[] = [[0, 0, 0], [2, 3, 1], [5, 1, -1], [6, 6, 0]];
    const out = splineThrough(control, 10);
    control.forEach((c, i) => expect(distance(out[i * 10]!, c)).toBeLessThan(1e-9));
  });

  test('smoothing never lengthens a line', () => {
    fc.assert(fc.property(fc.array(point, { minLength: 4, maxLength: 20 }), (points) => lengthOf(smooth(points, 3)) <= lengthOf(points) + 1e-9));
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
      fc.property(point, point, point, point, fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (p, q, r, t, s, u) => {
        const d = segmentDistance(p, q, r, t);
        const a = p.map((v, i) => v + s * (q[i]! - v)) as unknown as Point3;
        const b = r.map((v, i) => v + u * (t[i]! - v)) as unknown as Point3;
        expect(d).toBeLessThanOrEqual(distance(a, b) + 1e-6);
        expect(segmentDistance(r, t, p, q)).toBeCloseTo(d, 5);
      }),
    );
  });

  test('neighbours along the rope are left out, the far side of a ring is not', () => {
    const ring = { points: circle(3), closed: true };
    expect(smallestDistance([ring], 6)).toBeGreaterThan(4.9);
    expect(smallestDistance([ring, { points: circle(3).map((p): Point3 => [p[0], p[1], 1.5]), closed: true }], 6)).toBeCloseTo(1.5, 6);
  });
});

describe('offset and frames', () => {
  test('an offset strand lies at its distance to the left', () => {
    const left = offsetInPlane(straight([0, 0, 0], [5, 0, 0], 0.1), 0.64);
    left.forEach((p) => expect(p[1]).toBeCloseTo(0.64, 9));
  });

  test('frames stay at right angles and of length one round any bend', () => {
    const line = splineThrough([[0, 0, 0], [3, 0, 0], [3, 3, 2], [0, 4, 5], [-3, 0, 1]], 20);
    const f = transportFrames(line);
    f.normals.forEach((n, i) => {
      expect(norm(n)).toBeCloseTo(1, 6);
      expect(Math.abs(dot(n, f.tangents[i]!))).toBeLessThan(0.02);
    });
  });
});
