import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Line3, Point3 } from '../curve';
import { alexanderAt, closedAtInfinity, crossingsSeenFrom, gaussCode } from './index';

const closed = (f: (t: number) => Point3, n = 240): Line3 => ({ points: Array.from({ length: n }, (_, k) => f((2 * Math.PI * k) / n)), closed: true });
// (2,3) torus knot, wound so that it is right-handed
const trefoil = closed((t) => [(2 + Math.cos(3 * t)) * Math.cos(2 * t), (2 + Math.cos(3 * t)) * Math.sin(2 * t), Math.sin(3 * t)]);
const mirror = (l: Line3): Line3 => ({ ...l, points: l.points.map((p): Point3 => [p[0], p[1], -p[2]]) });
const figureEight = closed((t) => [(2 + Math.cos(2 * t)) * Math.cos(3 * t), (2 + Math.cos(2 * t)) * Math.sin(3 * t), Math.sin(4 * t)]);
const unknot = closed((t) => [3 * Math.cos(t), 2 * Math.sin(2 * t), Math.sin(t)]);
const writhe = (l: Line3) => crossingsSeenFrom([l], [0.01, 0.02, 1]).passes.reduce((s, p) => s + p.sign, 0) / 2;

describe('crossings', () => {
  test('a trefoil shows three crossings of one sign, its mirror image three of the other', () => {
    expect(crossingsSeenFrom([trefoil], [0.01, 0.02, 1]).count).toBe(3);
    expect(Math.abs(writhe(trefoil))).toBe(3);
    expect(writhe(mirror(trefoil))).toBe(-writhe(trefoil));
  });

  test('the Gauss code alternates and names every crossing twice', () => {
    const [code] = gaussCode(crossingsSeenFrom([trefoil], [0.01, 0.02, 1]), 1);
    expect(code!.split(' ').map((t) => t[0]).join('')).toMatch(/^(OU){3}$|^(UO){3}$/);
    expect(code!.match(/1[+-]/g)).toHaveLength(2);
  });

  test('values that are not finite are refused', () => {
    expect(() => crossingsSeenFrom([{ points: [[0, 0, 0], [Number.NaN, 1, 0]], closed: false }], [0, 0, 1])).toThrow(expect.objectContaining({ code: 'degenerate-shape' }) as unknown as Error);
  });

  test('strands that touch are refused, not guessed', () => {
    const flat: Line3[] = [{ points: [[-1, 0, 0], [1, 0, 0]], closed: false }, { points: [[0, -1, 0], [0, 1, 0]], closed: false }];
    expect(() => crossingsSeenFrom(flat, [0, 0, 1])).toThrow(expect.objectContaining({ code: 'degenerate-shape' }) as unknown as Error);
  });
});

describe('Alexander polynomial at whole numbers', () => {
  const cases: [string, Line3, bigint, bigint][] = [
    // t^2 - t + 1, t^2 - 3t + 1, 1
    ['trefoil', trefoil, 3n, 3n],
    ['figure-eight', figureEight, 5n, 1n],
    ['unknot', unknot, 1n, 1n],
  ];
  test.each(cases)('%s', (_name, line, at1, at2) => {
    const c = crossingsSeenFrom([line], [0.013, 0.021, 1]);
    expect(alexanderAt(c, -1n)).toBe(at1);
    expect(alexanderAt(c, 2n)).toBe(at2);
  });

  test('the same from every direction', () => {
    const n = fc.double({ min: -1, max: 1, noNaN: true });
    fc.assert(
      fc.property(n, n, n, (x, y, z) => {
        if (Math.hypot(x, y, z) < 0.1) return;
        expect(alexanderAt(crossingsSeenFrom([figureEight], [x + 1e-3, y - 2e-3, z]), -1n)).toBe(5n);
      }),
      { numRuns: 30 },
    );
  });

  test('an open rope is closed far away: cutting a trefoil open and closing it gives the trefoil again', () => {
    // cut at the outermost point, ends led straight out
    const k = trefoil.points.reduce((b, p, i, all) => (Math.hypot(...p) > Math.hypot(...all[b]!) ? i : b), 0);
    const opened = [...trefoil.points.slice(k), ...trefoil.points.slice(0, k - 3)];
    const out = (p: Point3): Point3 => [p[0] * 4, p[1] * 4, p[2] * 4];
    const line = closedAtInfinity([out(opened[0]!), ...opened, out(opened.at(-1)!)]);
    expect(alexanderAt(crossingsSeenFrom([line], [0.1, 0.3, 1]), -1n)).toBe(3n);
  });
});
