import { expect, test } from '@jest/globals';
import { distance, middleOf, type Point3 } from '../curve';
import { shakenFrom } from './presenting';

test('shaken, each point moves by no more than said, on the whole nowhere, and by the same seed the same', () => {
  const points = Array.from({ length: 400 }, (_, k): Point3 => [k, 0, 0]);
  const shaken = shakenFrom(points, 0.3, 7);
  const moves = shaken.map((p, k) => distance(p, points[k]!));
  expect(Math.max(...moves)).toBeLessThanOrEqual(0.3);
  expect(Math.max(...moves)).toBeGreaterThan(0.25);
  expect(distance(middleOf(shaken), middleOf(points))).toBeLessThan(0.03);
  expect(shakenFrom(points, 0.3, 7)).toEqual(shaken);
  expect(shakenFrom(points, 0.3, 8)).not.toEqual(shaken);
});
