/** How a way is looked at while it is tied: the whole of it, or near the knot, and how the view turns from step to step. */
import { distance, smoothstep, type Point3 } from '../../curve';
import { crossingsSeenFrom } from '../../topology';
import type { ShapeComponent } from '../shape/stored';
import type { Seen, View } from '../moving/way';
import type { Box, Motion } from './motion';

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
  const share = smoothstep((key + toward - first) / Math.max(1, TURNS_FOR * (last - first + 1)));
  const on = (from: number, to: number) => Math.round(100 * (from + (to - from) * share)) / 100;
  return Object.fromEntries(
    (Object.keys(own) as (keyof View)[]).map((of) => [of, on(before[of], own[of])]),
  ) as unknown as View;
}
