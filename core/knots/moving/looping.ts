/**
 * Two loops made in the hand and clipped, as a motion: two equal loops in the rope, one slid over the other (clove) or folded upon it (Munter), put on a
 * karabiner over its open gate, down to its bow. Each loop is a bight turned half over. The two loops are the two turns of the wound form, drawn apart; so what is
 * clipped is that form. Rope coordinates: x along the line, y along the loops' common axis, z to the front; unit: rope diameters.
 */
import { add, distance, lerp, scale, smoothstep, splineThrough, subtract, unit, type Point3 } from '../../curve';
import { eased, laidAlong, settled } from './leading';
import { BAR_RADIUS, bentIntoRing, comingIn, hitchKarabiner } from '../laying/on-bar';
import { pointsOf, type BakedForm, type ShapeComponent } from '../shape/stored';
import type { LedByHands, Stage } from './way';
import { oneSense } from '../laying/wraps';

const COUNT = 210;
/** the radius of what a loop in the hand would lie snug on */
const LOOSE = 1.37;
const SNUG_BY = LOOSE - BAR_RADIUS;
/** how much wider than snug the turns lie along their axis */
const SPREAD = 1.4;
const APART = 5.4;
/** where a loop crosses itself, from its middle */
const NECK: readonly [number, number] = [1.3, 1.9];
const BEND_RADIUS = 4.2;

interface Node {
  readonly p: Point3;
  /** how far round it is wound, degrees; the second loop begins at 360 */
  readonly t: number;
}
/** The wound form's nodes with the angle at which each stands. */
function wound(): Node[] {
  const points = oneSense(1, 1, LOOSE, [comingIn(-1, 0.55, LOOSE, 13), comingIn(1, -0.55, LOOSE, 13)], 38).map(
    ([x, y, z]): Point3 => [x, y * SPREAD, z],
  );
  let t = (Math.atan2(points[0]![0], points[0]![2]) * 180) / Math.PI;
  return points.map((p): Node => {
    const now = (Math.atan2(p[0], p[2]) * 180) / Math.PI;
    t += ((((now - t + 180) % 360) + 360) % 360) - 180;
    return { p, t };
  });
}
/** The node midway between the two loops. */
const betweenLoops = (nodes: readonly Node[]): number =>
  nodes.reduce((best, n, i) => (Math.abs(n.t - 360) < Math.abs(nodes[best]!.t - 360) ? i : best), 0);
/** Between given places straight, before and after them as at the first and the last. */
const graph = (places: readonly (readonly [number, number])[], x: number): number => {
  const k = places.findIndex((q) => q[0] > x);
  if (k < 0) return places.at(-1)![1];
  if (k === 0) return places[0]![1];
  const [a, b] = [places[k - 1]!, places[k]!];
  return a[1] + ((b[1] - a[1]) * (x - a[0])) / (b[0] - a[0]);
};
/** 0 on the side of the first loop, 1 on that of the second */
const ofSecond = (t: number) =>
  smoothstep(
    graph(
      [
        [335, 0],
        [385, 1],
      ],
      t,
    ),
  );
/** share of a loop's half turn that a place makes */
const inFirst = (t: number) =>
  graph(
    [
      [-70, 0],
      [-46, 0.5],
      [-18, 0.5],
      [20, 1],
      [270, 1],
      [308, 0.5],
      [336, 0.5],
      [352, 0],
    ],
    t,
  );
const inSecond = (t: number) =>
  graph(
    [
      [368, 0],
      [384, 0.5],
      [412, 0.5],
      [450, 1],
      [700, 1],
      [738, 0.5],
      [766, 0.5],
      [790, 0],
    ],
    t,
  );

/** How the loops lie in the hand. */
interface Lie {
  /** 0 straight, 1 two bights wide open, 2 two bights */
  readonly bights: number;
  /** of each loop: 0 a bight, 1 turned over */
  readonly turned: readonly [number, number];
  /** 1 side by side, 0 the one on the other */
  readonly apart: number;
  /** of the second upon the first, 0 to 1 */
  readonly folded: number;
  /** the first loop lies as it shall: only the second is straight yet, or a bight; it is folded to the gate's side of the first */
  readonly onlySecond?: boolean;
}
/** nodes of a strand that is straight yet lie so far apart */
const STRETCHED = 0.42;
const FOLD_HEIGHT = 1.5;

/** A place turned about the line from a loop's neck through its middle. @param side -1 the first loop, 1 the second */
function aboutNeck([x, y, z]: Point3, side: 1 | -1, height: number, middle: number, angle: number): Point3 {
  const length = Math.hypot(...NECK);
  const a = [(-side * NECK[0]) / length, -NECK[1] / length] as const;
  const [nx, nz] = [middle + side * NECK[0], NECK[1]];
  const [dx, dz] = [x - nx, z - nz];
  const [along, across] = [dx * a[0] + dz * a[1], dx * a[1] - dz * a[0]];
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const [b, h] = [across * c + (y - height) * s, -across * s + (y - height) * c];
  return [nx + along * a[0] + b * a[1], height + h, nz + along * a[1] - b * a[0]];
}

function lying(nodes: readonly Node[], { bights, turned, apart, folded, onlySecond = false }: Lie): Point3[] {
  const spread = APART * apart;
  const height = 1.08 * SPREAD;
  const half = (nodes.length - 1) / 2;
  return nodes.map(({ p, t }, k): Point3 => {
    const second = ofSecond(t);
    const shift = spread * (2 * second - 1);
    let q: Point3 = [p[0] + shift, p[1], p[2]];
    if (turned[0] < 1) q = aboutNeck(q, -1, height, -spread, -Math.PI * inFirst(t) * (1 - turned[0]));
    if (turned[1] < 1) q = aboutNeck(q, 1, -height, spread, -Math.PI * inSecond(t) * (1 - turned[1]));
    if (bights < 2 && onlySecond) {
      const run = (k - half) * STRETCHED;
      const x = bights <= 1 ? run : run + (q[0] - run) * (bights - 1);
      const z = NECK[1] + (q[2] - NECK[1]) * Math.min(1, bights);
      q = [
        q[0] + (x - q[0]) * second,
        q[1] + (-1.08 * SPREAD - q[1]) * second * (1 - Math.min(1, bights)),
        q[2] + (z - q[2]) * second,
      ];
    } else if (bights < 2) {
      const open = ((k - half) / half) * 21;
      const x = bights <= 1 ? open : open + (q[0] - open) * (bights - 1);
      const depth = Math.min(1, bights);
      q = [x, q[1] * depth, NECK[1] + (q[2] - NECK[1]) * depth];
    }
    if (folded > 0) {
      const [angle, fold] = onlySecond
        ? [Math.PI * folded * second, -FOLD_HEIGHT]
        : [-Math.PI * folded * second, FOLD_HEIGHT];
      const [c, s] = [Math.cos(angle), Math.sin(angle)];
      const h = q[1] - fold;
      q = [q[0] * c + h * s, fold - q[0] * s + h * c, q[2]];
    }
    return q;
  });
}

/** Where the hand holds the loops: turned about the line (0 faces the viewer, 1 upright), then along the bar's bow (90 at the nose, 0 at its middle). */
interface Held {
  readonly upright: number;
  readonly at: Point3;
  readonly along_deg: number;
}
/** Rope coordinates on the page. */
function placed(points: readonly Point3[], { upright, at, along_deg }: Held): Point3[] {
  const lift = (Math.PI / 2) * upright;
  const round = ((along_deg - 90) * Math.PI) / 180;
  const [cl, sl, cr, sr] = [Math.cos(lift), Math.sin(lift), Math.cos(round), Math.sin(round)];
  return points.map(([x, y, z]): Point3 => {
    // loops face the viewer, hanging down; then turned about the line until their axis stands upright, top down
    const [X, Y, Z] = [-x, z * cl - y * sl, z * sl + y * cl];
    return [at[0] + X * cr - Y * sr, at[1] + X * sr + Y * cr, at[2] + Z];
  });
}
const onBow = (along_deg: number): Point3 => {
  const a = (along_deg * Math.PI) / 180;
  return [BEND_RADIUS * Math.sin(a), BEND_RADIUS - BEND_RADIUS * Math.cos(a), 0];
};

const HINGE_HEIGHT = 10.2;
const NOSE_HEIGHT = 4.3;
const OPENS_rad = 1.3;
/** The karabiner with its gate so far open, inward; its line begins at the nose and ends with the gate. */
function karabinerOpen(open: number): ShapeComponent {
  const whole = hitchKarabiner();
  const n = whole.points.length;
  const isGate = (p: Point3) => p[0] > 0 && p[1] > NOSE_HEIGHT && p[1] < HINGE_HEIGHT;
  // its points run with the right side upward: from the nose down, round and up to the hinge is the other way
  const gate = whole.points.flatMap((p, i) => (isGate(p) ? [i] : []));
  const up = whole.points[gate[1]!]![1] > whole.points[gate[0]!]![1];
  const first = up ? gate[0]! : gate.at(-1)!;
  const order = Array.from(
    { length: n },
    (_, k) => whole.points[(((up ? first - 1 - k : first + 1 + k) % n) + n) % n]!,
  );
  const hinge = order.length - gate.length;
  const h = order[hinge - 1]!;
  const [c, s] = [Math.cos(-OPENS_rad * open), Math.sin(-OPENS_rad * open)];
  const points = order.map((p, k): Point3 =>
    k < hinge ? p : [h[0] + (p[0] - h[0]) * c - (p[1] - h[1]) * s, h[1] + (p[0] - h[0]) * s + (p[1] - h[1]) * c, p[2]],
  );
  return { ...whole, closed: open === 0, points, marks: { gate: [hinge, n - 1] } };
}

/** Drawn snug and bent to the bow: what lies near the bar comes nearer to it. */
const snugged = (points: readonly Point3[], made: number): Point3[] =>
  points.map((p): Point3 => {
    const r = Math.hypot(p[0], p[2]);
    const near = Math.max(0, Math.min(1, (8 - r) / 4));
    const k = 1 - (SNUG_BY * made * near) / Math.max(r, 1);
    const q: Point3 = [p[0] * k, p[1] * (1 - made * near * (1 - 1.12 / SPREAD)), p[2] * k];
    const bent = bentIntoRing(q);
    const b = made * near;
    return [q[0] + (bent[0] - q[0]) * b, q[1] + (bent[1] - q[1]) * b, q[2]];
  });

const WAITS: Held = { upright: 0, at: [1, -4.5, 5], along_deg: 90 };
const BOX = [-10, -9.5, 22, 22.5] as const;
const WIDER_BOX = [-8, -8.5, 23, 22] as const;
const ABOVE_NOSE: Held = { upright: 1, at: [4.2, 6.9, 0], along_deg: 90 };

const ON_BOW: Held = { upright: 1, at: [0, 0, 0], along_deg: 0 };
/** how snug they are drawn before they come to lie as their picture has them */
const SNUG = 0.4;

const middleOfBox = (points: readonly Point3[]): Point3 =>
  [0, 1, 2].map(
    (c) => (Math.min(...points.map((p) => p[c]!)) + Math.max(...points.map((p) => p[c]!))) / 2,
  ) as unknown as Point3;
/** The stored form, on this karabiner, its rope so far along that it lies as near as may be to another lie. */
function lyingLike(lie: readonly Point3[], { laid, objects }: BakedForm, length: number): Point3[] {
  const by = subtract(middleOfBox(karabinerOpen(0).points), middleOfBox(objects[0]!.points));
  const points = pointsOf(laid).map((p) => add(p, by));
  const off = (hold: number) =>
    laidAlong({ points, hold }, length, 0.5, lie.length).reduce(
      (sum, p, i) => sum + distance(p, lie[i]!) ** 2 * (Math.abs(i / lie.length - 0.5) < 0.25 ? 1 : 0.05),
      0,
    );
  const holds = points.map((_, k) => k).slice(8, -8);
  return laidAlong(
    { points, hold: holds.reduce((best, k) => (off(k) < off(best) ? k : best), holds[0]!) },
    length,
    0.5,
    lie.length,
  );
}

/** From here on the strand that leads away hangs down from the bar at first, a little toward the viewer, beside the other. */
const HANGS_FROM_deg = 215;
const HANGING: Point3 = [-0.42, -0.5, 0.76];
const led = (nodes: readonly Node[], points: readonly Point3[], way: Point3): Point3[] => {
  const from = nodes.findIndex((n) => n.t > HANGS_FROM_deg);
  return points.map((p, k): Point3 => (k <= from ? p : add(points[from]!, scale(unit(way), STRETCHED * (k - from)))));
};

/** The loop in the hand, before it is put over the nose: the strand leads off to the right, the loop stands up and faces the viewer. */
const IN_HAND: Held = { upright: 0, at: [9.6, 1.6, 4.4], along_deg: -90 };
/** the second loop, upright, on its way to the nose: turned about the axis across the page on the way */
const between = (a: Held, b: Held, u: number): Held => ({
  upright: a.upright + (b.upright - a.upright) * u,
  along_deg: a.along_deg + (b.along_deg - a.along_deg) * u,
  at: lerp(a.at, b.at, u),
});
/** folded, the strand that is worked hangs down from it */
const TURNED_DOWN: Held = { upright: 0.7, at: [9.6, 2, 4.4], along_deg: 0 };
const LIFTED: Held = { upright: 1, at: [13, 3.2, 4.2], along_deg: -90 };
const RAISED: Held = { upright: 1, at: [10.4, 4.6, 3.2], along_deg: 0 };
const BESIDE: Held = { upright: 1, at: [9, 7.8, 1.6], along_deg: 70 };

/**
 * The rope is in the karabiner already; of the strand that leads away a loop is made with one hand, and put over the nose.
 * @param how it comes upon the first: slid (clove) or folded (Munter) @param laid the form in which it ends
 */
export function loopToTheClip(how: 'slid' | 'folded', laid: BakedForm): LedByHands {
  const nodes = wound();
  const length = 2 * settled(nodes.map((n) => n.p)).length * 0.125 + 16;
  const middle = betweenLoops(nodes);
  const lie = (part: Partial<Lie>): Lie => ({
    bights: 2,
    turned: [1, 0],
    apart: 0,
    folded: 0,
    onlySecond: true,
    ...part,
  });
  const fold = how === 'folded' ? 1 : 0;
  /** @param brought 0 to 1: the strand that leads away hangs, or is where it is held */
  const rope = (l: Lie, held: Held, snug = 0, brought = 1): Point3[] => {
    const shape = snugged(lying(nodes, l), snug);
    const [one, two] = [placed(shape, ON_BOW), placed(shape, held)];
    const points = nodes.map(({ t }, k) => lerp(one[k]!, two[k]!, ofSecond(t)));
    const along = laidAlong(
      {
        points: brought < 1 ? led(nodes, one, HANGING).map((p, k) => lerp(p, points[k]!, brought)) : points,
        hold: middle,
      },
      length,
      0.5,
      COUNT,
    );
    // folded, the strand that is worked is the load strand: the one that stands in the clip is the brake
    return fold ? along.reverse() : along;
  };
  const made = lie({ turned: [1, 1], folded: fold });
  const onNose = { ...ABOVE_NOSE, at: [4.2, BEND_RADIUS, 0] as Point3 };
  const stages: Stage[] = [
    (u) => [rope(lie({ bights: 0 }), IN_HAND, 0, u)],
    (u) => [rope(lie({ bights: 2 * u }), IN_HAND)],
    (u) => [rope(lie({ turned: [1, u] }), IN_HAND)],
    ...(fold ? [(u: number) => [rope(lie({ turned: [1, 1], folded: u }), between(IN_HAND, TURNED_DOWN, u))]] : []),
    (u) => [
      rope(
        made,
        u < 0.2
          ? between(fold ? TURNED_DOWN : IN_HAND, fold ? RAISED : LIFTED, u / 0.2)
          : u < 0.45
            ? between(fold ? RAISED : LIFTED, RAISED, (u - 0.2) / 0.25)
            : u < 0.75
              ? between(RAISED, BESIDE, (u - 0.45) / 0.3)
              : between(BESIDE, ABOVE_NOSE, (u - 0.75) / 0.25),
      ),
    ],
    (u) => [
      rope(
        made,
        u < 0.25
          ? between(ABOVE_NOSE, onNose, 4 * u)
          : { upright: 1, at: onBow(120 * (1 - u)), along_deg: 120 * (1 - u) },
      ),
    ],
    (u) => [rope(made, ON_BOW, SNUG * u)],
    ...(fold ? [] : [eased([rope(made, ON_BOW, SNUG)], [lyingLike(rope(made, ON_BOW, SNUG), laid, length)])]),
  ];
  const [opens, shuts] = [3 + fold, 5 + fold];
  const objects = (come: number): ShapeComponent[] => [
    karabinerOpen(come <= opens ? Math.max(0, come - opens + 1) : come <= shuts ? 1 : Math.max(0, shuts + 1 - come)),
  ];
  return { stages, objects, box: WIDER_BOX };
}

/** @param how the second loop comes upon the first @param laid the form in which it ends */
export function twoLoops(how: 'slid' | 'folded', laid: BakedForm): LedByHands {
  const nodes = wound();
  const length = 2 * settled(nodes.map((n) => n.p)).length * 0.125 + 34;
  const middle = betweenLoops(nodes);
  const share = 0.5;
  const rope = (lie: Lie, held: Held, snug = 0): Point3[] => {
    const shape = lying(nodes, lie);
    // folded, the loops lie to one side of the line's middle
    const centre = lie.folded > 0 ? APART * lie.apart * lie.folded : 0;
    const low = -lie.folded * (FOLD_HEIGHT + 1.5);
    const centred = shape.map(([x, y, z]): Point3 => [x + centre, y + low, z]);
    return laidAlong({ points: placed(snugged(centred, snug), held), hold: middle }, length, share, COUNT);
  };
  const hand = (part: Partial<Lie>): Lie => ({ bights: 2, turned: [0, 0], apart: 1, folded: 0, ...part });
  const made = hand({ turned: [1, 1], ...(how === 'slid' ? { apart: 0 } : { folded: 1 }) });
  const stages: Stage[] = [
    (u) => [rope(hand({ bights: 2 * u }), WAITS)],
    (u) => [rope(hand({ turned: [u, 0] }), WAITS)],
    (u) => [rope(hand({ turned: [1, u] }), WAITS)],
    (u) => [rope(hand({ turned: [1, 1], ...(how === 'slid' ? { apart: 1 - u } : { folded: u }) }), WAITS)],
    (u) => {
      const route = splineThrough([WAITS.at, [9, -3.5, 5.4], [12.5, 3, 5], [10, 7.2, 2.4], ABOVE_NOSE.at], 40);
      const at = route[Math.round(u * (route.length - 1))]!;
      const next = route[Math.min(route.length - 1, Math.floor(u * (route.length - 1)) + 1)]!;
      const f = u * (route.length - 1) - Math.floor(u * (route.length - 1));
      const from = route[Math.floor(u * (route.length - 1))] ?? at;
      return [
        rope(made, {
          upright: Math.min(1, 1.3 * u),
          at: [from[0] + (next[0] - from[0]) * f, from[1] + (next[1] - from[1]) * f, from[2] + (next[2] - from[2]) * f],
          along_deg: 90,
        }),
      ];
    },
    (u) => [
      rope(
        made,
        u < 0.25
          ? { ...ABOVE_NOSE, at: [4.2, ABOVE_NOSE.at[1] + (BEND_RADIUS - ABOVE_NOSE.at[1]) * 4 * u, 0] }
          : { upright: 1, at: onBow(90 * (1 - (u - 0.25) / 0.75)), along_deg: 90 * (1 - (u - 0.25) / 0.75) },
      ),
    ],
    (u) => [rope(made, ON_BOW, SNUG * u)],
    // folded, the bight still stands up: drawing the strands down lays it across them
    ...(how === 'slid' ? [eased([rope(made, ON_BOW, SNUG)], [lyingLike(rope(made, ON_BOW, SNUG), laid, length)])] : []),
  ];
  const objects = (come: number): ShapeComponent[] => [
    karabinerOpen(come <= 4 ? Math.max(0, come - 3) : come <= 6 ? 1 : Math.max(0, 7 - come)),
  ];
  return { stages, objects, box: BOX };
}
