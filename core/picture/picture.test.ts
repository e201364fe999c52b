import { describe, expect, test } from '@jest/globals';
import type { Point3 } from '../curve';
import { crossingsSeenFrom } from '../topology';
import { shapeOf } from '../knots/catalogue/catalogue';
import {
  drawVector,
  facing,
  frameFor,
  mixed,
  pathInWords,
  PICTURE_THEMES,
  ribbonMesh,
  strandTints,
  type PictureSettings,
} from './index';
import { postPiece } from './post';
import { hiddenAmong, ribbonPieces } from './ribbon';

const components = (form = 'right', harness: 'both' | null = null) =>
  shapeOf('figure-eight-follow-through', form, 'tight', harness).map(({ marks: _marks, ...c }) => c);
const settings: PictureSettings = {
  face: 'front',
  theme: 'paper',
  size_px: 320,
  crop: 'whole',
  knotRadius_ropeDiameters: 3.7,
  title: 'An eight',
  cutTail: true,
};

describe('a vector picture', () => {
  const svg = drawVector(components(), settings);
  test('names, for every piece, the strand and the points it shows, and every crossing once', () => {
    expect(svg.match(/data-component="rope"/g)!.length).toBeGreaterThan(40);
    const last = components()[0]!.points.length - 1;
    for (const [, from, to] of svg.matchAll(/data-from="(\d+)" data-to="(\d+)"/g))
      expect([Number(from) < Number(to) || Number(from) === Number(to), Number(to) <= last]).toEqual([true, true]);
    const ids = [...svg.matchAll(/data-crossing="(\d+)"/g)].map((m) => Number(m[1])).sort((a, b) => a - b);
    const count = crossingsSeenFrom([{ points: components()[0]!.points, closed: false }], [0, 0, 1]).count;
    expect(ids).toEqual(Array.from({ length: count }, (_, i) => i + 1));
  });

  test('has its path in words for those who do not see it', () => {
    expect(svg).toMatch(/<desc>From the standing part the rope passes (over|under) at 1, .*and out as the tail\./);
    const eight = crossingsSeenFrom(
      [{ points: shapeOf('figure-eight-stopper', 'right', 'laid')[0]!.points, closed: false }],
      [0, 0, 1],
    );
    expect(pathInWords(eight)).toBe(
      'From the standing part the rope passes over at 1, under at 2, over at 3, under at 4, over at 2, under at 1, over at 4, under at 3, and out as the tail. 4 crossings.',
    );
    const [loop] = shapeOf('bowline', 'right', 'laid');
    expect(
      pathInWords(crossingsSeenFrom([{ points: loop!.points, closed: false }], [0, 0, 1]), undefined, loop!.marks!.eye),
    ).toMatch(/over at 2, under at 7, round the eye, under at 5/);
    expect(pathInWords({ count: 0, passes: [] })).toBe('The rope does not cross itself.');
  });

  test('is drawn from far to near: where two strands cross, the upper one is drawn later', () => {
    const points = components()[0]!.points;
    const { passes } = crossingsSeenFrom([{ points, closed: false }], [0, 0, 1]);
    const order = [...svg.matchAll(/data-from="(\d+)" data-to="(\d+)"/g)].map(
      (m) => [Number(m[1]), Number(m[2])] as const,
    );
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
    const points: Point3[] = [
      [-6, 0, 0],
      [-3, 0, 0],
      [0, 0, 0],
      [3, 0, 0],
      [6, 3, 1],
      [3, 6, 2],
      [0, 3, 2],
      [0, -3, 2],
      [0, -8, 2],
    ];
    const text = drawVector([{ name: 'rope', role: 'rope', closed: false, diameter: 1, points }], settings);
    expect(text).toContain(
      '<desc>From the standing part the rope passes under at 1, over at 1, and out as the tail. 1 crossing.</desc>',
    );
  });

  test('where strands touch nothing is said of the path', () => {
    const points: Point3[] = [
      [-6, 0, 0],
      [6, 0, 0],
      [6, 6, 0],
      [0, 6, 0],
      [0, -6, 0],
    ];
    const text = drawVector([{ name: 'rope', role: 'rope', closed: false, diameter: 1, points }], settings);
    expect(text).toMatch(/^<svg/);
    expect(text).not.toContain('<desc>');
  });

  test('numbers in it are finite', () => expect(svg).not.toMatch(/NaN|Infinity|undefined/));
});

test('the back is the front turned over, not its mirror image', () => {
  const { points } = shapeOf('bowline', 'right', 'tight')[0]!;
  const writhe = (p: readonly Point3[], toViewer: Point3) =>
    crossingsSeenFrom([{ points: p, closed: false }], toViewer).passes.reduce((s, x) => s + x.sign, 0) / 2;
  const front = writhe(points, [0.02, 0.03, 1]);
  expect(front).not.toBe(0);
  // the same place in space, looked at from the same side after the turn
  expect(writhe(facing(points, 'back'), [-0.02, 0.03, -1])).toBe(front);
  expect(
    writhe(
      points.map((p): Point3 => [-p[0], p[1], p[2]]),
      [-0.02, 0.03, 1],
    ),
  ).toBe(-front);
});

test('frames hold what they promise', () => {
  const [x, y, width, height] = frameFor(components('right', 'both'), settings);
  for (const p of components('right', 'both')[1]!.points)
    expect([p[0] > x, p[0] < x + width, p[1] > y, p[1] < y + height]).toEqual([true, true, true, true]);
  const knot = frameFor(components(), { ...settings, crop: 'knot' });
  expect(knot[2]).toBeLessThan(13);
});

test('a mark is drawn where to look, on either face', () => {
  const marked = (face: 'front' | 'back') =>
    /<circle cx="([-\d.]+)" cy="[-\d.]+" r="1.5"/.exec(
      drawVector(components(), { ...settings, face, markAt: { centre: [1.5, 0, 0], radius: 1.5 } }),
    )?.[1];
  expect([marked('front'), marked('back')]).toEqual(['1.5', '-1.5']);
});

test('colours mix between their ends, and no theme leaves one out', () => {
  expect([mixed('#000000', '#ffffff', 0), mixed('#000000', '#ffffff', 1), mixed('#102030', '#304050', 0.5)]).toEqual([
    '#000000',
    '#ffffff',
    '#203040',
  ]);
  const keys = Object.keys(PICTURE_THEMES.paper);
  for (const theme of Object.values(PICTURE_THEMES)) expect(Object.keys(theme)).toEqual(keys);
});

describe('what is not one round rope', () => {
  const draw = (id: string, face: 'front' | 'back' = 'front', form = 'right') =>
    drawVector(
      shapeOf(id, form, 'tight').map(({ marks: _marks, ...c }) => c),
      { ...settings, face, crop: 'knot', knotRadius_ropeDiameters: 8 },
    );
  const pieces = (svg: string, name: string) => svg.split(`data-component="${name}"`).length - 1;

  test('two ropes, a host and an object are told apart by tint and by tracer', () => {
    const tints = ['rope', 'second-rope', 'host', 'ring'].map((role) => strandTints(role, 'paper'));
    expect(new Set(tints.map((t) => t.tint[0])).size).toBe(4);
    expect(new Set(tints.slice(0, 3).map((t) => t.tracers[0])).size).toBe(3);
    for (const theme of ['paper', 'headlamp', 'print'] as const)
      expect(strandTints('rope', theme).tint[0]).not.toBe(strandTints('second-rope', theme).tint[0]);
    const svg = draw('square-knot');
    expect([pieces(svg, 'rope') > 20, pieces(svg, 'second-rope') > 20]).toEqual([true, true]);
  });

  test('a post is one plain body at the depth of its axis: rope before it and behind it', () => {
    const svg = draw('clove-hitch', 'front', 'on-post');
    expect(pieces(svg, 'post')).toBe(1);
    const at = svg.indexOf('data-component="post"');
    expect([svg.indexOf('data-component="rope"') < at, svg.lastIndexOf('data-component="rope"') > at]).toEqual([
      true,
      true,
    ]);
    // seen along its axis it is round
    const end = postPiece(
      [
        [0, 0, -4],
        [0, 0, 4],
      ],
      6,
      { name: 'post', tint: '#888888', edge: '#444444' },
    );
    const drawnAs = (piece: typeof end) => new Set(piece.shapes.map((s) => s.shape));
    expect(drawnAs(end)).toEqual(new Set(['circle']));
    const lying = postPiece(
      [
        [-4, 0, 0],
        [4, 0, 0],
      ],
      6,
      { name: 'post', tint: '#888888', edge: '#444444' },
    );
    expect(drawnAs(lying)).toEqual(new Set(['path']));
  });

  test('a hand is one plain body that is seen through, rope before it and behind it; it is neither rope nor thing', () => {
    const rope = {
      name: 'rope',
      role: 'rope' as const,
      closed: false,
      diameter: 1,
      points: Array.from({ length: 40 }, (_, i): Point3 => [5 * Math.sin(i / 4), i / 8 - 2.5, 5 * Math.cos(i / 4)]),
    };
    const palm = { wrist: [0, -20, 0], fingertips: [0, 6, 0], width_ropeDiameters: 6 } as const;
    const svg = drawVector([rope], { ...settings, face: 'front', crop: 'knot', knotRadius_ropeDiameters: 8, palm });
    const at = svg.indexOf('data-palm');
    expect([pieces(svg, 'palm'), svg.split('data-palm').length - 1]).toEqual([0, 1]);
    expect([svg.indexOf('data-component="rope"') < at, svg.lastIndexOf('data-component="rope"') > at]).toEqual([
      true,
      true,
    ]);
    expect(svg.slice(at, at + 40)).toMatch(/opacity="0\.\d+"/);
    expect(drawVector([rope], { ...settings, face: 'front', crop: 'knot', knotRadius_ropeDiameters: 8 })).not.toContain(
      'data-palm',
    );
  });

  test('tape: cells of both tapes, nearest last; what lies wholly under another layer is left out', () => {
    const svg = draw('water-knot');
    expect([pieces(svg, 'rope') > 50, pieces(svg, 'second-rope') > 50]).toEqual([true, true]);
    const flat = (z: number): Point3[] => Array.from({ length: 30 }, (_, i): Point3 => [i * 0.4, 0, z]);
    const tape = { width: 6, thickness: 1, across: flat(0).map((): Point3 => [0, 1, 0]) };
    const look = {
      name: 't',
      tint: () => '#c98a2b',
      stripe: '#000000',
      casing: '#000000',
      units: 100,
      hidden: hiddenAmong([
        { points: flat(0), tape },
        { points: flat(2), tape },
      ]),
    };
    const below = ribbonPieces(flat(0), tape, look);
    const above = ribbonPieces(flat(2), tape, look);
    expect(below.length).toBeLessThan(0.5 * above.length);
    expect(Math.min(...above.map((p) => p.depth))).toBeGreaterThan(Math.max(...below.map((p) => p.depth)));
  });

  test('a tape’s mesh is a closed box section of its width and thickness, faces outward', () => {
    const points = Array.from({ length: 12 }, (_, i): Point3 => [i * 0.5, 0, 0]);
    const m = ribbonMesh(
      points,
      { width: 8, thickness: 1, across: points.map((): Point3 => [0, 1, 0]) },
      [
        [1, 1, 1],
        [0, 0, 0],
      ],
      [0, 0, 1],
    );
    expect(m.position).toHaveLength(3 * m.rings * (m.sides + 1));
    const extent = (c: number) =>
      Math.max(...m.position.filter((_, k) => k % 3 === c)) - Math.min(...m.position.filter((_, k) => k % 3 === c));
    expect([extent(1), extent(2) > 0.8, extent(2) <= 1]).toEqual([8, true, true]);
    for (let k = 0; k < m.index.length; k += 3) {
      const [a, b, c] = [0, 1, 2].map((j) => [0, 1, 2].map((d) => m.position[3 * m.index[k + j]! + d]!)) as [
        number[],
        number[],
        number[],
      ];
      const [u, v] = [b.map((x, d) => x - a[d]!), c.map((x, d) => x - a[d]!)];
      const normal = [u[1]! * v[2]! - u[2]! * v[1]!, u[2]! * v[0]! - u[0]! * v[2]!, u[0]! * v[1]! - u[1]! * v[0]!];
      if (Math.hypot(...normal) > 1e-6 && Math.abs(normal[2]!) > 1e-6)
        expect(Math.sign(normal[2]!)).toBe(Math.sign(m.normal[3 * m.index[k]! + 2]!));
    }
  });
});
