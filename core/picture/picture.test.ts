import { describe, expect, test } from '@jest/globals';
import type { Point3 } from '../curve';
import { crossingsSeenFrom } from '../topology';
import { shapeOf } from '../knots/catalogue';
import { drawVector, facing, frameFor, mixed, pathInWords, PICTURE_THEMES, type PictureSettings } from './index';

const components = (form = 'right', harness: 'both' | null = null) => shapeOf('figure-eight-follow-through', form, 'tight', harness).map(({ marks: _marks, ...c }) => c);
const settings: PictureSettings = { face: 'front', theme: 'paper', size_px: 320, crop: 'whole', knotRadius_ropeDiameters: 3.7, title: 'An eight', cutTail: true };

describe('a vector picture', () => {
  const svg = drawVector(components(), settings);
  test('names, for every piece, the strand and the points it shows, and every crossing once', () => {
    expect(svg.match(/data-component="rope"/g)!.length).toBeGreaterThan(40);
    const last = components()[0]!.points.length - 1;
    for (const [, from, to] of svg.matchAll(/data-from="(\d+)" data-to="(\d+)"/g)) expect([Number(from) < Number(to) || Number(from) === Number(to), Number(to) <= last]).toEqual([true, true]);
    const ids = [...svg.matchAll(/data-crossing="(\d+)"/g)].map((m) => Number(m[1])).sort((a, b) => a - b);
    const count = crossingsSeenFrom([{ points: components()[0]!.points, closed: false }], [0, 0, 1]).count;
    expect(ids).toEqual(Array.from({ length: count }, (_, i) => i + 1));
  });

  test('has its path in words for those who do not see it', () => {
    expect(svg).toMatch(/<desc>From the standing part the rope passes (over|under) at 1, .*and out as the tail\./);
    const eight = crossingsSeenFrom([{ points: shapeOf('figure-eight-stopper', 'right', 'laid')[0]!.points, closed: false }], [0, 0, 1]);
    expect(pathInWords(eight)).toBe('From the standing part the rope passes over at 1, under at 2, over at 3, under at 4, over at 2, under at 1, over at 4, under at 3, and out as the tail. 4 crossings.');
    const [loop] = shapeOf('bowline', 'right', 'laid');
    expect(pathInWords(crossingsSeenFrom([{ points: loop!.points, closed: false }], [0, 0, 1]), undefined, loop!.marks!.eye)).toMatch(/over at 2, under at 7, round the eye, under at 5/);
    expect(pathInWords({ count: 0, passes: [] })).toBe('The rope does not cross itself.');
  });

  test('is drawn from far to near: where two strands cross, the upper one is drawn later', () => {
    const points = components()[0]!.points;
    const { passes } = crossingsSeenFrom([{ points, closed: false }], [0, 0, 1]);
    const order = [...svg.matchAll(/data-from="(\d+)" data-to="(\d+)"/g)].map((m) => [Number(m[1]), Number(m[2])] as const);
    const drawnAt = (at: number) => order.findIndex(([a, b]) => a <= at && at <= b);
    let compared = 0;
    for (let c = 0; c < passes.length / 2; c++) {
      const over = passes.find((p) => p.crossing === c && p.over)!;
      const under = passes.find((p) => p.crossing === c && !p.over)!;
      const height = (at: number) => points[Math.round(at)]![2];
      // strands that lie almost level are drawn beside each other, not over
      if (height(over.at) - height(under.at) < 0.6 || drawnAt(over.at) < 0 || drawnAt(under.at) < 0) continue;
      compared++;
      expect(drawnAt(over.at)).toBeGreaterThan(drawnAt(under.at));
    }
    expect(compared).toBeGreaterThan(5);
  });

  test('a point that lies exactly on another strand as seen does not make its words wrong', () => {
    const points: Point3[] = [[-6, 0, 0], [-3, 0, 0], [0, 0, 0], [3, 0, 0], [6, 3, 1], [3, 6, 2], [0, 3, 2], [0, -3, 2], [0, -8, 2]];
    const text = drawVector([{ name: 'rope', role: 'rope', closed: false, diameter: 1, points }], settings);
    expect(text).toContain('<desc>From the standing part the rope passes under at 1, over at 1, and out as the tail. 1 crossing.</desc>');
  });

  test('where strands touch nothing is said of the path', () => {
    const points: Point3[] = [[-6, 0, 0], [6, 0, 0], [6, 6, 0], [0, 6, 0], [0, -6, 0]];
    const text = drawVector([{ name: 'rope', role: 'rope', closed: false, diameter: 1, points }], settings);
    expect(text).toMatch(/^<svg/);
    expect(text).not.toContain('<desc>');
  });

  test('numbers in it are finite', () => expect(svg).not.toMatch(/NaN|Infinity|undefined/));
});

test('the back is the front turned over, not its mirror image', () => {
  const { points } = shapeOf('bowline', 'right', 'tight')[0]!;
  const writhe = (p: readonly Point3[], toViewer: Point3) => crossingsSeenFrom([{ points: p, closed: false }], toViewer).passes.reduce((s, x) => s + x.sign, 0) / 2;
  const front = writhe(points, [0.02, 0.03, 1]);
  expect(front).not.toBe(0);
  // the same place in space, looked at from the same side after the turn
  expect(writhe(facing(points, 'back'), [-0.02, 0.03, -1])).toBe(front);
  expect(writhe(points.map((p): Point3 => [-p[0], p[1], p[2]]), [-0.02, 0.03, 1])).toBe(-front);
});

test('frames hold what they promise', () => {
  const [x, y, width, height] = frameFor(components('right', 'both'), settings);
  for (const p of components('right', 'both')[1]!.points) expect([p[0] > x, p[0] < x + width, p[1] > y, p[1] < y + height]).toEqual([true, true, true, true]);
  const knot = frameFor(components(), { ...settings, crop: 'knot' });
  expect(knot[2]).toBeLessThan(13);
});

test('a mark is drawn where to look, on either face', () => {
  const marked = (face: 'front' | 'back') => /<circle cx="([-\d.]+)" cy="[-\d.]+" r="1.5"/.exec(drawVector(components(), { ...settings, face, markAt: { centre: [1.5, 0, 0], radius: 1.5 } }))?.[1];
  expect([marked('front'), marked('back')]).toEqual(['1.5', '-1.5']);
});

test('colours mix between their ends, and no theme leaves one out', () => {
  expect([mixed('#000000', '#ffffff', 0), mixed('#000000', '#ffffff', 1), mixed('#102030', '#304050', 0.5)]).toEqual(['#000000', '#ffffff', '#203040']);
  const keys = Object.keys(PICTURE_THEMES.paper);
  for (const theme of Object.values(PICTURE_THEMES)) expect(Object.keys(theme)).toEqual(keys);
});
