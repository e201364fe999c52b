import { describe, expect, test } from '@jest/globals';
import { distance, type Point3 } from '../curve';
import {
  closedApart,
  closedAtInfinity,
  crossingsSeenFrom,
  diagramOf,
  FRONT,
  gaussCodeOf,
  invariantsOf,
  linkingMatrix,
  openedAtEye,
  pinnedEye,
  reduced,
  regularView,
  signature,
  simplestDiagram,
  straightened,
  withCrossingReversed,
} from '.';
import { refuses } from './testing/curves';

/** An overhand in an open line whose ends lead away. */
const overhand: Point3[] = (() => {
  const p = (t: number): Point3 => [
    1.8 * (Math.sin(t) + 2 * Math.sin(2 * t)),
    1.8 * (Math.cos(t) - 2 * Math.cos(2 * t)),
    -1.1 * Math.sin(3 * t),
  ];
  const body = Array.from({ length: 240 }, (_, i) => p(Math.PI + 0.35 + ((2 * Math.PI - 0.7) * i) / 239));
  const on = (a: Point3, side: number) =>
    Array.from({ length: 10 }, (_, i): Point3 => [a[0] + side * (i + 1), a[1] - 0.3 * (i + 1), a[2]]);
  const [a, b] = [body[0]!, body.at(-1)!];
  return [...on(a, Math.sign(a[0] - b[0])).reverse(), ...body, ...on(b, Math.sign(b[0] - a[0]))];
})();
const figures = (points: readonly Point3[]) => signature(invariantsOf(simplestDiagram([closedAtInfinity(points)])));

describe('an open line made simpler', () => {
  const [fewer] = straightened([{ points: overhand, closed: false }]);
  test('keeps its ends, and far fewer points', () => {
    expect([fewer!.points[0], fewer!.points.at(-1)]).toEqual([overhand[0], overhand.at(-1)]);
    expect(fewer!.closed).toBe(false);
    expect(fewer!.points.length).toBeLessThan(overhand.length / 8);
    for (const q of fewer!.points) expect(overhand).toContainEqual(q);
  });

  test('is the same knot, and a straight one is its two ends', () => {
    expect(figures(fewer!.points)).toBe(figures(overhand));
    const straight = Array.from({ length: 30 }, (_, i): Point3 => [i, 0, 0]);
    expect(straightened([{ points: straight, closed: false }])[0]!.points).toEqual([straight[0], straight.at(-1)]);
  });
});

describe('a cut eye', () => {
  // a bight with an overhand in its standing side: the eye's far point is the last place before it turns back
  const back = overhand.map((p): Point3 => [p[0], p[1] - 14, p[2]]).reverse();
  const loop = [...overhand, [overhand.at(-1)![0] + 4, -8, 0] as Point3, ...back];
  const eye = overhand.length;

  test('gives two strands whose new ends lie side by side, away from the knot', () => {
    const [one, two] = openedAtEye(loop, eye);
    expect([one.points[0], two.points.at(-1)]).toEqual([loop[0], loop.at(-1)]);
    const gap = distance(one.points.at(-1)!, two.points[0]!);
    expect(gap).toBeLessThan(distance(one.points.at(-1)!, loop[eye]!));
  });

  test('can be led out on either face', () => {
    const up = openedAtEye(loop, eye, 0, [0, 0, 1])[0].points.at(-1)!;
    const down = openedAtEye(loop, eye, 0, [0, 0, -1])[0].points.at(-1)!;
    expect(up[2]).toBeGreaterThan(5);
    expect(down[2]).toBeLessThan(-5);
  });

  test('the halves given ready are closed as the ones computed', () => {
    const own = signature(invariantsOf(simplestDiagram(pinnedEye(loop, eye))));
    const given = signature(
      invariantsOf(
        simplestDiagram(
          pinnedEye(loop, eye, FRONT, (turns) => straightened(openedAtEye(loop, eye, turns))),
          true,
        ),
      ),
    );
    expect(given).toBe(own);
  });

  test('an eye outside the rope is refused', () => {
    expect(() => openedAtEye(loop, 0)).toThrow(refuses('eye-not-found'));
    expect(() => openedAtEye(loop, loop.length)).toThrow(refuses('eye-not-found'));
  });
});

/** Two legs wound about each other, joined at their far end. */
const wound = (turns: number): { points: Point3[]; eye: number } => {
  const leg = (side: number) =>
    Array.from({ length: 41 }, (_, i): Point3 => {
      const angle = (2 * Math.PI * turns * i) / 40;
      return [i / 2, side * Math.cos(angle), side * Math.sin(angle)];
    });
  const out = leg(1);
  const ends = (y: number): Point3[] => [8, 4].map((x) => [-x, y * (1 + x / 4), 0]);
  return { points: [...ends(1), ...out, [26, 0.3, 0.2], ...leg(-1).reverse(), ...ends(-1).reverse()], eye: 43 };
};

test.each([1, -1, 2, -2])(
  'legs wound %d times about each other are no link, whichever way they are led out',
  (turns) => {
    const { points, eye } = wound(turns);
    const linked = (lines: Parameters<typeof regularView>[0]) =>
      linkingMatrix(diagramOf(regularView(lines), 2))[0]![1]!;
    expect(Math.abs(linked(closedApart(openedAtEye(points, eye))))).toBe(Math.abs(turns));
    for (const sense of [1, -1])
      expect(linked(pinnedEye(points, eye, FRONT, (n) => openedAtEye(points, eye, sense * n)))).toBe(0);
  },
);

test('two overlaps are taken away together, one alone is none', () => {
  const seen = diagramOf(crossingsSeenFrom([closedAtInfinity(overhand)], FRONT), 1);
  const simple = reduced(seen);
  expect(simple.signs).toHaveLength(3);
  expect(gaussCodeOf(reduced(withCrossingReversed(simple, 0)))).toEqual(['']);
});
