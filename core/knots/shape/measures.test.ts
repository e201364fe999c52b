import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { distance, type Point3 } from '../../curve';
import { butterflyByTwist } from '../shelf/alpine-butterfly/twist';
import { drawUp } from '../baking/drawUp';
import { hullGirth } from './measures';
import { loosened, spanIn } from '../baking/presenting';
import { storedForm } from '../catalogue/catalogue';
import { forms } from '../shelf/overhand-stopper/shape';
import { presentation } from '../shelf/overhand-stopper/presentation';

describe('a string round a knot', () => {
  test('round one strand it is its circumference, round two side by side two diameters more', () => {
    expect(
      hullGirth(
        [
          [0, 0, 0],
          [0, 3, 0],
          [0, 5, 0],
        ],
        1,
      ),
    ).toBeCloseTo(Math.PI, 12);
    expect(
      hullGirth(
        [
          [0, 0, 0],
          [0, 5, 0],
          [1, 5, 0],
        ],
        1,
      ),
    ).toBeCloseTo(Math.PI + 2, 12);
    // across another axis the same rope is seen from its side
    expect(
      hullGirth(
        [
          [0, 0, 0],
          [0, 3, 0],
          [0, 5, 0],
        ],
        0,
      ),
    ).toBeCloseTo(Math.PI + 10, 12);
  });

  test('turning the knot about its axis or adding what lies inside changes nothing', () => {
    // to a thousandth of a diameter: nothing is stored finer
    const thousandths = (min: number, max: number) =>
      fc.integer({ min: min * 1000, max: max * 1000 }).map((n) => n / 1000);
    const point = fc.tuple(thousandths(-5, 5), thousandths(-5, 5), thousandths(-5, 5));
    fc.assert(
      fc.property(fc.array(point, { minLength: 3, maxLength: 30 }), thousandths(0, 6), (points, angle) => {
        const turned = points.map((p): Point3 => [
          p[0] * Math.cos(angle) - p[2] * Math.sin(angle),
          p[1],
          p[0] * Math.sin(angle) + p[2] * Math.cos(angle),
        ]);
        const middle: Point3 = [0, 1, 2].map(
          (c) => points.reduce((sum, p) => sum + p[c]!, 0) / points.length,
        ) as unknown as Point3;
        expect(hullGirth(turned, 1)).toBeCloseTo(hullGirth(points, 1), 8);
        expect(hullGirth([...points, middle], 1)).toBeCloseTo(hullGirth(points, 1), 8);
      }),
    );
  });
});

test('loosened, every strand lies farther from every other by the same share', () => {
  const [a, b, c]: Point3[] = [
    [1, 2, 3],
    [4, 0, -2],
    [0, 7, 1],
  ];
  const [loose] = loosened({ ropes: [[a!, b!, c!]], things: [], load: [] }, [1, 1, 1], 1.2).ropes;
  for (const [i, j] of [
    [0, 1],
    [1, 2],
    [0, 2],
  ] as const)
    expect(distance(loose![i]!, loose![j]!)).toBeCloseTo(1.2 * distance([a!, b!, c!][i]!, [a!, b!, c!][j]!), 12);
});

test('the knot proper is what lies in the ball; the eye leaves it and comes back', () => {
  const points = Array.from({ length: 41 }, (_, k): Point3 => [k - 20, 0, 0]);
  expect(spanIn(points, [0, 0, 0], 3.5, undefined)).toEqual({ first: 17, last: 23 });
  const { laid } = storedForm('bowline', 'right');
  expect(laid.marks.legs).toBeDefined();
  const eye: Point3[] = [...points.slice(0, 21), [1, -6, 0], [2, -8, 0], [3, -6, 0], ...points.slice(21)];
  expect(spanIn(eye, [0, 0, 0], 3.5, 22)).toEqual({ first: 17, eye: { from: 20, to: 24 }, last: 26 });
});

describe('a knot drawn up with the way there', () => {
  test('begins as it was laid, ends as it is stored, and tells how far it is', () => {
    const laid = forms.right();
    const shares: number[] = [];
    const { tight, frames } = drawUp(laid, presentation, (share) => shares.push(share));
    expect(tight.xyz).toEqual(storedForm('overhand-stopper', 'right').set.tight.xyz);
    expect(frames.length).toBeGreaterThan(20);
    for (const f of frames) expect(f).toHaveLength(3 * laid.points.length);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    // turned, but not stretched or mirrored: distances between nodes are those of the laid form
    const at = (f: Float32Array, n: number): Point3 => [f[3 * n]!, f[3 * n + 1]!, f[3 * n + 2]!];
    for (const [i, j] of [
      [0, 50],
      [50, 100],
      [20, 150],
    ] as const)
      expect(distance(at(frames[0]!, i), at(frames[0]!, j))).toBeCloseTo(distance(laid.points[i]!, laid.points[j]!), 4);
  });
  test('the butterfly’s ends are pulled to the sides on which they lie', () => {
    const { points, drawing } = butterflyByTwist(1);
    for (const p of drawing.pulls)
      expect(Math.sign(p.direction[0])).toBe(Math.sign((p.end === 'standing' ? points[0]! : points.at(-1)!)[0]));
  });
});
