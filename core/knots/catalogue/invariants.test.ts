/** What must hold of every knot as laid, however it is turned, scaled, resampled or shaken. */
import { describe, expect, test } from '@jest/globals';
import { distance, lanes, twistOfPair, type Line3, type Point3 } from '../../curve';
import {
  closedAtInfinity,
  compareDiagrams,
  crossingsSeenFrom,
  crossJoined,
  diagramOf,
  FRONT,
  gaussCodeOf,
  invariantsOf,
  jones,
  laurentText,
  mirrored,
  partOf,
  pinnedEye,
  reduced,
  sameDiagram,
  signature,
  simplestDiagram,
  turnsAbout,
  type Diagram,
} from '../../topology';
import { butterflyByTwist } from '../shelf/alpine-butterfly/twist';
import { butterflyByHand } from '../shelf/alpine-butterfly/wound';
import { flatDiagram } from '../laying/authoring';
import { backedFlat } from '../shelf/tie-in-stopper/second-derivation';
import { bowlineOnBightTied } from '../shelf/bowline-on-bight/second-derivation';
import { forms as bowlineOnBightForms } from '../shelf/bowline-on-bight/shape';
import { butterflyBendByHand } from '../shelf/butterfly-bend/second-derivation';
import { forms as butterflyBendForms } from '../shelf/butterfly-bend/shape';
import { distelFollowed } from '../shelf/distel/second-derivation';
import { forms as distelForms } from '../shelf/distel/shape';
import { figuresOf, sameFigures, type Figured } from '../baking/figures';
import { flemishWound } from '../shelf/flemish-bend-with-bight/second-derivation';
import { forms as flemishForms } from '../shelf/flemish-bend-with-bight/shape';
import { inlineEightSlipped } from '../shelf/inline-eight/second-derivation';
import { forms as inlineEightForms } from '../shelf/inline-eight/shape';
import { klemheistFollowed } from '../shelf/klemheist/second-derivation';
import { forms as klemheistForms } from '../shelf/klemheist/shape';
import { offsetDoubleOverhandFlat } from '../shelf/offset-double-overhand/second-derivation';
import { forms as offsetDoubleForms } from '../shelf/offset-double-overhand/shape';
import { forms as schwabischForms } from '../shelf/schwabisch/shape';
import { forms as tieInStopperForms } from '../shelf/tie-in-stopper/shape';
import { forms as twoStrandForms } from '../shelf/two-strand-backup/shape';
import type { LaidKnot } from '../shape/laid';
import { storedForm } from './catalogue';
import { figureNineWound } from '../shelf/figure-nine-on-bight/second-derivation';
import { linesOf, pointsOf } from '../shape/stored';
import { EIGHT, NINE, OVERHAND } from '../laying/single-paths';
import { crossingsApart, readableView, turnedBy } from '../shape/laidView';

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

/** What tells a stored laid form as a knot. */
function figured(id: string, form: string, change: (points: readonly Point3[]) => Point3[] = (p) => [...p]): Figured {
  const { laid: shape, objects } = storedForm(id, form);
  const ropes = linesOf(shape).map((l) => ({ ...l, points: change(l.points) }));
  const far = [shape.marks.eye, shape.marks.second_eye].flatMap((e) =>
    e === undefined
      ? []
      : change([pointsOf(shape)[Math.max(0, e - 1)]!, pointsOf(shape)[e]!, pointsOf(shape)[e + 1]!]).slice(1, 2),
  );
  const eyes = far.map((q) =>
    ropes[0]!.points.reduce(
      (best, p, i) => (i > 0 && distance(p, q) < distance(ropes[0]!.points[best]!, q) ? i : best),
      1,
    ),
  );
  return { ropes, eyes, things: objects.map((o) => ({ points: change(o.points), closed: o.closed })) };
}

describe('second derivations by other motions', () => {
  const line = (points: readonly Point3[], closed = false): Line3 => ({ points, closed });
  const host: Line3 = line(Array.from({ length: 121 }, (_, k): Point3 => [0, (k - 60) / 2, 0]));
  const joint = (k: Pick<LaidKnot, 'points' | 'second'>): Figured => ({
    ropes: [line(k.points), line(k.second!.points)],
    eyes: [],
    things: [],
  });
  const loop = (k: Pick<LaidKnot, 'points' | 'eyeNode' | 'laidEyeNode'>): Figured => ({
    ropes: [line(k.points)],
    eyes: [(k.laidEyeNode ?? k.eyeNode)!],
    things: [],
  });
  const mirroredFigure = (f: Figured): Figured => ({
    ...f,
    ropes: f.ropes.map((r) => ({ ...r, points: r.points.map((p): Point3 => [-p[0], p[1], p[2]]) })),
  });

  test('butterfly bend: cut from the butterfly of the twist and from that wound on the hand', () => {
    expect(figuresOf(joint(butterflyBendForms.right()))).toEqual(figuresOf(joint(butterflyBendByHand())));
    expect(figuresOf(joint(butterflyBendForms.right()))).not.toEqual(
      figuresOf(joint(butterflyBendForms['false-butterfly']())),
    );
  });

  test('Flemish bend with a bight: three lanes in a page, three strands about a path in space', () => {
    const [a, b] = [flemishForms.right(), flemishWound()];
    expect(figuresOf(joint(a))).toEqual(figuresOf(joint(b)));
    for (const k of [a, b])
      expect(figuresOf(loop(k)).at(-1)).toBe(figuresOf(figured('figure-eight-on-bight', 'right')).at(-1));
  });

  test('bowline on the bight: the bowline doubled, and the bight passed over both eyes', () => {
    const [a, b] = [bowlineOnBightForms.right(), bowlineOnBightTied()];
    const at = (points: readonly Point3[], eye: number) => invariantsOf(simplestDiagram(pinnedEye(points, eye)));
    const shown = (i: ReturnType<typeof at>) =>
      JSON.stringify(i, (_k, v: unknown) => (typeof v === 'bigint' ? String(v) : v));
    const own = [a.eyeNode!, a.secondEyeNode!].map((e) => V(simplestDiagram(pinnedEye(a.points, e)))).sort();
    expect(b.eyes.map((e) => V(simplestDiagram(pinnedEye(b.points, e)))).sort()).toEqual(own);
    expect(shown(at(a.points, a.eyeNode!))).not.toBe(
      shown(invariantsOf(pinned(laid('bowline').points, laid('bowline').eye!))),
    );
  });

  test('inline eight: nearly the whole eight doubled, or a bight slipped through it', () => {
    const other = figuresOf(loop(inlineEightSlipped()));
    const own = loop(inlineEightForms.right());
    expect([figuresOf(own), figuresOf(mirroredFigure(own))]).toContainEqual(other);
  });

  test('offset double overhand: a barrel of two strands, or a flat one doubled; they differ by turns of the loose tails about each other', () => {
    const a = offsetDoubleForms.right();
    const [one, two] = offsetDoubleOverhandFlat();
    const wanted = figuresOf(joint(a));
    const found = [-3, -2, -1, 0, 1, 2, 3].filter((turns) =>
      sameFigures(
        wanted,
        figuresOf({ ropes: withTailsTurned(one, two, turns).map((p) => line(p)), eyes: [], things: [] }),
      ),
    );
    expect(found).toHaveLength(1);
  });

  test('distel: level turns with a bridge, or a helix followed from the other end', () => {
    const of = (points: readonly Point3[]) => figuresOf({ ropes: [line(points)], eyes: [], things: [host] });
    expect(of(distelForms.right().points)).toEqual(of(distelFollowed().slice().reverse()));
    expect(of(distelForms.right().points)).not.toEqual(of(schwabischForms.right().points));
  });

  test('klemheist: a pair wound by offset, or one strand followed all the way round', () => {
    const of = ({ points, eyeNode }: Pick<LaidKnot, 'points' | 'eyeNode'>) => {
      const cut = [...points.slice(eyeNode! + 2), ...points.slice(0, eyeNode! - 1)];
      return [cut, cut.slice().reverse()]
        .map((p) => figuresOf({ ropes: [line(p)], eyes: [], things: [host] })[1])
        .sort();
    };
    expect(of(klemheistForms.right())).toEqual(of(klemheistFollowed()));
  });

  test('backups behind a follow-through: a barrel, or passes laid flat', () => {
    for (const [forms, turns] of [
      [tieInStopperForms, 2],
      [twoStrandForms, 1],
    ] as const)
      expect(figuresOf(loop(forms.right()))).toEqual(figuresOf(loop(backedFlat(turns))));
  });
});

/** Two tails led on, turned about each other. */
function withTailsTurned(one: readonly Point3[], two: readonly Point3[], turns: number): [Point3[], Point3[]] {
  const [a, b] = [one.at(-1)!, two.at(-1)!];
  const middle: Point3 = [Math.max(a[0], b[0]) + 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];
  const from = Math.atan2(a[2] - middle[2], a[1] - middle[1]);
  const strand = (start: number) =>
    Array.from({ length: 60 * Math.max(1, Math.abs(turns)) }, (_, k, n = 60 * Math.max(1, Math.abs(turns))): Point3 => {
      const t = start + (2 * Math.PI * turns * k) / (n - 1);
      return [middle[0] + k * 0.3, middle[1] + 0.7 * Math.cos(t), middle[2] + 0.7 * Math.sin(t)];
    });
  const out = (points: readonly Point3[]): Point3[] => [
    ...points,
    [points.at(-1)![0] + 20, points.at(-1)![1], points.at(-1)![2]],
  ];
  return [out([...one, ...strand(from)]), out([...two, ...strand(from + Math.PI)])];
}

describe('ropes alone, their ends joined', () => {
  const known: [string, string][] = [
    ['overhand-stopper', TREFOIL],
    ['double-overhand-stopper', FIVE_TURNED],
    ['figure-eight-stopper', FIGURE_EIGHT],
    ['figure-nine-stopper', FIVE_TWIST],
    // tied in the bight, or a noose: nothing is left when the eye is let go
    ['overhand-on-bight', UNKNOT],
    ['figure-eight-on-bight', UNKNOT],
    ['figure-nine-on-bight', UNKNOT],
    ['alpine-butterfly', UNKNOT],
    ['barrel-noose', UNKNOT],
    ['butterfly-rewoven', UNKNOT],
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
    for (const [id, v] of [
      ['overhand-on-bight', TREFOIL],
      ['figure-eight-on-bight', FIGURE_EIGHT],
      ['figure-nine-on-bight', FIVE_TWIST],
    ] as const) {
      const d = of(id);
      expect(part(d, 0)).toBe(part(d, 1));
      expect([part(d, 0), V(mirrored(reduced(partOf(d, [0]))))]).toContain(v);
    }
  });

  test('the eight on a bight and the follow-through end in the same form', () => {
    expect(signature(invariantsOf(of('figure-eight-on-bight')))).toBe(
      signature(invariantsOf(of('figure-eight-follow-through'))),
    );
    expect(
      gaussCodeOf(
        diagramOf(crossingsSeenFrom([{ points: laid('figure-eight-on-bight').points, closed: false }], FRONT), 1),
      ),
    ).toEqual(
      gaussCodeOf(
        diagramOf(crossingsSeenFrom([{ points: laid('figure-eight-follow-through').points, closed: false }], FRONT), 1),
      ),
    );
  });

  test('the nine on a bight, flat and wound: two derivations, one knot', () => {
    const wound = figureNineWound();
    expect(signature(invariantsOf(pinned(wound.points, wound.eyeNode!)))).toBe(
      signature(invariantsOf(of('figure-nine-on-bight'))),
    );
    expect(signature(invariantsOf(of('figure-nine-on-bight')))).not.toBe(
      signature(invariantsOf(of('figure-eight-on-bight'))),
    );
  });

  test('the noose: a plain half and one with its wraps turned round it, more with three', () => {
    const [two, three] = [of('barrel-noose'), of('barrel-noose', 'wraps-3')];
    expect([part(two, 0), part(three, 0)]).toEqual([UNKNOT, UNKNOT]);
    expect([part(two, 1), V(mirrored(reduced(partOf(two, [1]))))]).toContain(FIVE_TURNED);
    expect([part(three, 1), V(mirrored(reduced(partOf(three, [1]))))]).toContain(
      't^3 + t^5 - t^6 + t^7 - t^8 + t^9 - t^10',
    );
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
    const seen = (second: 1 | -1) =>
      diagramOf(crossingsSeenFrom([{ points: butterflyByTwist(second).points, closed: false }], FRONT), 1);
    const [right, wrong] = [seen(1), seen(-1)];
    const flipped = right.signs.flatMap((s, k) => (s === wrong.signs[k] ? [] : [k]));
    expect(flipped).toHaveLength(1);
    // the rope alone is unknotted both ways: only the drawings differ, by that crossing
    expect(compareDiagrams(right, wrong)).toEqual({
      relation: 'same-topology',
      by: 'invariants',
      crossings: flipped,
      mirrored: false,
    });
  });

  test('rewoven it is the butterfly, and its ring is threaded', () => {
    const { points, eye, objects } = laid('butterfly-rewoven');
    expect(
      sameDiagram(pinned(points, eye!), of('alpine-butterfly')) ||
        signature(invariantsOf(pinned(points, eye!))) === signature(invariantsOf(of('alpine-butterfly'))),
    ).toBe(true);
    const link = diagramOf(crossingsSeenFrom([closedAtInfinity(points), objects[0]!], [0.9, 0.2, 0.4]), 2);
    expect(Math.abs(invariantsOf(link).linking[0]!)).toBe(1);
  });

  test('the bowlines are four different knots', () => {
    const all = ['bowline', 'double-bowline', 'bowline-yosemite', 'bowline-locked'].map((id) =>
      signature(invariantsOf(of(id))),
    );
    expect(new Set(all).size).toBe(4);
  });
});

describe('pairs', () => {
  test.each([
    ['overhand', OVERHAND, 1.35],
    ['eight', EIGHT, 1.4],
    ['nine', NINE, 1.45],
  ] as const)('of the %s lie side by side without twist', (_name, path, scale) => {
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
  const helix = (turns: number, bent = 0): Point3[] =>
    Array.from({ length: 400 }, (_, k): Point3 => {
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
    const bent: Line3 = {
      closed: false,
      points: Array.from({ length: 161 }, (_, k): Point3 => [0.05 * (k / 8 - 10) ** 2, k / 8 - 10, 0]),
    };
    expect(turnsAbout({ points: helix(3, 0.05), closed: false }, bent).net).toBeCloseTo(3, 1);
  });

  test('a rope through the host’s middle is refused', () => {
    expect(() =>
      turnsAbout(
        {
          points: [
            [-1, 0, 0],
            [0, 0, 0],
            [1, 0, 0],
          ],
          closed: false,
        },
        post,
      ),
    ).toThrow(expect.objectContaining({ code: 'strands-touch' }) as unknown as Error);
  });

  test('two strands wound n times round each other, joined crosswise, are one knot of their own', () => {
    const v = (turns: number) => V(simplestDiagram([crossJoined(post.points, helix(turns))]));
    expect(v(0)).toBe(UNKNOT);
    // n turns and the join make one twisted ribbon: the torus knot of 2n - 1 or 2n + 1 crossings
    expect(
      [v(1), v(2), v(3)].map((x) =>
        [UNKNOT, TREFOIL, FIVE_TURNED, 't^3 + t^5 - t^6 + t^7 - t^8 + t^9 - t^10'].indexOf(x),
      ),
    ).toEqual([0, 1, 2]);
  });
});
