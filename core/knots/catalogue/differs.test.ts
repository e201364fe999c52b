import { describe, expect, test } from '@jest/globals';
import { distance, middleOf, subtract } from '../../curve';

import { shapeOf, storedForm } from './catalogue';
import { differingPlace } from './differs';
import { pointsOf } from '../shape/stored';

import { turnedBack, turnedBy } from '../shape/laidView';

describe('where a form differs', () => {
  test('a wrong lane is ringed at the far turn where it is, not all of the knot', () => {
    const { centre, radius } = differingPlace('figure-eight-follow-through', 'wrong-lane', 'right', 'laid');
    // both as they were laid, from where the rope goes in; the nearest point instead of the nearest place between two
    const asLaid = (form: string) => {
      const { laid, laidView } = storedForm('figure-eight-follow-through', form);
      const points = turnedBack(pointsOf(laid), laidView);
      return { laid, points: points.map((p) => subtract(p, points[laid.marks.standing[1]]!)) };
    };
    const [wrong, right] = [asLaid('wrong-lane'), asLaid('right')];
    const inKnot = (i: number) => {
      const [[a, b], [c, d]] = wrong.laid.marks.legs!;
      const { standing, tail } = wrong.laid.marks;
      return i >= standing[1] && i <= tail[0] && !(i > a && i < b) && !(i > c && i < d);
    };
    const shown = pointsOf(wrong.laid);
    const apart = shown.filter(
      (_, i) => inKnot(i) && Math.min(...right.points.map((p) => distance(p, wrong.points[i]!))) > 0.5,
    );
    expect(apart.length).toBeGreaterThan(5);
    expect(distance(centre, middleOf(apart))).toBeLessThan(0.6);
    for (const p of apart) expect(Math.hypot(p[0] - centre[0], p[1] - centre[1])).toBeLessThanOrEqual(radius);
    expect(radius).toBeLessThan(4.3);
  });

  test('conditions are ringed where they are: at the tail, at the eye, at the second harness point', () => {
    const id = 'figure-eight-follow-through';
    const [rope] = shapeOf(id, 'tail-short', 'tight');
    expect(distance(differingPlace(id, 'tail-short', 'right', 'tight').centre, rope!.points.at(-1)!)).toBeLessThan(0.5);
    const large = shapeOf(id, 'eye-too-large', 'tight')[0]!;
    expect(differingPlace(id, 'eye-too-large', 'right', 'tight').centre).toEqual(large.points[large.marks!.eye!]);
    const one = shapeOf(id, 'one-harness-point', 'tight').find((c) => c.name === 'harness-point-2')!;
    const ring = differingPlace(id, 'one-harness-point', 'right', 'tight', 'one');
    expect(
      Math.max(...one.points.map((p) => Math.hypot(p[0] - ring.centre[0], p[1] - ring.centre[1]))),
    ).toBeLessThanOrEqual(ring.radius);
  });
});

test('a view is turned back', () => {
  const view = { yaw_deg: 24, pitch_deg: -16 };
  const [p] = turnedBack(turnedBy([[1, 2, 3]], view), view);
  expect(distance(p!, [1, 2, 3])).toBeLessThan(1e-12);
});
