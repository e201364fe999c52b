/**
 * Ways of tying as motions: key frames of the same rope with what each hand does, and as many between them as are asked for. A step that leads
 * an end, or a bight, along its path is cut into so many key frames that with BETWEEN frames between each two nothing moves farther than
 * strands are apart: that is proved on exactly those frames (proving.ts). Unit: rope diameters.
 */
import { arcLengths, distance, lerp, smallestDistance, unit, type Line3, type Point3 } from '../../curve';
import { fault } from '../../errors';
import { crossingsSeenFrom } from '../../topology';
import { knotById, storedForm } from '../catalogue/catalogue';
import { DoubledPath, Path, slidTo } from '../moving/sliding';
import { linesOf, triples, type ShapeComponent, type ShapeMarks } from '../shape/stored';
import type { LedByHands, MovingStep, Palm, Seen, StillStep, View, WayOfTying } from '../moving/way';

/** Frames between two key frames for which a way is proved. */
export const BETWEEN = 6;
/** Of the smallest distance of two parts a point moves at most so much from frame to frame; half of it would be the bound. */
const SHARE_OF_GAP = 0.42;
/** the same where hands change the path, and parts come nearer to each other on their way */
const SHARE_OF_GAP_BY_HAND = 0.38;
const LOOKED_AT = [0, 0.25, 0.5, 0.75, 1] as const;
/** Parts nearer than this along a rope are neighbours. */
export const NEIGHBOUR_ARC = 2;
const SPACING = 0.75;
const MOST_POINTS = 260;

export interface Frame {
  readonly key: boolean;
  /** which step of the way it belongs to, from 0 */
  readonly step: number;
  /** how far each rope has come along its path, rope diameters; null where hands change the path */
  readonly come_ropeDiameters: readonly number[] | null;
  readonly caption: string;
  readonly hands: { readonly left: string; readonly right: string };
  readonly moving: string;
  /** how the tier looks at it */
  readonly camera: View;
  /** the hand in the rope */
  readonly palm: Palm | null;
  /** the joint of a closed loop of cord, from one of its ends to the other */
  readonly joint: readonly Point3[] | null;
  readonly components: readonly ShapeComponent[];
}

/** What moves: the ends of the ropes, or the one bight; each by how far it has come along its path. */
interface Mover {
  readonly most: number;
  readonly count: number;
  at(come: number): Point3[];
}

const endOf = (points: readonly Point3[]): Mover => {
  const path = new Path(points);
  const count = Math.min(MOST_POINTS, Math.ceil(path.length / SPACING) + 1);
  return { most: path.length, count, at: (come) => slidTo(path, come, count) };
};
const bightOf = (points: readonly Point3[], eye: number): Mover => {
  const path = new DoubledPath(points, eye);
  const count = Math.min(MOST_POINTS, Math.ceil(path.length / SPACING) + 1);
  return { most: path.tip, count, at: (come) => path.at(come, count) };
};

export interface Motion {
  readonly making: WayOfTying['making'];
  /** the form it ends in: `right`, another right form, or a fault */
  readonly form: string;
  /** whether the rope follows a path that stays as it is, or hands change the path itself */
  readonly path: 'stays' | 'changes';
  readonly steps: readonly MovingStep[];
  /** dressing and setting, that follow */
  readonly then: readonly StillStep[];
  /** how far it has come at each key frame */
  readonly keys: readonly { readonly step: number; readonly come: readonly number[] }[];
  /** what is looked at, where the way says it */
  readonly box?: Box;
  componentsAt(come: readonly number[]): ShapeComponent[];
  palmAt(come: readonly number[]): Palm | null;
  jointAt(come: readonly number[]): readonly Point3[] | null;
}
type Box = readonly [left: number, bottom: number, width: number, height: number];

/** Of each rope the places of its crossings, in order along it, as it lies laid out. */
function passesOf(lines: readonly Line3[]): number[][] {
  const { passes } = crossingsSeenFrom(lines, [0, 0, 1]);
  return lines.map((l, rope) => {
    const s = arcLengths(l.points);
    return passes
      .filter((p) => p.line === rope)
      .map((p) => s[Math.floor(p.at)]! + (p.at % 1) * ((s[Math.floor(p.at) + 1] ?? s.at(-1)!) - s[Math.floor(p.at)]!));
  });
}
/** Where a mover stands once it has made so many of them: midway to the next. */
function comeAfter(passes: readonly number[], upTo: number, most: number): number {
  const after = passes[upTo];
  return after === undefined || after > most ? most : ((passes[upTo - 1] ?? 0) + after) / 2;
}

/** An untied rope is seen: its end stands so far before the place of the next crossing. */
const BEFORE_CROSSING = 2.5;
/** Where a mover begins: where it has made so many of its crossings, its end near the next one. */
function beginsAt(passes: readonly number[], made: number, most: number): number {
  const after = passes[made];
  return after === undefined
    ? comeAfter(passes, made, most)
    : Math.max(comeAfter(passes, made, most), after - BEFORE_CROSSING);
}

/**
 * Where key frames come between two places of what moves, so that in no frame between them a point moves farther than its share of `most`.
 * @param first how far the first is tried
 */
function stretches(
  at: (come: number) => readonly (readonly Point3[])[],
  from: number,
  to: number,
  first: number,
  most: number,
): number[] {
  const found: number[] = [];
  const share = most / (BETWEEN + 1);
  /** the largest move of a point from one frame to the next over a stretch */
  const moved = (a: number, b: number): number => {
    let before = at(a);
    let largest = 0;
    for (let i = 1; i <= BETWEEN + 1; i++) {
      const now = at(a + ((b - a) * i) / (BETWEEN + 1));
      now.forEach((rope, r) => rope.forEach((p, k) => (largest = Math.max(largest, distance(p, before[r]![k]!)))));
      before = now;
    }
    return largest;
  };
  let stride = first;
  for (let now = from; now < to - 1e-9;) {
    let next = Math.min(to, now + stride);
    let move = moved(now, next);
    for (let tries = 0; tries < 40 && move > share * 1.02; tries++) {
      next = now + (next - now) * Math.max(0.3, Math.min(0.9, share / move));
      move = moved(now, next);
    }
    found.push(next);
    // the next one is tried as far as this one would have borne
    stride = Math.min(first, (next - now) * Math.min(2, Math.max(1, share / Math.max(move, 1e-9))));
    now = next;
  }
  return found.length > 0 ? found : [to];
}

const isMoving = (s: MovingStep | StillStep): s is MovingStep => typeof s.upTo === 'number';

const known = new Map<string, Motion>();
/** Worked out once: it follows from the catalogue alone. @throws unknown-way */
export function motionOf(id: string, way: string): Motion {
  const key = `${id} ${way}`;
  const before = known.get(key);
  if (before) return before;
  const motion = workedOut(id, way);
  known.set(key, motion);
  return motion;
}

function workedOut(id: string, way: string): Motion {
  const found: WayOfTying | undefined = knotById(id).ways[way];
  if (!found) throw fault('unknown-way', { knot: id, way });
  return found.hands ? ledByHands(found, found.hands()) : slid(id, found);
}

/** How a tape lies across where it has come to: as its path lies there, before that as it begins. @param across x y z per point of the path */
function acrossAt(across: readonly number[], { most, count }: Mover, come: number): Point3[] {
  const along = triples(across);
  return Array.from({ length: count }, (_, i): Point3 => {
    const at = Math.max(0, (come / most - 1 + i / (count - 1)) * (along.length - 1));
    const k = Math.min(along.length - 2, Math.floor(at));
    return unit(lerp(along[k]!, along[k + 1]!, at - k));
  });
}

/** Which points of a rope are what: shares of its length. */
const marksOf = (count: number, eyes: number | readonly [number, number] | undefined): Partial<ShapeMarks> => {
  const at = (share: number) => Math.round(share * (count - 1));
  const [eye, second] = typeof eyes === 'number' ? [eyes] : (eyes ?? []);
  return {
    standing: [0, at(0.04)],
    tail: [at(0.96), count - 1],
    ...(eye !== undefined && { eye: at(eye) }),
    ...(second !== undefined && { second_eye: at(second) }),
  };
};

/** Ends farther apart than this are legs that lie side by side: their joint is out of sight. */
const JOINED_WITHIN = 2.6;
const jointOf = (points: readonly Point3[]): readonly Point3[] | null =>
  distance(points[0]!, points.at(-1)!) > JOINED_WITHIN
    ? null
    : [points[2]!, points[0]!, points.at(-1)!, points.at(-3)!];

function ledByHands(
  found: WayOfTying,
  { stages, eyes = [], objects = [], box, palm, joined = false }: LedByHands,
): Motion {
  const steps = found.steps.filter(isMoving);
  const last = stages.length - 1;
  const at = (come: number) => {
    const k = Math.min(last, Math.floor(come));
    return stages[k]!(come - k);
  };
  const thingsAt = (come: number) => (typeof objects === 'function' ? objects(come) : objects);
  // a gate moves too
  const moving = (come: number) => [
    ...at(come),
    ...(typeof objects === 'function' ? objects(come).map((o) => o.points) : []),
  ];
  /** how near parts come in a stage: so far may a point move */
  const gapIn = (stage: number) =>
    Math.min(
      1,
      ...LOOKED_AT.map((u) =>
        smallestDistance(
          stages[stage]!(u).map((points) => ({ points: points.filter((_, i) => i % 2 === 0), closed: false })),
          NEIGHBOUR_ARC,
        ),
      ),
    );
  const keys: { step: number; come: number[] }[] = [{ step: 0, come: [0] }];
  steps.forEach((step, k) => {
    for (let stage = keys.at(-1)!.come[0]!; stage < step.upTo; stage++)
      for (const come of stretches(
        (u) => moving(Math.min(stage + u, stage + 1 - 1e-9)),
        0,
        1,
        0.5,
        SHARE_OF_GAP_BY_HAND * gapIn(stage) * (BETWEEN + 1),
      ))
        keys.push({ step: k, come: [stage + come] });
  });
  return {
    making: found.making,
    form: found.form ?? 'right',
    path: 'changes',
    ...(box && { box }),
    steps,
    then: found.steps.filter((s): s is StillStep => !isMoving(s)),
    keys,
    palmAt: ([come]) => palm?.(come!) ?? null,
    jointAt: ([come]) => (joined ? jointOf(at(come!)[0]!) : null),
    componentsAt: ([come]) => {
      const ropes = at(come!);
      return [
        ...ropes.map((points, rope): ShapeComponent => {
          const name = rope === 0 ? 'rope' : 'second-rope';
          return { name, role: name, closed: false, diameter: 1, points, marks: marksOf(points.length, eyes[rope]) };
        }),
        ...thingsAt(come!),
      ];
    },
  };
}

function slid(id: string, found: WayOfTying): Motion {
  const form = storedForm(id, found.form ?? 'right');
  const lines = linesOf(form.laid);
  const eye = form.laid.marks.eye ?? 0;
  const movers = lines.map((l) => (found.making === 'bight' ? bightOf(l.points, eye) : endOf(l.points)));
  const passes = passesOf(lines);
  const byShare = found.steps.some((s) => isMoving(s) && s.by === 'share');
  const start = movers.map((m, rope) => (byShare ? 0 : beginsAt(passes[rope]!, found.start?.[rope] ?? 0, m.most)));
  const gap = smallestDistance(lines, NEIGHBOUR_ARC);
  const stride = Math.min(1, gap) * SHARE_OF_GAP * (BETWEEN + 1);
  const steps = found.steps.filter(isMoving);
  const keys: { step: number; come: number[] }[] = [{ step: 0, come: [...start] }];
  steps.forEach((step, k) => {
    const from = keys.at(-1)!.come;
    const moves = movers.map((_, r) => step.rope === 'both' || r === (step.rope ?? 0));
    const to = movers.map(({ most }, r) =>
      !moves[r] ? from[r]! : step.by === 'share' ? step.upTo * most : comeAfter(passes[r]!, step.upTo, most),
    );
    const farthest = Math.max(...to.map((t, r) => t - from[r]!));
    // by how far the one comes that has farthest to go
    const come = (far: number) => from.map((c, r) => c + ((to[r]! - c) * far) / (farthest || 1));
    for (const far of stretches(
      (d) => movers.flatMap((m, r) => (moves[r] ? [m.at(come(d)[r]!)] : [])),
      0,
      farthest,
      stride,
      stride,
    ))
      keys.push({ step: k, come: come(far) });
  });
  // a mark stays with its piece of rope, in all frames
  const marks = movers.map(({ count }, rope) => {
    const baked = rope === 0 ? form.laid.marks : form.laid.second!.marks;
    const at = (i: number) => Math.round((i / (lines[rope]!.points.length - 1)) * (count - 1));
    return {
      standing: [at(baked.standing[0]), Math.max(1, at(baked.standing[1]))] as const,
      tail: [Math.min(count - 2, at(baked.tail[0])), at(baked.tail[1])] as const,
      ...(baked.eye !== undefined && { eye: at(baked.eye) }),
    };
  });
  return {
    making: found.making,
    form: found.form ?? 'right',
    path: 'stays',
    steps,
    then: found.steps.filter((s): s is StillStep => !isMoving(s)),
    keys,
    palmAt: () => null,
    jointAt: () => null,
    componentsAt: (come) => [
      ...movers.map((m, rope): ShapeComponent => {
        const name = rope === 0 ? 'rope' : 'second-rope';
        const tape = rope === 0 ? form.laid.tape : form.laid.second!.tape;
        return {
          name,
          role: name,
          closed: false,
          diameter: 1,
          points: m.at(come[rope]!),
          marks: marks[rope]!,
          ...(tape && { tape: { ...tape, across: acrossAt(tape.across, m, come[rope]!) } }),
        };
      }),
      ...form.objects,
    ],
  };
}

/** Rope shown beyond the first and the last crossing. */
const SHOWN_BEYOND = 4;
/** How much farther than the finished knot what moves on its way is kept in sight, as a share of the knot's size. */
const REACHES_OUT = 0.3;
const REACHES_OUT_BY_HAND = 0.42;
const FRAMES_LOOKED_AT = 16;

/** What is looked at while it is tied, seen from the front: the finished knot with its eye, and round it what comes and goes. Rope diameters. */
export function boxOf(motion: Motion): Box {
  const box = motion.box ?? boxes.get(motion) ?? lookedAt(motion);
  boxes.set(motion, box);
  return box;
}
const boxes = new WeakMap<Motion, Box>();

function lookedAt(motion: Motion): Box {
  const { keys, path } = motion;
  const last = motion.componentsAt(keys.at(-1)!.come);
  const isRope = (c: ShapeComponent) => c.role === 'rope' || c.role === 'second-rope';
  const ropes = last.filter(isRope);
  const { passes } = crossingsSeenFrom(
    ropes.map(({ points, closed }) => ({ points, closed })),
    [0, 0, 1],
  );
  const reach = ropes.map(({ points, marks }, r): readonly [number, number] => {
    const on = [
      ...passes.filter((q) => q.line === r).map((q) => q.at),
      ...(marks?.eye === undefined ? [] : [marks.eye]),
    ];
    const beyond = SHOWN_BEYOND / Math.max(0.1, distance(points[0]!, points[1]!));
    return [
      Math.max(0, Math.floor(Math.min(...on) - beyond)),
      Math.min(points.length - 1, Math.ceil(Math.max(...on) + beyond)),
    ];
  });
  const knot = ropes.flatMap(({ points }, r) => points.slice(reach[r]![0], reach[r]![1] + 1));
  const extent = (points: readonly Point3[], c: 0 | 1) =>
    [Math.min(...points.map((q) => q[c])), Math.max(...points.map((q) => q[c]))] as const;
  const [x, y] = [extent(knot, 0), extent(knot, 1)];
  const out = (path === 'changes' ? REACHES_OUT_BY_HAND : REACHES_OUT) * Math.max(x[1] - x[0], y[1] - y[0]);
  const inSight = ([a, b]: Point3) => a > x[0] - out && a < x[1] + out && b > y[0] - out && b < y[1] + out;
  const step = Math.max(1, Math.floor(keys.length / FRAMES_LOOKED_AT));
  // before it takes shape the rope merely comes by
  const others = keys
    .filter((_, k) => k % step === 0 && k >= keys.length / 3)
    .flatMap(({ come }) =>
      motion
        .componentsAt(come)
        .filter(isRope)
        .flatMap(({ points }, r) => points.slice(reach[r]![0], reach[r]![1] + 1).filter(inSight)),
    );
  const [left, right] = extent([...knot, ...others], 0);
  const [low, high] = extent([...knot, ...others], 1);
  return [left - 1, low - 1, right - left + 2, high - low + 2].map((v) => Math.round(v * 100) / 100) as unknown as Box;
}

/** Straight on, and all of what is looked at; or as a step says. */
function seenWhole(motion: Motion, { yaw_deg = 0, pitch_deg = 0, zoom = 1 }: Seen = {}): View {
  const [, , width, height] = boxOf(motion);
  return {
    yaw_deg,
    pitch_deg,
    right_ropeDiameters: 0,
    up_ropeDiameters: 0,
    width_ropeDiameters: width / zoom,
    height_ropeDiameters: height / zoom,
  };
}
/** Near to it is no nearer than this, and so much is seen round the crossings: a share of their extent, and rope diameters. */
const NEAREST = 2.2;
const ROUND_CROSSINGS = { share: 1.35, more: 5 } as const;
const nearViews = new WeakMap<Motion, View>();

/** Where the crossings of the finished knot are, and a little round them. */
function nearView(motion: Motion): View {
  const there = nearViews.get(motion);
  if (there) return there;
  const ropes = motion
    .componentsAt(motion.keys.at(-1)!.come)
    .filter((c) => c.role === 'rope' || c.role === 'second-rope');
  const places = crossingsSeenFrom(
    ropes.map(({ points, closed }) => ({ points, closed })),
    [0, 0, 1],
  ).passes.map((q) => ropes[q.line]!.points[Math.floor(q.at)]!);
  const [x, y] = ([0, 1] as const).map(
    (c) => [Math.min(...places.map((q) => q[c])), Math.max(...places.map((q) => q[c]))] as const,
  ) as [readonly [number, number], readonly [number, number]];
  const [left, bottom, width, height] = boxOf(motion);
  const side = Math.max(width, height);
  const size = Math.min(
    side,
    Math.max(side / NEAREST, ROUND_CROSSINGS.share * Math.max(x[1] - x[0], y[1] - y[0]) + ROUND_CROSSINGS.more),
  );
  const view: View = {
    yaw_deg: 0,
    pitch_deg: 0,
    right_ropeDiameters: (x[0] + x[1]) / 2 - left - width / 2,
    up_ropeDiameters: (y[0] + y[1]) / 2 - bottom - height / 2,
    width_ropeDiameters: size,
    height_ropeDiameters: size,
  };
  nearViews.set(motion, view);
  return view;
}
/** Of a step's key frames so large a share passes while the view turns to its own. */
const TURNS_FOR = 0.4;

/** How the tier looks at it at a key frame, or so far toward it from the one before: in the beginning of a step the view turns from that of the step before to its own. */
export function cameraAt(motion: Motion, key: number, toward = 1): View {
  const { keys, steps } = motion;
  const { step } = keys[key]!;
  const seenIn = (s: number): View => {
    const seen = steps[s]!.seen;
    return seen === 'near' ? nearView(motion) : seenWhole(motion, seen);
  };
  const [own, before] = [seenIn(step), seenIn(Math.max(0, step - 1))];
  const first = keys.findIndex((k) => k.step === step);
  const last = keys.findLastIndex((k) => k.step === step);
  const u = Math.min(1, Math.max(0, (key + toward - first) / Math.max(1, TURNS_FOR * (last - first + 1))));
  const share = u * u * (3 - 2 * u);
  const on = (from: number, to: number) => Math.round(100 * (from + (to - from) * share)) / 100;
  return Object.fromEntries(
    (Object.keys(own) as (keyof View)[]).map((of) => [of, on(before[of], own[of])]),
  ) as unknown as View;
}

/**
 * @param between frames between each two key frames; a way is proved for BETWEEN
 * @throws unknown-way
 */
export function framesOf(id: string, way: string, between = 0): Frame[] {
  const motion = motionOf(id, way);
  return motion.keys.flatMap(({ step, come }, k): Frame[] => {
    const { caption, hands, moving } = motion.steps[step]!;
    const frame = (key: boolean, at: readonly number[], toward: number): Frame => ({
      key,
      step,
      come_ropeDiameters: motion.path === 'stays' ? at : null,
      caption,
      hands,
      moving,
      camera: cameraAt(motion, k, toward),
      palm: motion.palmAt(at),
      joint: motion.jointAt(at),
      components: motion.componentsAt(at),
    });
    const before = motion.keys[k - 1]?.come;
    const shares = before ? Array.from({ length: between }, (_, i) => (i + 1) / (between + 1)) : [];
    return [
      ...shares.map((share) =>
        frame(
          false,
          come.map((c, r) => before![r]! + (c - before![r]!) * share),
          share,
        ),
      ),
      frame(true, come, 1),
    ];
  });
}
