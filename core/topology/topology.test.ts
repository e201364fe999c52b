import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Line3, Point3 } from '../curve';
import {
  alexander,
  alexanderText,
  closedAtInfinity,
  compareDiagrams,
  crossingsSeenFrom,
  determinantOf,
  diagramOf,
  DIRECTIONS,
  gaussCodeOf,
  invariantsOf,
  isPlanar,
  jones,
  jonesByBigInt,
  laurentMirrored,
  laurentText,
  linkingMatrix,
  MOST_CROSSINGS,
  mirrored,
  parseGaussCode,
  pdCode,
  reduced,
  regularView,
  sameDiagram,
  signature,
  simplestDiagram,
  straightened,
  withCrossingReversed,
  writhe,
  type Diagram,
} from './index';
import {
  braidClosed,
  chain,
  coded,
  figureEight,
  mirror,
  refuses,
  rotated,
  torusKnot,
  trefoil,
  unknot,
} from './testing/curves';

const slightly: Point3 = [0.013, 0.021, 1];
const seen = (lines: readonly Line3[], from: Point3 = slightly): Diagram =>
  diagramOf(crossingsSeenFrom(lines, from), lines.length);

describe('crossings', () => {
  test('a right-handed trefoil shows three crossings of sign +1, its mirror image three of -1', () => {
    expect(crossingsSeenFrom([trefoil], slightly).count).toBe(3);
    expect(writhe(seen([trefoil]))).toBe(3);
    expect(writhe(seen([mirror(trefoil)]))).toBe(-3);
  });

  test('the numbers of crossings are the same from behind, each pass with over and under exchanged', () => {
    const front = crossingsSeenFrom([trefoil], slightly).passes;
    const back = crossingsSeenFrom([trefoil], [-slightly[0], -slightly[1], -slightly[2]]).passes;
    expect(back.map((p) => [p.crossing, p.over, p.sign])).toEqual(front.map((p) => [p.crossing, !p.over, p.sign]));
  });

  test('strands that meet in space are refused, a mere bad view says so', () => {
    const cross = (z: number): Line3[] => [
      {
        points: [
          [-1, 0, 0],
          [1, 0, 0],
        ],
        closed: false,
      },
      {
        points: [
          [0, -1, z],
          [0, 1, z],
        ],
        closed: false,
      },
    ];
    expect(() => crossingsSeenFrom(cross(0), [0, 0, 1])).toThrow(refuses('strands-touch'));
    expect(crossingsSeenFrom(cross(1e-6), [0, 0, 1]).count).toBe(1);
    const through: Line3[] = [
      {
        points: [
          [-1, 0, 0],
          [0, 0, 0],
          [1, 0, 0],
        ],
        closed: false,
      },
      {
        points: [
          [0, -1, 1],
          [0, 1, 1],
        ],
        closed: false,
      },
    ];
    expect(() => crossingsSeenFrom(through, [0, 0, 1])).toThrow(refuses('view-not-regular'));
    expect(
      regularView(through, [
        [0, 0, 1],
        [1e-6, 0, 1],
      ]).count,
    ).toBe(1);
    expect(() => regularView(through, [[0, 0, 1]])).toThrow(refuses('view-not-regular'));
    expect(() => regularView(cross(0))).toThrow(refuses('strands-touch'));
  });

  test('decides by exact predicates: a point a hair beside a strand is on the side it is on', () => {
    const line = (x: number): Line3[] => [
      {
        points: [
          [0, 0, 0],
          [1e8, 1e8, 0],
        ],
        closed: false,
      },
      {
        points: [
          [12.5 + x, 12.5, 1],
          [50, 0, 1],
        ],
        closed: false,
      },
    ];
    expect(crossingsSeenFrom(line(-2e-15 * 12.5), [0, 0, 1]).count).toBe(1);
    expect(crossingsSeenFrom(line(1e-14 * 12.5), [0, 0, 1]).count).toBe(0);
  });
});

describe('codes', () => {
  test('the Gauss code of a trefoil alternates; its PD code names every edge twice', () => {
    const d = seen([trefoil]);
    expect(gaussCodeOf(d)).toEqual([expect.stringMatching(/^([OU])1\+ (?!\1)[OU]2\+ \1/)]);
    const count = new Map<number, number>();
    for (const e of pdCode(d).flat()) count.set(e, (count.get(e) ?? 0) + 1);
    expect([...count.values()]).toEqual([2, 2, 2, 2, 2, 2]);
  });

  test('a code read is the code written; every picture is planar', () => {
    for (const lines of [[trefoil], [figureEight], chain, [torusKnot(3, 4)]])
      for (const from of DIRECTIONS.slice(0, 6)) {
        const d = seen(lines, from);
        expect(isPlanar(d)).toBe(true);
        expect(gaussCodeOf(parseGaussCode(gaussCodeOf(d).join('\n')).diagram)).toEqual(gaussCodeOf(d));
      }
  });

  const bad: [string, string][] = [
    ['', 'bad-code'],
    ['O1+', 'bad-code'],
    ['O1+ O1+', 'bad-code'],
    ['O1+ U1-', 'bad-code'],
    ['O1+ U1+ O1+', 'bad-code'],
    ['A1+ U1+', 'bad-code'],
    ['O1+ X', 'bad-code'],
    // one sign of a trefoil reversed, two strands of one crossing: no plane picture has these
    ['O1- U2+ O3+ U1- O2+ U3+', 'code-not-planar'],
    ['O1+ O2+ U1+ U2+', 'code-not-planar'],
    ['O1+\nU1+', 'code-not-planar'],
  ];
  test.each(bad)('refuses %j: %s', (text, code) => expect(() => parseGaussCode(text)).toThrow(refuses(code)));

  test('an open component is marked, its ends joined outside', () =>
    expect(parseGaussCode('open: O1+ U2+ O3+ U1+ O2+ U3+').open).toEqual([true]));
});

describe('invariants', () => {
  const known: [string, () => readonly Line3[], string, string, bigint][] = [
    ['unknot', () => [unknot], '1', '1', 1n],
    ['right-handed trefoil', () => [trefoil], 't^2 - t + 1', 't + t^3 - t^4', 3n],
    ['left-handed trefoil', () => [mirror(trefoil)], 't^2 - t + 1', '-t^-4 + t^-3 + t^-1', 3n],
    ['figure-eight', () => [figureEight], 't^2 - 3t + 1', 't^-2 - t^-1 + 1 - t + t^2', 5n],
    ['torus knot of five', () => [torusKnot(2, 5)], 't^4 - t^3 + t^2 - t + 1', 't^2 + t^4 - t^5 + t^6 - t^7', 5n],
    ['torus knot 3, 4', () => [torusKnot(3, 4)], 't^6 - t^5 + t^3 - t + 1', 't^3 + t^5 - t^8', 3n],
    ['two rings of a chain, run so that they link +1', () => chain, 't - 1', '-t^(1/2) - t^(5/2)', 2n],
    [
      'two rings apart',
      () => [chain[0]!, { ...chain[1]!, points: chain[1]!.points.map((p): Point3 => [p[0] + 9, p[1], p[2]]) }],
      '0',
      '-t^(-1/2) - t^(1/2)',
      0n,
    ],
  ];
  test.each(known)('%s', (_name, lines, delta, v, determinant) => {
    const i = invariantsOf(simplestDiagram(lines()));
    expect([alexanderText(i.alexander), laurentText(i.jones), i.determinant]).toEqual([delta, v, determinant]);
  });

  test('the Whitehead link: unlinked rings that do not come apart', () => {
    const whitehead = braidClosed(3, [1, -2, 1, -2, -2]);
    expect(linkingMatrix(whitehead)[0]![1]).toBe(0);
    expect(alexanderText(alexander(whitehead))).toBe('t^3 - 3t^2 + 3t - 1');
    expect(determinantOf(alexander(whitehead))).toBe(8n);
    expect(laurentText(jones(whitehead))).not.toBe(laurentText(jones(simplestDiagram(chain))));
  });

  test('signs, numbers and BigInt: the two arithmetics agree, and V(-1) is the determinant', () => {
    for (const [p, q] of [
      [2, 3],
      [2, 9],
      [3, 5],
      [4, 5],
      [5, 6],
    ] as const) {
      const d = simplestDiagram([torusKnot(p, q)]);
      const v = jones(d);
      expect(v).toEqual(jonesByBigInt(d));
      const at = v.c.reduce((s, c, k) => s + ((v.low2 / 2 + k) % 2 === 0 ? c : -c), 0n);
      expect(at < 0n ? -at : at).toBe(determinantOf(alexander(d)));
    }
  });

  test('coefficients beyond what plain numbers hold are still exact', () => {
    // sixty rings apart: every ring but one is worth -(t^(1/2) + t^(-1/2)), so binomial coefficients of 59 appear
    const apart: Diagram = { components: Array.from({ length: 60 }, () => []), signs: [] };
    const v = jones(apart);
    expect(v).toEqual(jonesByBigInt(apart));
    let binomial = 1n;
    for (let k = 0n; k < 29n; k++) binomial = (binomial * (59n - k)) / (k + 1n);
    expect(binomial > 2n ** 53n).toBe(true);
    expect(v.c[29]).toBe(-binomial);
  });

  test('the same from every direction, turned, and scaled', () => {
    const n = fc.double({ min: -1, max: 1, noNaN: true });
    const expected = signature(invariantsOf(simplestDiagram([figureEight])));
    fc.assert(
      fc.property(n, n, n, fc.double({ min: 1e-3, max: 1e3, noNaN: true }), (x, y, z, by) => {
        const l = rotated(figureEight, [x + 1e-3, y, z], by);
        expect(signature(invariantsOf(reduced(seen([l], [0.3, z, 0.7]))))).toBe(expected);
        expect(signature(invariantsOf(simplestDiagram([l])))).toBe(expected);
      }),
      { numRuns: 25 },
    );
  });

  test('a mirror image has the mirrored Jones polynomial and the same Alexander polynomial', () => {
    const d = seen([torusKnot(2, 7)]);
    expect(jones(mirrored(d))).toEqual(laurentMirrored(jones(d)));
    expect(alexander(mirrored(d))).toEqual(alexander(d));
  });
});

describe('reduction', () => {
  test('kinks and overlaps go, the knot stays', () => {
    const start = seen([trefoil]);
    const kinked = coded(`O9- U9- ${gaussCodeOf(start)[0]!}`);
    expect(gaussCodeOf(reduced(kinked))).toEqual(gaussCodeOf(start));
    // a loop of the first ring laid over the second and back
    expect(reduced(coded('O1+ O2-\nU1+ U2-')).signs).toEqual([]);
    expect(reduced(coded('O1+ U2+\nU1+ O2+')).signs).toHaveLength(2);
  });

  test('fewer points, the same knot: a noisy trefoil comes down to a few', () => {
    const noisy: Line3 = {
      closed: true,
      points: trefoil.points.map((p, i): Point3 => [
        p[0] + 0.05 * Math.sin(i * 7.1),
        p[1] + 0.05 * Math.sin(i * 5.3),
        p[2] + 0.05 * Math.cos(i * 6.7),
      ]),
    };
    const [fewer] = straightened([noisy]);
    expect(fewer!.points.length).toBeLessThan(14);
    for (const p of fewer!.points) expect(noisy.points).toContainEqual(p);
    expect(laurentText(jones(seen([fewer!])))).toBe('t + t^3 - t^4');
  });

  test('linked rings stay linked when they are straightened', () => {
    expect(linkingMatrix(seen(straightened(chain)))[0]![1]).toBe(1);
  });

  test('a diagram over the limit is refused, one under it is not', () => {
    expect(() => simplestDiagram([torusKnot(8, 9, 1800)])).toThrow(refuses('too-many-crossings'));
    expect(simplestDiagram([torusKnot(6, 7, 900)]).signs.length).toBeLessThanOrEqual(MOST_CROSSINGS);
  });
});

describe('comparing two diagrams', () => {
  test('same: numbered otherwise, begun elsewhere, seen from behind', () => {
    const d = seen([figureEight]);
    const [c] = d.components;
    const other: Diagram = {
      components: [
        [...c!.slice(3), ...c!.slice(0, 3)].map((p) => ({ ...p, crossing: d.signs.length - 1 - p.crossing })),
      ],
      signs: d.signs.slice().reverse(),
    };
    expect(compareDiagrams(d, other)).toMatchObject({ relation: 'same', by: 'diagram' });
    expect(sameDiagram(d, seen([figureEight], [-slightly[0], -slightly[1], -slightly[2]]))).toBe(true);
  });

  test('mirror: told from the same, also where only the figures tell', () => {
    expect(compareDiagrams(seen([trefoil]), seen([mirror(trefoil)]))).toMatchObject({
      relation: 'mirror',
      by: 'diagram',
    });
    // two different pictures of mirror images
    const other = DIRECTIONS.map((d) => reduced(seen([mirror(torusKnot(3, 4))], d))).sort(
      (a, b) => b.signs.length - a.signs.length,
    )[0]!;
    expect(compareDiagrams(simplestDiagram([torusKnot(3, 4)]), other).relation).toBe('mirror');
  });

  test('same topology, another diagram', () => {
    const other = coded('O1+ U2+ O3+ U1+ O2+ U3+');
    // the trefoil on three strands: four crossings that no kink or overlap takes away
    const four = braidClosed(3, [1, 2, 1, 2]);
    expect(reduced(four).signs).toHaveLength(4);
    expect(compareDiagrams(four, other)).toEqual({
      relation: 'same-topology',
      by: 'invariants',
      crossings: [],
      mirrored: false,
    });
    expect(compareDiagrams(parseGaussCode('O1+ U2+ O3+ U1+ O2+ U3+ O4+ U4+ ').diagram, other).relation).toBe('same');
  });

  test('one crossing away, and which', () => {
    const d = seen([figureEight]);
    for (let k = 0; k < 4; k++) {
      const c = compareDiagrams(d, withCrossingReversed(d, k));
      expect([c.relation, c.crossings.includes(k)]).toEqual(['one-crossing', true]);
    }
    expect(compareDiagrams(seen([torusKnot(2, 7)]), seen([unknot])).relation).toBe('different');
    expect(() => withCrossingReversed(d, 4)).toThrow(refuses('no-such-crossing'));
  });

  test('components keep their places: a knotted first and a plain second is not the other way round', () => {
    const far = (l: Line3): Line3 => ({ ...l, points: l.points.map((p): Point3 => [p[0] + 20, p[1], p[2]]) });
    const [a, b] = [simplestDiagram([trefoil, far(unknot)]), simplestDiagram([unknot, far(trefoil)])];
    expect(compareDiagrams(a, b).relation).not.toBe('same');
    expect(signature(invariantsOf(a))).not.toBe(signature(invariantsOf(b)));
  });
});

test('an open rope is closed far away: a trefoil cut open and led out is the trefoil again', () => {
  const k = trefoil.points.reduce((b, p, i, all) => (Math.hypot(...p) > Math.hypot(...all[b]!) ? i : b), 0);
  const opened = [...trefoil.points.slice(k), ...trefoil.points.slice(0, k - 3)];
  const out = (p: Point3): Point3 => [p[0] * 4, p[1] * 4, p[2] * 4];
  expect(
    laurentText(jones(simplestDiagram([closedAtInfinity([out(opened[0]!), ...opened, out(opened.at(-1)!)])]))),
  ).toBe('t + t^3 - t^4');
});
