/** What must hold of every knot as laid, however it is turned, scaled, resampled or shaken. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { distance, lanes, resample, smallestDistance, twistOfPair, type Line3, type Point3 } from '../curve';
import {
  closedAtInfinity, compareDiagrams, crossingsSeenFrom, crossJoined, diagramOf, FRONT, gaussCodeOf, invariantsOf, jones, laurentText, mirrored, partOf, pinnedEye, reduced, sameDiagram, signature, simplestDiagram, turnsAbout, type Diagram,
} from '../topology';
import { butterflyByTwist } from './alpine-butterfly/twist';
import { butterflyByHand } from './alpine-butterfly/wound';
import { flatDiagram } from './authoring';
import { storedForm } from './catalogue';
import { figureNineWound } from './figure-nine-on-bight/second-derivation';
import { CATALOGUE } from './index';
import { pointsOf } from './stored';
import { EIGHT, NINE, OVERHAND } from './single-paths';
import { READABLE_ROPE_DIAMETERS, crossingsApart, readableView, turnedBy } from './view';

const laid = (id: string, form = 'right') => {
  const { laid: shape, objects } = storedForm(id, form);
  return { points: pointsOf(shape), eye: shape.marks.eye, objects };
};
const alone = (points: readonly Point3[]): Diagram => simplestDiagram([closedAtInfinity(points)]);
const pinned = (points: readonly Point3[], eye: number): Diagram => simplestDiagram(pinnedEye(points, eye));
const V = (d: Diagram) => laurentText(jones(d));
const mirrorText = (d: Diagram) => V(mirrored(d));

const TREFOIL = 't + t^3 - t^4';
const FIGURE_EIGHT = 't^-2 - t^-1 + 1 - t + t^2';
const FIVE_TURNED = 't^2 + t^4 - t^5 + t^6 - t^7';
const FIVE_TWIST = 't - t^2 + 2t^3 - t^4 + t^5 - t^6';
const UNKNOT = '1';

/** A jolt for each coordinate, from a seed. */
function shaken(points: readonly Point3[], most: number, seed: number): Point3[] {
  let state = (seed * 2654435761 + 12345) >>> 0;
  const next = () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return (state / 4294967296 - 0.5) * 2 * most;
  };
  return points.map((p) => [p[0] + next() / Math.sqrt(3), p[1] + next() / Math.sqrt(3), p[2] + next() / Math.sqrt(3)]);
}

/** A random rotation from three numbers in 0..1 (Shoemake's uniform quaternions). */
function turned(points: readonly Point3[], [u, v, w]: readonly [number, number, number]): Point3[] {
  const [a, b] = [Math.sqrt(1 - u), Math.sqrt(u)];
  const [x, y, z, s] = [a * Math.sin(2 * Math.PI * v), a * Math.cos(2 * Math.PI * v), b * Math.sin(2 * Math.PI * w), b * Math.cos(2 * Math.PI * w)];
  return points.map((p) => [
    (1 - 2 * (y * y + z * z)) * p[0] + 2 * (x * y - z * s) * p[1] + 2 * (x * z + y * s) * p[2],
    2 * (x * y + z * s) * p[0] + (1 - 2 * (x * x + z * z)) * p[1] + 2 * (y * z - x * s) * p[2],
    2 * (x * z - y * s) * p[0] + 2 * (y * z + x * s) * p[1] + (1 - 2 * (x * x + y * y)) * p[2],
  ]);
}

const everything = CATALOGUE.flatMap(({ entry, baked }) => Object.keys(baked.forms).map((form) => [entry.id, form] as const));

describe.each(everything)('%s %s, laid', (id, form) => {
  const { points, eye, objects } = laid(id, form);

  test('strands stand apart, every crossing can be read', () => {
    expect(smallestDistance([{ points, closed: false }], 2.5)).toBeGreaterThanOrEqual(1.2);
    expect(crossingsApart(points)).toBeGreaterThanOrEqual(READABLE_ROPE_DIAMETERS);
    for (const o of objects) for (const p of o.points) expect(Math.min(...points.map((q) => distance(p, q)))).toBeGreaterThanOrEqual((1 + o.diameter) / 2);
  });

  test('ends lead straight out', () => {
    for (const end of [points.slice(0, 12), points.slice(-12)]) {
      const direct = distance(end[0]!, end.at(-1)!);
      const along = end.slice(1).reduce((sum, p, i) => sum + distance(p, end[i]!), 0);
      expect(direct / along).toBeGreaterThan(0.97);
    }
  });

  test('stays what it is, turned, scaled, resampled and shaken', () => {
    const own = signature(invariantsOf(alone(points)));
    const unit = fc.double({ min: 0, max: 1, noNaN: true });
    const far = eye === undefined ? null : points[eye]!;
    const ownPinned = eye === undefined ? '' : signature(invariantsOf(pinned(points, eye)));
    fc.assert(
      fc.property(unit, unit, unit, fc.double({ min: 0.01, max: 50, noNaN: true }), fc.double({ min: 0.2, max: 0.8, noNaN: true }), fc.integer({ min: 1, max: 1e6 }), (u, v, w, by, step, seed) => {
        const other = shaken(resample(points, step), 0.1, seed);
        const at = turned(other, [u, v, w]).map((p): Point3 => [p[0] * by, p[1] * by, p[2] * by]);
        expect(signature(invariantsOf(alone(at)))).toBe(own);
        if (far) {
          const cut = other.reduce((best, p, i) => (distance(p, far) < distance(other[best]!, far) ? i : best), 1);
          const front = turned([FRONT], [u, v, w])[0]!;
          expect(signature(invariantsOf(simplestDiagram(pinnedEye(at, cut, front))))).toBe(ownPinned);
        }
      }),
      { numRuns: 3, seed: 7 },
    );
  });
});

describe('ropes alone, their ends joined', () => {
  const known: [string, string][] = [
    ['overhand-stopper', TREFOIL], ['double-overhand-stopper', FIVE_TURNED], ['figure-eight-stopper', FIGURE_EIGHT], ['figure-nine-stopper', FIVE_TWIST],
    // tied in the bight, or a noose: nothing is left when the eye is let go
    ['overhand-on-bight', UNKNOT], ['figure-eight-on-bight', UNKNOT], ['figure-nine-on-bight', UNKNOT], ['alpine-butterfly', UNKNOT], ['barrel-noose', UNKNOT], ['butterfly-rewoven', UNKNOT],
  ];
  test.each(known)('%s', (id, v) => {
    const d = alone(laid(id).points);
    expect([V(d), mirrorText(d)]).toContain(v);
  });

  test('the noose with three wraps is unknotted, half finished the eight is an eight', () => {
    expect(V(alone(laid('barrel-noose', 'wraps-3').points))).toBe(UNKNOT);
    expect(V(alone(laid('figure-eight-follow-through', 'half-finished').points))).toBe(FIGURE_EIGHT);
  });
});

describe('loops, the eye pinned', () => {
  const part = (d: Diagram, k: number) => V(reduced(partOf(d, [k])));
  const of = (id: string, form = 'right') => {
    const { points, eye } = laid(id, form);
    return pinned(points, eye!);
  };

  test('on a bight both halves are the single knot, of one hand', () => {
    for (const [id, v] of [['overhand-on-bight', TREFOIL], ['figure-eight-on-bight', FIGURE_EIGHT], ['figure-nine-on-bight', FIVE_TWIST]] as const) {
      const d = of(id);
      expect(part(d, 0)).toBe(part(d, 1));
      expect([part(d, 0), V(mirrored(reduced(partOf(d, [0]))))]).toContain(v);
    }
  });

  test('the eight on a bight and the follow-through end in the same form', () => {
    expect(signature(invariantsOf(of('figure-eight-on-bight')))).toBe(signature(invariantsOf(of('figure-eight-follow-through'))));
    expect(gaussCodeOf(diagramOf(crossingsSeenFrom([{ points: laid('figure-eight-on-bight').points, closed: false }], FRONT), 1))).toEqual(
      gaussCodeOf(diagramOf(crossingsSeenFrom([{ points: laid('figure-eight-follow-through').points, closed: false }], FRONT), 1)),
    );
  });

  test('the nine on a bight, flat and wound: two derivations, one knot', () => {
    const wound = figureNineWound();
    expect(signature(invariantsOf(pinned(wound.points, wound.eyeNode!)))).toBe(signature(invariantsOf(of('figure-nine-on-bight'))));
    expect(signature(invariantsOf(of('figure-nine-on-bight')))).not.toBe(signature(invariantsOf(of('figure-eight-on-bight'))));
  });

  test('the noose: a plain half and one with its wraps turned round it, more with three', () => {
    const [two, three] = [of('barrel-noose'), of('barrel-noose', 'wraps-3')];
    expect([part(two, 0), part(three, 0)]).toEqual([UNKNOT, UNKNOT]);
    expect([part(two, 1), V(mirrored(reduced(partOf(two, [1]))))]).toContain(FIVE_TURNED);
    expect([part(three, 1), V(mirrored(reduced(partOf(three, [1]))))]).toContain('t^3 + t^5 - t^6 + t^7 - t^8 + t^9 - t^10');
  });

  test('the butterfly by the twist and wound on the hand: two derivations, one knot', () => {
    const [twist, hand] = [butterflyByTwist(1), butterflyByHand()];
    const [a, b] = [pinned(twist.points, twist.eyeNode!), pinned(hand.points, hand.eyeNode!)];
    expect(signature(invariantsOf(a))).toBe(signature(invariantsOf(b)));
    expect(signature(invariantsOf(a))).not.toBe(signature(invariantsOf(a), true));
    // two trefoils of opposite hand
    expect([part(a, 0), part(a, 1)].sort()).toEqual([V(mirrored(reduced(partOf(a, [0])))), part(a, 0)].sort());
    expect([part(a, 0), part(a, 1)]).toContain(TREFOIL);
  });

  test('the false butterfly: two trefoils of opposite hand too, but another link, equal to its own mirror image', () => {
    const [right, wrong] = [of('alpine-butterfly'), of('alpine-butterfly', 'false-butterfly')];
    expect([part(wrong, 0), part(wrong, 1)].sort()).toEqual([part(right, 0), part(right, 1)].sort());
    const i = invariantsOf(wrong);
    expect(signature(i)).not.toBe(signature(invariantsOf(right)));
    expect(V(wrong)).toBe(V(mirrored(wrong)));
  });

  test('the false butterfly is the twist with one sign changed: one crossing of the picture, and it is found', () => {
    const seen = (second: 1 | -1) => diagramOf(crossingsSeenFrom([{ points: butterflyByTwist(second).points, closed: false }], FRONT), 1);
    const [right, wrong] = [seen(1), seen(-1)];
    const flipped = right.signs.flatMap((s, k) => (s === wrong.signs[k] ? [] : [k]));
    expect(flipped).toHaveLength(1);
    // the rope alone is unknotted both ways: only the drawings differ, by that crossing
    expect(compareDiagrams(right, wrong)).toEqual({ relation: 'same-topology', by: 'invariants', crossings: flipped, mirrored: false });
  });

  test('rewoven it is the butterfly, and its ring is threaded', () => {
    const { points, eye, objects } = laid('butterfly-rewoven');
    expect(sameDiagram(pinned(points, eye!), of('alpine-butterfly')) || signature(invariantsOf(pinned(points, eye!))) === signature(invariantsOf(of('alpine-butterfly')))).toBe(true);
    const link = diagramOf(crossingsSeenFrom([closedAtInfinity(points), objects[0]!], [0.9, 0.2, 0.4]), 2);
    expect(Math.abs(invariantsOf(link).linking[0]!)).toBe(1);
  });

  test('the bowlines are four different knots', () => {
    const all = ['bowline', 'double-bowline', 'bowline-yosemite', 'bowline-locked'].map((id) => signature(invariantsOf(of(id))));
    expect(new Set(all).size).toBe(4);
  });
});

describe('pairs', () => {
  test.each([['overhand', OVERHAND, 1.35], ['eight', EIGHT, 1.4], ['nine', NINE, 1.45]] as const)('of the %s lie side by side without twist', (_name, path, scale) => {
    const [a, b] = lanes(flatDiagram(path, { scale, height: 0.68, plateau: 1.9 }), 2, 1.28);
    expect(twistOfPair(a!, b!, 1.6)).toBeLessThan(0.25);
    const gaps = a!.map((p) => Math.min(...b!.map((q) => distance(p, q)))).sort((x, y) => x - y);
    expect(gaps[gaps.length >> 1]).toBeLessThan(1.29);
  });
});

describe('views', () => {
  test('the author’s view stays where it can be read; a knot seen from its edge is turned until it can', () => {
    const { points } = laid('figure-eight-stopper');
    expect(readableView(points)).toMatchObject({ yaw_deg: 0, pitch_deg: 0 });
    const edge = turnedBy(points, { yaw_deg: 84, pitch_deg: 0 });
    const view = readableView(edge);
    expect(Math.abs(view.yaw_deg) + Math.abs(view.pitch_deg)).toBeGreaterThan(0);
    expect(crossingsApart(turnedBy(edge, view))).toBeGreaterThan(crossingsApart(edge));
  });
});

describe('turns about a host, ropes joined crosswise', () => {
  const post: Line3 = { closed: false, points: Array.from({ length: 81 }, (_, k): Point3 => [0, k / 4 - 10, 0]) };
  const helix = (turns: number, bent = 0): Point3[] => Array.from({ length: 400 }, (_, k): Point3 => {
    const a = (2 * Math.PI * turns * k) / 399;
    return [2 * Math.cos(a) + bent * ((k / 399) * 10 - 5) ** 2, (k / 399) * 10 - 5, -2 * Math.sin(a)];
  });

  test('counts whole and part turns with their hand', () => {
    expect(turnsAbout({ points: helix(3), closed: false }, post).net).toBeCloseTo(3, 6);
    expect(turnsAbout({ points: helix(-2.5), closed: false }, post).net).toBeCloseTo(-2.5, 6);
  });

  test('a prusik’s turns cancel in the sum; the runs tell', () => {
    const there = helix(2);
    const back = helix(-2).map((p): Point3 => [p[0] * 1.4, p[1], p[2] * 1.4]);
    const t = turnsAbout({ points: [...there, ...back], closed: false }, post);
    expect(t.net).toBeCloseTo(0, 1);
    expect(t.runs.map((r) => Math.round(r))).toEqual([2, -2]);
  });

  test('a bent host counts as a straight one', () => {
    const bent: Line3 = { closed: false, points: Array.from({ length: 161 }, (_, k): Point3 => [0.05 * (k / 8 - 10) ** 2, k / 8 - 10, 0]) };
    expect(turnsAbout({ points: helix(3, 0.05), closed: false }, bent).net).toBeCloseTo(3, 1);
  });

  test('a rope through the host’s middle is refused', () => {
    expect(() => turnsAbout({ points: [[-1, 0, 0], [0, 0, 0], [1, 0, 0]], closed: false }, post)).toThrow(expect.objectContaining({ code: 'strands-touch' }) as unknown as Error);
  });

  test('two strands wound n times round each other, joined crosswise, are one knot of their own', () => {
    const v = (turns: number) => V(simplestDiagram([crossJoined(post.points, helix(turns))]));
    expect(v(0)).toBe(UNKNOT);
    // n turns and the join make one twisted ribbon: the torus knot of 2n - 1 or 2n + 1 crossings
    expect([v(1), v(2), v(3)].map((x) => [UNKNOT, TREFOIL, FIVE_TURNED, 't^3 + t^5 - t^6 + t^7 - t^8 + t^9 - t^10'].indexOf(x))).toEqual([0, 1, 2]);
  });
});
