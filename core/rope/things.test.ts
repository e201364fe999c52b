/** Ropes that lie on bars, hang in rings and grip another rope. */
import { describe, expect, test } from '@jest/globals';
import { arcLengths, distance, resample, smallestDistance, splineThrough, straight, type Point3 } from '../curve';
import { contactCentre, handsOn, NODE_SPACING, RopeSolver, SOLVER_SETTINGS, tighten, type Tightened } from './index';
import { drawnAtBothEnds, overhand } from '../knots/laying/testing/overhand';

describe('what ropes lie on and hang in', () => {
  const loop = (turns: number, radius: number): Point3[] =>
    Array.from({ length: Math.ceil((2 * Math.PI * turns * radius) / 0.4) }, (_, k) => {
      const a = (k * 0.4) / radius;
      return [radius * Math.sin(a), radius * Math.cos(a), (1.1 * a) / (2 * Math.PI)];
    });
  /** A rope laid round something by whole turns, its ends straight on. */
  function wrapped(turns: number, radius: number): Point3[] {
    const round = loop(turns, radius);
    const rise = 1.1 * turns;
    return resample(
      [
        ...straight([-16, radius, 0], [-0.4, radius, 0], 0.4),
        ...round,
        ...straight([0.4, radius, rise], [16, radius, rise], 0.4),
      ],
      0.42,
    );
  }

  test('a post holds back by friction what lies round it: more with more turns', () => {
    const ratio = (turns: number) => {
      const points = wrapped(turns, 2.5);
      const solver = new RopeSolver([{ points }], { ...SOLVER_SETTINGS, bendingStiffness: 0.003 });
      solver.addPost([0, 0, 0], [0, 0, 1], 2, 0.1);
      const back = solver.addPull(points.length - 1, [1, 0, 0], 0.2);
      back.force = 0.1;
      solver.addPull(0, [-1, 0, 0], 0.03).force = 100;
      let [near, far] = [0, 0];
      while (solver.time < 160) {
        solver.step();
        if (solver.time > 100) {
          near += solver.state.tension[6]!;
          far += solver.state.tension[points.length - 8]!;
        }
      }
      return Math.log(near / far);
    };
    const [one, two] = [ratio(1), ratio(2)];
    expect(one).toBeGreaterThan(0.3);
    expect(two - one).toBeGreaterThan(0.4 * 2 * Math.PI * 0.1);
  });

  test('a thick host under tension carries wraps that lie outside it, and stays nearly straight', () => {
    const host = straight([0, 0, -14], [0, 0, 16], 0.42);
    const points = wrapped(3, (1 + 1.7) / 2 + 0.05);
    const solver = new RopeSolver([{ points }, { points: host, diameter: 1.7, held: 'ends', pretension: 1 }]);
    // the wound form may overlap a little: a thin start grows to the full thickness
    const hands = handsOn(solver.state, [...points.keys()].slice(40, -40), [0, 0, 1], 0.12);
    solver.hands.push(hands);
    for (const [node, x] of [
      [0, -1],
      [points.length - 1, 1],
    ] as const)
      solver.addPull(node, [x, 0, 0], 0.1).force = 0.2;
    while (solver.time < 80) {
      solver.thickness = Math.min(1, 0.85 + solver.time / 200);
      solver.step();
    }
    expect(solver.guardViolations).toBe(0);
    const [cord, line] = [solver.points(0), solver.points(1)];
    expect(line[0]).toEqual(host[0]);
    expect(Math.max(...line.map((p) => Math.hypot(p[0], p[1])))).toBeLessThan(1);
    const gap = Math.min(...cord.slice(40, -40).map((p) => Math.min(...line.map((q) => distance(p, q)))));
    expect(gap).toBeGreaterThan(0.94 * ((1 + 1.7) / 2));
  });

  test('a rigid ring is hauled until the rope in it carries the load; it keeps its shape', () => {
    const ring = Array.from({ length: 36 }, (_, k): Point3 => [
      0,
      -8 + 2.6 * Math.cos((2 * Math.PI * k) / 36),
      2.6 * Math.sin((2 * Math.PI * k) / 36),
    ]);
    const bight = resample(
      splineThrough([
        [-1.4, 14, 0],
        [-1.4, 0, 0],
        [-1.4, -5.4, 0],
        [0, -6.9, 0],
        [1.4, -5.4, 0],
        [1.4, 0, 0],
        [1.4, 14, 0],
      ]),
      NODE_SPACING,
    );
    const t = tighten({
      ropes: [bight],
      things: [{ points: ring, closed: true, diameter: 0.9, held: 'whole' }],
      eyes: [],
      pulls: [
        { rope: 0, end: 'standing', direction: [0, 1, 0], share: 1, held: true },
        { rope: 0, end: 'tail', direction: [0, 1, 0], share: 1, held: true },
      ],
      rings: [{ thing: 0, direction: [0, -1, 0], share: 1 }],
      stages: [{ duration: 120, force: [0.3, 0.3], friction: 0.1 }],
    })!;
    const hauled = t.tight.things[0]!;
    expect(hauled[0]![1]).toBeLessThan(ring[0]![1]);
    expect(distance(hauled[0]!, hauled[18]!)).toBeCloseTo(5.2, 6);
    // the bight hangs under the ring's upper bar
    expect(Math.min(...t.tight.ropes[0]!.map((p) => p[1]))).toBeLessThan(Math.max(...hauled.map((p) => p[1])));
    expect(Math.min(...t.tight.ropes[0]!.map((p) => Math.min(...hauled.map((q) => distance(p, q)))))).toBeGreaterThan(
      0.9,
    );
  });

  test('fingers push turns together; a wall holds a knot back', () => {
    const turns = Array.from({ length: 120 }, (_, k): Point3 => [
      2 * Math.sin(k / 4.4),
      (k - 60) * 0.07,
      2 * Math.cos(k / 4.4),
    ]);
    const solver = new RopeSolver([{ points: resample(turns, 0.42) }]);
    const count = solver.state.nodeCount;
    const tall = () => solver.point(count - 10)[1] - solver.point(10)[1];
    const before = tall();
    solver.squeezes.push({ from: 5, to: count - 6, axis: [0, 1, 0], force: 0.05, along: 0 });
    while (solver.time < 30) solver.step();
    expect(tall()).toBeLessThan(before - 0.5);

    const drawn = (wall: boolean) =>
      tighten({
        ...drawnAtBothEnds(overhand()),
        stages: [
          { duration: 150, force: [0.2, 0.6], friction: 0.1 },
          { duration: 80, force: [0.4, 0.5], friction: 0.1, shares: { tail: 0.1 }, wall },
        ],
      })!;
    const left = (t: Tightened) => contactCentre(t.tight.ropes[0]!, t.tight.load)[0];
    expect(left(drawn(true))).toBeGreaterThan(left(drawn(false)) + 1);
  });

  test('a closed trefoil cannot be made shorter than its ropelength', () => {
    const dense = Array.from({ length: 801 }, (_, k): Point3 => {
      const t = (2 * Math.PI * k) / 800;
      return [
        1.6 * (Math.sin(t) + 2 * Math.sin(2 * t)),
        1.6 * (Math.cos(t) - 2 * Math.cos(2 * t)),
        -1.9 * Math.sin(3 * t),
      ];
    });
    const points = resample(dense, arcLengths(dense).at(-1)! / 66).slice(0, 66);
    const solver = new RopeSolver([{ points, closed: true }], {
      ...SOLVER_SETTINGS,
      stretchStiffness: 20,
      bendingStiffness: 0.002,
      contactStiffness: 60,
      timeStep: 0.03,
    });
    solver.friction = 0;
    const { rest } = solver.state;
    const [from, to] = [rest[0]!, (16.37 * 0.965) / 66];
    while (solver.time < 400) {
      rest.fill(from * (to / from) ** (Math.min(1, solver.time / 280) ** 0.7));
      solver.step();
    }
    const tight = solver.points(0);
    const ratio = arcLengths([...tight, tight[0]!]).at(-1)! / smallestDistance([{ points: tight, closed: true }], 1.45);
    expect(ratio).toBeGreaterThan(16.37);
    expect(ratio).toBeLessThan(16.37 * 1.015);
  });

  test('what cannot be simulated is refused by name', () => {
    expect(
      () =>
        new RopeSolver([
          {
            points: [
              [0, 0, 0],
              [1, 0, 0],
            ],
          },
        ]),
    ).toThrow(expect.objectContaining({ code: 'too-few-points' }) as unknown as Error);
    expect(
      () =>
        new RopeSolver([
          {
            points: [
              [0, 0, 0],
              [1, 0, 0],
              [NaN, 0, 0],
            ],
          },
        ]),
    ).toThrow(expect.objectContaining({ code: 'shape-not-finite' }) as unknown as Error);
  });

  test('a plan may begin thin, lay hands on, hold a post, close a sling and pull each rope its own way', () => {
    const begun: number[] = [];
    const round = resample([...loop(1.5, 2.62)], 0.42);
    const t = tighten(
      {
        ropes: [round],
        posts: [{ point: [0, 0, 0], axis: [0, 0, 1], radius: 2 }],
        hands: { nodes: [10, 11, 12], along: null },
        pulls: [
          { rope: 0, end: 'standing', direction: [-1, 0, 0], share: 1 },
          { rope: 0, end: 'tail', direction: [1, 0, 0], share: 1 },
        ],
        eyes: [],
        stages: [
          { duration: 10, force: [0.05, 0.1], friction: 0.1, thickness: [0.8, 1], hands: [0.2, 0.2] },
          { duration: 20, force: [0.1, 0.2], friction: 0.1, hands: [0.2, 0] },
        ],
      },
      undefined,
      (_share, solver) => {
        begun.push(solver.thickness, solver.hands[0]!.stiffness, solver.posts[0]!.friction);
        return true;
      },
    )!;
    expect(begun[0]).toBeCloseTo(0.8, 1);
    expect(begun.filter((_, k) => k % 3 === 0).at(-1)).toBe(1);
    expect([begun[1], begun.at(-2)! < 0.05, begun.at(-1)]).toEqual([0.2, true, 0.1]);
    // it lies on the post, not in it
    for (const p of t.tight.ropes[0]!.slice(8, -8)) expect(Math.hypot(p[0], p[1])).toBeGreaterThan(2.3);

    const ring = Array.from({ length: 40 }, (_, k): Point3 => [
      4 * Math.cos((2 * Math.PI * k) / 40),
      4 * Math.sin((2 * Math.PI * k) / 40),
      0,
    ]);
    const two = [straight([-4, 0, 9], [4, 0, 9], 0.45), straight([-4, 3, 9], [4, 3, 9], 0.45)];
    const swung = tighten({
      ropes: [ring, ...two],
      closed: [true, false, false],
      pulls: [1, 2].map((rope) => ({ rope, end: 'tail' as const, direction: [1, 0, 0] as const, share: 1 })),
      eyes: [],
      stages: [
        {
          duration: 60,
          force: [0.2, 0.2],
          friction: 0.1,
          directions: {
            tail: [
              [1, 0, 0],
              [0, 1, 0],
              [0, -1, 0],
            ],
          },
        },
      ],
    })!.tight;
    expect(distance(swung.ropes[0]![0]!, swung.ropes[0]!.at(-1)!)).toBeLessThan(1);
    expect([swung.ropes[1]!.at(-1)![1] > 1, swung.ropes[2]!.at(-1)![1] < 2]).toEqual([true, true]);
  });

  test('fingers may push all of a stretch along, not only together', () => {
    const line = straight([0, 0, 0], [12, 0, 0], 0.42);
    const pushed = (along: number) => {
      const solver = new RopeSolver([{ points: line }]);
      solver.squeezes.push({ from: 4, to: 20, axis: [0, 1, 0], force: 0.01, along });
      while (solver.time < 20) solver.step();
      return solver.point(12)[1];
    };
    expect(Math.abs(pushed(0))).toBeLessThan(1e-6);
    expect(pushed(2)).toBeGreaterThan(0.1);
    expect(pushed(-2)).toBeLessThan(-0.1);
  });
});
