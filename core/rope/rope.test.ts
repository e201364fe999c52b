import { describe, expect, test } from '@jest/globals';
import { arcLengths, resample, smallestDistance, splineThrough, straight, type Point3 } from '../curve';
import { alexander, closedAtInfinity, determinantOf, simplestDiagram } from '../topology';
import { contactCentre, NODE_SPACING, SOLVER_SETTINGS, tighten } from './index';
import { drawnAtBothEnds, overhand } from '../knots/laying/testing/overhand';

const determinant = (points: readonly Point3[]) =>
  determinantOf(alexander(simplestDiagram([closedAtInfinity(points)])));

describe('tightening', () => {
  const laid = overhand();
  const tight = tighten(drawnAtBothEnds(laid))!;

  test('an overhand stays an overhand, strands a diameter apart', () => {
    expect(determinant(laid)).toBe(3n);
    expect(determinant(tight.tight.ropes[0]!)).toBe(3n);
    expect(smallestDistance([{ points: tight.tight.ropes[0]!, closed: false }], 2.5)).toBeGreaterThan(0.97);
    expect(tight.smallestDistanceEver).toBeGreaterThan(0.92);
  });

  test('rope neither grows nor shrinks noticeably', () => {
    const length = (p: readonly Point3[]) => arcLengths(p).at(-1)!;
    expect(Math.abs(length(tight.tight.ropes[0]!) / length(laid) - 1)).toBeLessThan(0.02);
  });

  test('it takes up about ten diameters of rope, as the open overhand does', () => {
    const [a, b] = [tight.tight.ropes[0]![0]!, tight.tight.ropes[0]!.at(-1)!];
    const eliminated = arcLengths(tight.tight.ropes[0]!).at(-1)! - Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
    expect(eliminated).toBeGreaterThan(8.5);
    expect(eliminated).toBeLessThan(11.7);
  });

  test('equal input gives equal bytes', () => expect(tighten(drawnAtBothEnds(laid))).toEqual(tight));

  test('it can be stopped and tells how far it is', () => {
    const shares: number[] = [];
    expect(tighten(drawnAtBothEnds(laid), undefined, (s) => shares.push(s) < 3)).toBeNull();
    expect(shares).toHaveLength(3);
    expect(shares[0]).toBeLessThan(shares[2]!);
  });

  test('where a strand may have passed through another the run is thrown away', () => {
    const through: Point3[] = [
      ...straight([-6, 0, 0], [6, 0, 0], 0.45),
      ...splineThrough([
        [7, 0, 0],
        [8, 4, 0],
        [0, 4, 0],
        [0, 0.05, 0.02],
        [0, -6, 0],
      ]).filter((_, i) => i % 6 === 0),
    ];
    expect(() => tighten(drawnAtBothEnds(resample(through, NODE_SPACING)))).toThrow(
      expect.objectContaining({ code: 'solver-passed-through' }) as unknown as Error,
    );
  });

  test('what bears is a stretch in the middle of the rope, and the centre lies in it', () => {
    const points = tight.tight.ropes[0]!;
    const bearing = points.map((_, i) => i).filter((i) => tight.tight.load[i]! > 0.01);
    expect(bearing[0]).toBeGreaterThan(20);
    expect(bearing.at(-1)).toBeLessThan(points.length - 20);
    const c = contactCentre(points, tight.tight.load);
    expect(
      Math.min(...bearing.map((i) => Math.hypot(points[i]![0] - c[0], points[i]![1] - c[1], points[i]![2] - c[2]))),
    ).toBeLessThan(1.5);
    // without any load it is the middle of all
    expect(
      contactCentre(
        [
          [0, 0, 0],
          [4, 2, 0],
        ],
        [0, 0],
      ),
    ).toEqual([2, 1, 0]);
  });
});

test('with more friction the same pull leaves a knot larger', () => {
  const size = (friction: number) => {
    const t = tighten({ ...drawnAtBothEnds(overhand()), stages: [{ duration: 400, force: [0.05, 0.15], friction }] })!;
    const [a, b] = [t.tight.ropes[0]![0]!, t.tight.ropes[0]!.at(-1)!];
    // rope taken up by the knot
    return arcLengths(t.tight.ropes[0]!).at(-1)! - Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
  };
  expect(size(0.6)).toBeGreaterThan(size(0.02));
});

describe('a seed', () => {
  const short = (seed: number) =>
    tighten(
      { ...drawnAtBothEnds(overhand()), stages: [{ duration: 60, force: [0.2, 0.4], friction: 0.1 }] },
      { ...SOLVER_SETTINGS, seed },
    )!;
  test('gives the same bytes again, another seed others, and the same knot', () => {
    expect(short(7)).toEqual(short(7));
    expect(short(8).tight.ropes).not.toEqual(short(7).tight.ropes);
    expect(determinant(short(8).tight.ropes[0]!)).toBe(3n);
  });
});
