import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { namesOf as named } from '../../inspect/naming/namesOf';
import { distance, lengthOf, segmentDistance, smallestDistance, subtract, unit, type Point3 } from '../../curve';
import { crossingsSeenFrom } from '../../topology';
import { between, eased, laidAlong, through } from '../moving/leading';
import { framesOf, motionOf } from './motions';
import { BETWEEN } from './motion';
import { boxOf, cameraAt } from './looking';
import { proveFrames } from './proving';
import { wayFaults } from './wayLimits';
import { legTurned, type TurnedPlace } from '../moving/turning';
import type { ShapeComponent } from '../shape/stored';
import { CATALOGUE } from '../catalogue/shelved';

const place = fc.tuple(fc.double({ min: -9, max: 9, noNaN: true }), fc.double({ min: -9, max: 9, noNaN: true }));

describe('a rope laid along a line', () => {
  test('has its length whatever the line, and the held place where it is held', () => {
    fc.assert(
      fc.property(
        fc.array(place, { minLength: 4, maxLength: 7 }),
        fc.double({ min: 0.3, max: 0.7, noNaN: true }),
        (turns, share) => {
          // prettier-ignore
          const control = [[-40, 0, 0] as Point3, ...turns.map(([x, y], k): Point3 => [x + 6 * k, y, 0]), [80, 0, 0] as Point3];
          fc.pre(control.every((p, k) => k === 0 || distance(p, control[k - 1]!) > 1.5));
          const line = through(control, 2);
          const rope = laidAlong(line, 200, share, 401);
          // corners that are cut off between two points
          expect(Math.abs(lengthOf(rope) / 200 - 1)).toBeLessThan(0.03);
          expect(distance(rope[Math.round(400 * share)]!, line.points[line.hold]!)).toBeLessThan(1.2);
        },
      ),
      { numRuns: 40 },
    );
  });

  test('goes straight on where the line is too short, and is cut where it is too long', () => {
    const line = through(
      [
        [-5, 0, 0],
        [0, 0, 0],
        [5, 0, 0],
      ],
      1,
    );
    const long = laidAlong(line, 40, 0.5, 81);
    expect([long[0], long[80]].map((p) => p!.map((v) => Math.round(v)))).toEqual([
      [-20, 0, 0],
      [20, 0, 0],
    ]);
    const short = laidAlong(line, 4, 0.25, 9);
    expect([short[0]![0], short[8]![0]].map((v) => Math.round(v))).toEqual([-1, 3]);
  });

  test('shapes lead into one another: at the beginning the one, at the end the other, through all between', () => {
    const [a, b, c] = [0, 1, 5].map((x): Point3[] => [
      [x, 0, 0],
      [x, 1, 0],
    ]) as [Point3[], Point3[], Point3[]];
    const led = between([a, b, c]);
    expect([led(0), led(0.5), led(1)]).toEqual([a, b, c]);
    expect(led(0.75)[0]![0]).toBeCloseTo(3);
    expect(eased([a], [c])(0.5)[0]![1]).toEqual([2.5, 1, 0]);
  });
});

test('a bight that is turned: its legs stay apart all the while, half a turn exchanges them', () => {
  const places: TurnedPlace[] = [1, 3, 5].map((at) => ({
    wide: 2,
    open: 2,
    at,
    deep: 1,
    shares: [at === 3 ? 0.5 : at > 3 ? 1 : 0],
  }));
  for (const made of [0, 0.25, 0.5, 0.75, 1]) {
    const [left, right] = [legTurned(places, [made], -1), legTurned(places, [made], 1)];
    left.forEach((p, k) => expect(distance(p, right[k]!)).toBeGreaterThan(1.9));
  }
  const turned = legTurned(places, [1], 1);
  expect([turned[0]![0], turned[2]![0]].map((v) => Math.round(v))).toEqual([2, -2]);
  // at the crossing one lies before the other
  expect(Math.abs(turned[1]![0])).toBeLessThan(1e-9);
  expect(turned[1]![2]).toBe(-legTurned(places, [1], -1)[1]![2]);
});

const LED = CATALOGUE.flatMap(({ entry, ways }) =>
  Object.entries(ways).flatMap(([way, w]) => (w.hands ? [[entry.id, way] as const] : [])),
);

describe('ways led by hands', () => {
  test.each(LED)('%s, %s: no leap where one stage follows another, and the rope keeps its points', (knot, way) => {
    const { stages } = CATALOGUE.find((k) => k.entry.id === knot)!.ways[way]!.hands!();
    stages.slice(1).forEach((stage, k) => {
      const [before, after] = [stages[k]!(1), stage(0)];
      const leap = before.map((rope, r) => Math.max(...rope.map((p, i) => distance(p, after[r]![i]!))));
      expect(Math.max(...leap)).toBeLessThan(0.05);
    });
    const steps = CATALOGUE.find((k) => k.entry.id === knot)!.ways[way]!.steps.flatMap((s) =>
      typeof s.upTo === 'number' ? [s.upTo] : [],
    );
    expect(steps.at(-1)).toBe(stages.length);
    expect([...steps].sort((a, b) => a - b)).toEqual(steps);
  });

  test('one is named by its last shape; a wrong one is not taken for the right one', () => {
    const ends = (way: string) => framesOf('alpine-butterfly', way, BETWEEN).slice(-3);
    const asked = (way: string) => wayFaults(proveFrames('alpine-butterfly', 'twist', ends(way), named)).join();
    expect(asked('twist')).not.toMatch(/ends in|nothing known/);
    const wrong = ends('twist-back');
    expect(asked('twist-back')).toMatch(/ends in .*false-butterfly/);
    // what nobody knows is no knot
    expect(wayFaults(proveFrames('alpine-butterfly', 'twist', wrong, () => [])).join()).toMatch(/nothing known/);
  });

  test('the gate opens inward, lets the loops by, and is shut at the end; what it is tied to is never passed through', () => {
    const frames = framesOf('clove-hitch', 'two-loops');
    const ring = (k: number) => frames[k]!.components.find((c) => c.role === 'ring')!;
    expect([ring(0).closed, ring(frames.length - 1).closed]).toEqual([true, true]);
    expect(frames.some((_, k) => !ring(k).closed)).toBe(true);
    expect(new Set(frames.map((_, k) => ring(k).points.length)).size).toBe(1);
    for (const f of frames) {
      const [rope, bar] = f.components;
      expect(
        smallestDistance(
          [
            { points: rope!.points, closed: false },
            { points: bar!.points, closed: bar!.closed },
          ],
          Infinity,
        ),
      ).toBeGreaterThan(0.8);
    }
  });

  test('what is looked at holds the finished knot', () => {
    for (const [knot, way] of [
      ['alpine-butterfly', 'two-wrap'],
      ['figure-eight-stopper', 'by-the-bight'],
      ['bowline', 'loop'],
    ] as const) {
      const motion = motionOf(knot, way);
      const [left, bottom, width, height] = boxOf(motion);
      const { points, marks } = motion.componentsAt(motion.keys.at(-1)!.come)[0]!;
      const eye = marks?.eye === undefined ? [] : [points[marks.eye]!];
      for (const [x, y] of eye)
        expect([x > left, x < left + width, y > bottom, y < bottom + height]).toEqual([true, true, true, true]);
      expect(Math.min(width, height)).toBeGreaterThan(8);
    }
  });

  test.each(LED)(
    '%s, %s: begins with no crossing, and its last shape is named as what it shall be',
    (knot, way) => {
      const motion = motionOf(knot, way);
      const told = CATALOGUE.find((k) => k.entry.id === knot)!;
      const ropes = (come: readonly number[]) =>
        motion
          .componentsAt(come)
          .filter((c) => c.role === 'rope')
          .map((c) => ({ points: c.points, closed: false }));
      expect(crossingsSeenFrom(ropes(motion.keys[0]!.come), [0, 0, 1]).count).toBe(0);
      const names = named(motion.componentsAt(motion.keys.at(-1)!.come));
      const fault = told.entry.ways.find((w) => w.id === way)!.ends_in?.fault ?? null;
      expect([
        names.some((n) => n.knot === knot && n.fault === fault && n.relation === 'same'),
        fault === null || !names.some((n) => n.knot === knot && n.fault === null),
      ]).toEqual([true, true]);
    },
    120_000,
  );

  test('a knot with two eyes has both marked, each at the far point of its own', () => {
    for (const [knot, way] of [
      ['bowline-on-bight', 'bight-opened'],
      ['double-figure-eight-loop', 'doubled-part'],
    ] as const) {
      const motion = motionOf(knot, way);
      const { points, marks } = motion.componentsAt(motion.keys.at(-1)!.come)[0]!;
      const lowest = Math.min(...points.map((p) => p[1]));
      const [one, other] = [marks!.eye!, marks!.second_eye!];
      expect(one).toBeLessThan(other);
      for (const k of [one, other]) expect(points[k]![1]).toBeLessThan(lowest + 16);
      // between the two the rope comes back into the knot
      expect(Math.max(...points.slice(one, other).map((p) => p[1]))).toBeGreaterThan(lowest + 16);
    }
  });

  test('a thing that is passed through is found, whatever moves, and so is a gate that leaps', () => {
    // while it is put over the gate
    const frames = framesOf('clove-hitch', 'two-loops', BETWEEN).slice(-160);
    const faults = (changed: typeof frames) =>
      wayFaults(proveFrames('clove-hitch', 'two-loops', changed, named)).join('; ');
    expect(faults(frames)).not.toMatch(/come as near|of its bound/);
    const shifted = frames.map((f) => ({
      ...f,
      components: f.components.map((c) =>
        c.role === 'ring' ? { ...c, points: c.points.map((p): Point3 => [p[0], p[1] + 1.6, p[2]]) } : c,
      ),
    }));
    expect(faults(shifted)).toMatch(/come as near/);
    const leaps = frames.map((f, k) => ({
      ...f,
      components: f.components.map((c) =>
        c.role === 'ring' && k % 2 === 0 ? { ...c, points: c.points.map((p): Point3 => [p[0] + 30, p[1], p[2]]) } : c,
      ),
    }));
    expect(faults(leaps)).toMatch(/of its bound/);
  });

  test('while turns are laid on the hand and the eye is drawn out, neither end comes among them', () => {
    const [two, three] = [motionOf('alpine-butterfly', 'two-wrap'), motionOf('alpine-butterfly', 'three-wrap')];
    for (const m of [two, three]) {
      // the ends are far away all the while, on opposite sides of what is tied
      const [left, bottom, width, height] = boxOf(m);
      for (const { come } of m.keys.filter((_, k) => k % 12 === 0)) {
        const { points } = m.componentsAt(come)[0]!;
        const inside = [points[0]!, points.at(-1)!].filter(
          ([x, y]) =>
            x > left + width * 0.25 &&
            x < left + width * 0.75 &&
            y > bottom + height * 0.35 &&
            y < bottom + height * 0.75,
        );
        expect(inside).toEqual([]);
      }
    }
  });
});

describe('how it is looked at, and the hand in it', () => {
  const ALL = CATALOGUE.flatMap(({ entry, ways }) => Object.keys(ways).map((way) => [entry.id, way] as const));
  const ropesOf = (components: readonly ShapeComponent[]) =>
    components.filter((c) => c.role === 'rope' || c.role === 'second-rope');

  test.each(ALL)('%s, %s: the view never leaps, and what is tied stays in sight', (knot, way) => {
    const motion = motionOf(knot, way);
    const views = motion.keys.flatMap((_, k) =>
      k === 0 ? [cameraAt(motion, 0)] : [0.5, 1].map((toward) => cameraAt(motion, k, toward)),
    );
    views.slice(1).forEach((v, k) => {
      expect([
        Math.abs(v.yaw_deg - views[k]!.yaw_deg) < 20,
        Math.abs(v.pitch_deg - views[k]!.pitch_deg) < 20,
        Math.abs(Math.log(v.height_ropeDiameters / views[k]!.height_ropeDiameters)) < 0.5,
      ]).toEqual([true, true, true]);
    });
    // at the end of the making all its crossings are seen
    const {
      width_ropeDiameters: wide,
      height_ropeDiameters: high,
      right_ropeDiameters: right,
      up_ropeDiameters: up,
    } = views.at(-1)!;
    const [left, bottom, width, height] = boxOf(motion);
    const ropes = ropesOf(motion.componentsAt(motion.keys.at(-1)!.come));
    const side = Math.max(wide, high);
    for (const q of crossingsSeenFrom(
      ropes.map(({ points, closed }) => ({ points, closed })),
      [0, 0, 1],
    ).passes) {
      const [x, y] = ropes[q.line]!.points[Math.round(q.at)]!;
      expect([
        Math.abs(x - left - width / 2 - right) < side / 2,
        Math.abs(y - bottom - height / 2 - up) < side / 2,
      ]).toEqual([true, true]);
    }
  });

  test('a step that is seen near shows less round the knot than the step before, and is there by its end', () => {
    const motion = motionOf('bowline', 'loop');
    const ends = motion.steps.map((_, step) =>
      cameraAt(
        motion,
        motion.keys.findLastIndex((k) => k.step === step),
      ),
    );
    const [, , width, height] = boxOf(motion);
    expect(ends[0]).toEqual({
      yaw_deg: 0,
      pitch_deg: 0,
      right_ropeDiameters: 0,
      up_ropeDiameters: 0,
      width_ropeDiameters: width,
      height_ropeDiameters: height,
    });
    expect(ends[1]!.height_ropeDiameters).toBeLessThan(Math.max(width, height) / 1.3);
    expect(ends[3]).toEqual(ends[1]);
    // the knot is above its eye
    expect(ends[1]!.up_ropeDiameters).toBeGreaterThan(1);
    // frames tell the same
    const frames = framesOf('bowline', 'loop', 2);
    expect(frames.filter((f) => f.key).map((f) => f.camera)).toEqual(motion.keys.map((_, k) => cameraAt(motion, k)));
    expect(frames.find((f) => !f.key)!.palm).toBeNull();
  });

  test.each(LED.filter(([, way]) => ['two-wrap', 'three-wrap', 'lay'].includes(way)))(
    '%s, %s: rope lies round the hand or on it, never in it; at last it is out',
    (knot, way) => {
      const frames = framesOf(knot, way);
      expect([frames[0]!.palm !== null, frames.at(-1)!.palm]).toEqual([true, null]);
      for (const { palm, components } of frames) {
        if (!palm) continue;
        const [wrist, tips] = [palm.wrist, palm.fingertips];
        const nearest = Math.min(...components[0]!.points.map((p) => segmentDistance(wrist, tips, p, p)));
        expect(nearest).toBeGreaterThan(palm.width_ropeDiameters / 2 + 0.45);
      }
      // it goes out by its wrist
      const shown = frames.flatMap((f) => (f.palm ? [f.palm] : []));
      const inIt = unit(subtract(shown[0]!.fingertips, shown[0]!.wrist));
      const outBy = subtract(shown.at(-1)!.fingertips, shown[0]!.fingertips);
      expect(outBy[0] * inIt[0] + outBy[1] * inIt[1] + outBy[2] * inIt[2]).toBeLessThan(0);
    },
  );

  test('the prusik is tied in a closed loop: its ends stay within their joint until they lie side by side as legs', () => {
    const frames = framesOf('prusik', 'through-the-loop');
    const apart = frames.map((f) => distance(f.components[0]!.points[0]!, f.components[0]!.points.at(-1)!));
    frames.forEach((f, k) => expect(f.joint !== null).toBe(apart[k]! <= 2.6));
    for (const f of frames.filter((g) => g.step < 3)) {
      const { points } = f.components[0]!;
      expect([f.joint![1], f.joint![2]]).toEqual([points[0], points.at(-1)]);
    }
    expect(frames.at(-1)!.step).toBe(3);
    // every time it comes round it passes in under the loop: its joint is nearer to the rope that is gripped than the loop is
    for (const step of [0, 1, 2]) {
      const { points } = frames.filter((f) => f.step === step).at(-1)!.components[0]!;
      const out = (p: Point3) => Math.hypot(p[0], p[2]);
      expect(out(points[0]!)).toBeLessThan(3);
      expect(Math.max(...points.map(out))).toBeGreaterThan(6);
    }
    expect(framesOf('bowline', 'loop')[0]!.joint).toBeNull();
  });

  test('the butterfly laid on the palm is the one that is wound on the hand', () => {
    const [laid, wound] = (['lay', 'three-wrap'] as const).map((way) =>
      named(framesOf('alpine-butterfly', way).at(-1)!.components)
        .map((n) => `${n.knot} ${String(n.fault)} ${n.relation}`)
        .sort(),
    );
    expect(laid).toEqual(wound);
    expect(laid).toContain('alpine-butterfly null same');
  });
});
