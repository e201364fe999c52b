/** The sense of turns: along its host a right-handed screw counts up, its mirror image down; told the other way round the host turns the sense. */
import { expect, test } from '@jest/globals';
import type { Point3 } from '../curve';
import { turnsAbout } from './turns';

const host = (down = false) => {
  const points = Array.from({ length: 121 }, (_, i): Point3 => [0, 0, (i - 60) / 5]);
  return { points: down ? points.reverse() : points, closed: false };
};
/** A helix about z, rising. */
const helix = (turns: number, hand: 1 | -1): { points: Point3[]; closed: boolean } => ({
  points: Array.from({ length: 200 }, (_, i): Point3 => {
    const a = (2 * Math.PI * turns * i) / 199;
    return [1.2 * Math.cos(a), hand * 1.2 * Math.sin(a), -5 + (10 * i) / 199];
  }),
  closed: false,
});

test.each([1, 2.5, 4])(
  '%d turns of a right-handed screw are so many, of a left-handed one so many less than none',
  (turns) => {
    for (const [down, sense] of [
      [false, 1],
      [true, -1],
    ] as const) {
      expect(turnsAbout(helix(turns, 1), host(down)).net).toBeCloseTo(sense * turns, 2);
      expect(turnsAbout(helix(turns, -1), host(down)).net).toBeCloseTo(-sense * turns, 2);
    }
  },
);

test('there and back again is nothing, in two runs of opposite sense', () => {
  const there = helix(2, 1).points;
  const { net, runs } = turnsAbout({ points: [...there, ...there.slice(0, -1).reverse()], closed: false }, host());
  expect(net).toBeCloseTo(0, 6);
  expect(runs.map((r) => Math.round(r))).toEqual([2, -2]);
});
