/**
 * Laid form -> tight: the protocol by which a knot is drawn up. Ends are pulled by soft
 * actuators, eyes by frictionless discs, rings are hauled; forces rise, are held at low friction until the
 * knot is settled, and sink again at higher friction, which lets the strands come apart to their true
 * distance. A run in which a strand may have passed through another is thrown away.
 */
import { add, dot, scale, subtract, unit, type Point3 } from '../curve';
import { fault } from '../errors';
import { SettledWatch } from './settled';
import { RopeSolver, type SolverSettings, SOLVER_SETTINGS } from './solver';
import type { RopeSpec } from './state';
import { handsOn, type Hands, type Haul, type Squeeze } from './things';

/** Node spacing along a rope in diameters. */
export const NODE_SPACING = 0.45;

/** What can be given another share or direction in a stage. */
export type Pulled = 'standing' | 'tail' | 'eye';

export interface EndPull {
  readonly rope: number;
  readonly end: 'standing' | 'tail';
  readonly direction: Point3;
  /** share of the stage's force */
  readonly share: number;
  /** held in place instead of drawn, so that the knot does not drift */
  readonly held?: boolean;
}

export interface EyePull {
  readonly rope: number;
  /** node at the far point of the eye */
  readonly node: number;
  readonly direction: Point3;
  readonly share: number;
  /** radius of what lies in the eye, diameters */
  readonly radius: number;
}

/** A ring or karabiner that draws the eye it hangs in: a rigid closed rope among `things`. */
export interface RingPull {
  /** which of the things */
  readonly thing: number;
  readonly direction: Point3;
  /** mean tension of the first rope at which it stops, as share of the stage's force */
  readonly share: number;
}

/** A round post that the first ropes lie round; it does not move. */
export interface PostHeld {
  readonly point: Point3;
  readonly axis: Point3;
  /** diameters */
  readonly radius: number;
}

/** Hands that keep nodes of the first rope where they lie: along an axis only, or in every direction (null). */
export interface HandsLaid {
  readonly nodes: readonly number[];
  readonly along: Point3 | null;
}

/** Turns that fingers push together: a stretch of a rope's nodes, along an axis. */
export interface Turns {
  /** the first where not said */
  readonly rope?: number;
  readonly nodes: readonly [number, number];
  readonly axis: Point3;
  /** they are also pushed along the axis, with this share of the squeeze */
  readonly along?: number;
}

export interface Stage {
  /** in the solver's unit of time */
  readonly duration: number;
  /** force at the beginning and at the end, in full loads */
  readonly force: readonly [number, number];
  readonly friction: number;
  /** other shares from this stage on */
  readonly shares?: Partial<Record<Pulled, number>>;
  /** directions into which the pulls at an end swing during this stage: one for all ropes, or one for each */
  readonly directions?: Partial<Record<'standing' | 'tail', Point3 | readonly Point3[]>>;
  /** from this stage on the knot is drawn against a wall across the standing part, which passes through a hole in it */
  readonly wall?: boolean;
  /** force on a node with which the turns are pushed together in this stage, full loads */
  readonly squeeze?: number;
  /** stiffness of the hands at the beginning and at the end, full loads per diameter */
  readonly hands?: readonly [number, number];
  /** thickness of the ropes at the beginning and at the end, as share of the full: a wound form may begin thin */
  readonly thickness?: readonly [number, number];
  /** ends early once the knot is settled */
  readonly untilSettled?: boolean;
}

export interface Tightening {
  readonly ropes: readonly (readonly Point3[])[];
  /** which of the ropes are closed slings; open where not said */
  readonly closed?: readonly boolean[];
  readonly posts?: readonly PostHeld[];
  readonly hands?: HandsLaid;
  /** rings, karabiners, host ropes: what the ropes lie round or hang in; their places are part of the result */
  readonly things?: readonly RopeSpec[];
  readonly pulls: readonly EndPull[];
  readonly eyes: readonly EyePull[];
  readonly rings?: readonly RingPull[];
  readonly turns?: readonly Turns[];
  readonly stages: readonly Stage[];
}

/** Firm draw for single-strand loops; gentle draw for doubled knots, which keeps pairs side by side. */
export const FIRM: readonly Stage[] = [
  { duration: 120, force: [0.2, 0.7], friction: 0.1 },
  { duration: 350, force: [0.7, 0.7], friction: 0.1, untilSettled: true },
  { duration: 100, force: [0.7, 0.25], friction: 0.2 },
];
export const GENTLE: readonly Stage[] = [
  { duration: 250, force: [0.1, 0.4], friction: 0.12 },
  { duration: 400, force: [0.4, 0.4], friction: 0.12, untilSettled: true },
  { duration: 120, force: [0.4, 0.2], friction: 0.2 },
];

/** The knot at one moment. */
export interface Moment {
  readonly ropes: readonly (readonly Point3[])[];
  readonly things: readonly (readonly Point3[])[];
  /** contact force per node of the ropes, ropes one after another */
  readonly load: readonly number[];
}

export interface Tightened {
  readonly tight: Moment;
  readonly smallestDistanceEver: number;
  readonly nodeCount: number;
  /** steps taken */
  readonly steps: number;
}

/** Half the length of rope round an eye's far point that feels its disc, in nodes. */
const EYE_REACH = 26;
/** How fast an end may be drawn, d per unit of time. */
const DRAWING_SPEED = 0.3;
const HAULING_SPEED = 0.12;
const HOLE_RADIUS = 1.1;
/** share of a load that is remembered a step later */
const LOAD_MEMORY = 0.995;

/** The wall goes just before the first loaded node of the standing part, across the pull. */
function putWall(solver: RopeSolver, pulled: Point3, borne: Float64Array): void {
  const { ropeStart } = solver.state;
  const bears = (n: number) => borne[n]! > 0.05;
  let first = 0;
  while (first < ropeStart[1]! && !bears(first)) first++;
  let to = ropeStart[1]! - 1;
  while (to > first && !bears(to)) to--;
  // nearest of the knot to where the standing part goes
  let highest = first;
  for (let n = first; n <= to; n++) if (dot(solver.point(n), pulled) > dot(solver.point(highest), pulled)) highest = n;
  const hole = solver.point(Math.max(0, first - 2));
  const point = add(hole, scale(pulled, dot(subtract(solver.point(highest), hole), pulled) + 0.6));
  solver.walls.push({ point, normal: scale(pulled, -1), holeRadius: HOLE_RADIUS, from: first, to });
}

/**
 * Tightens a laid form. Deterministic: equal input and seed give equal bytes on one version of the engine.
 * @param onProgress called about a hundred times with the share done and the solver; return false to stop
 * @returns null when stopped
 * @throws solver-passed-through when it is not certain that no strand passed through another
 */
export function tighten(
  plan: Tightening,
  settings: SolverSettings = SOLVER_SETTINGS,
  onProgress: (share: number, solver: RopeSolver) => boolean = () => true,
): Tightened | null {
  const things = plan.things ?? [];
  const solver = new RopeSolver(
    [...plan.ropes.map((points, i) => ({ points, closed: plan.closed?.[i] ?? false })), ...things],
    settings,
  );
  const ropeNodes = solver.state.ropeStart[plan.ropes.length]!;
  const eyes = plan.eyes.map((e) => ({
    ...e,
    disc: solver.addEyeDisc(solver.state.ropeStart[e.rope]! + e.node, e.direction, e.radius, EYE_REACH),
  }));
  const pulls = plan.pulls.map((p) => ({
    ...p,
    pull: solver.addPull(solver.endNode(p.rope, p.end), p.direction, p.held ? 0 : DRAWING_SPEED),
    from: unit(p.direction),
  }));
  const rings = (plan.rings ?? []).map((r) => {
    const h: Haul = {
      rope: plan.ropes.length + r.thing,
      direction: unit(r.direction),
      tension: 0,
      measuredOn: 0,
      speed: HAULING_SPEED,
    };
    solver.hauls.push(h);
    return { ...r, haul: h };
  });
  const posts = (plan.posts ?? []).map((p) => solver.addPost(p.point, p.axis, p.radius, 0));
  const hands: Hands | null = plan.hands ? handsOn(solver.state, plan.hands.nodes, plan.hands.along, 0) : null;
  if (hands) solver.hands.push(hands);
  const fingers = (plan.turns ?? []).map(({ rope = 0, nodes, axis, along = 0 }): Squeeze => ({
    along,
    from: solver.state.ropeStart[rope]! + nodes[0],
    to: solver.state.ropeStart[rope]! + nodes[1],
    axis: unit(axis),
    force: 0,
  }));
  solver.squeezes.push(...fingers);
  const moment = (): Moment => ({
    ropes: plan.ropes.map((_, rope) => solver.points(rope)),
    things: things.map((_, thing) => solver.points(plan.ropes.length + thing)),
    load: [...solver.state.load.subarray(0, ropeNodes)],
  });
  const total = plan.stages.reduce((sum, s) => sum + s.duration, 0);
  // what each node bore lately: in a single step a knot may be slack
  const borne = new Float64Array(ropeNodes);
  let planned = 0;
  let reported = 0;
  let steps = 0;
  const shares: Partial<Record<Pulled, number>> = {};
  for (const stage of plan.stages) {
    Object.assign(shares, stage.shares);
    solver.friction = stage.friction;
    for (const post of posts) post.friction = stage.friction;
    for (const f of fingers) f.force = stage.squeeze ?? 0;
    for (const p of pulls) p.from = p.pull.direction;
    if (stage.wall) putWall(solver, pulls.find((p) => p.end === 'standing')!.from, borne);
    const begin = solver.time;
    const watch = stage.untilSettled ? new SettledWatch(solver) : null;
    for (let u = 0; u < 1; u = (solver.time - begin) / stage.duration) {
      if (hands) hands.stiffness = between(stage.hands ?? [0, 0], u);
      if (stage.thickness) solver.thickness = between(stage.thickness, u);
      const force = stage.force[0] + (stage.force[1] - stage.force[0]) * u;
      for (const p of pulls) {
        p.pull.force = force * (shares[p.end] ?? p.share);
        const to = stage.directions?.[p.end];
        if (to) p.pull.direction = swung(p.from, oneOf(to, p.rope), u);
      }
      for (const e of eyes) e.disc.force = force * (shares.eye ?? e.share);
      for (const r of rings) r.haul.tension = force * (shares.eye ?? r.share);
      solver.step();
      steps++;
      for (let n = 0; n < borne.length; n++)
        borne[n] = borne[n]! * LOAD_MEMORY > solver.state.load[n]! ? borne[n]! * LOAD_MEMORY : solver.state.load[n]!;
      if (solver.guardViolations > 0) throw fault('solver-passed-through');
      const done = (planned + solver.time - begin) / total;
      if (done > reported) {
        reported = done + 0.01;
        if (!onProgress(done, solver)) return null;
      }
      if (watch?.settled()) break;
    }
    if (stage.thickness) solver.thickness = stage.thickness[1];
    planned += stage.duration;
  }
  return {
    tight: moment(),
    smallestDistanceEver: solver.smallestDistanceEver,
    nodeCount: solver.state.nodeCount,
    steps,
  };
}

const between = ([a, b]: readonly [number, number], u: number): number => a + (b - a) * u;

/** The direction for a rope: the one for all, or its own. */
const oneOf = (to: Point3 | readonly Point3[], rope: number): Point3 =>
  typeof to[0] === 'number' ? (to as Point3) : (to as readonly Point3[])[rope]!;

/** Between two directions, `u` from 0 to 1. */
function swung(from: Point3, to: Point3, u: number): Point3 {
  const t = unit(to);
  return unit([from[0] * (1 - u) + t[0] * u, from[1] * (1 - u) + t[1] * u, from[2] * (1 - u) + t[2] * u]);
}

/** Centre of the knot: nodes weighted by the square of the contact force they carry. */
export function contactCentre(points: readonly Point3[], load: readonly number[]): Point3 {
  let weight = 0;
  const sum = [0, 0, 0];
  points.forEach((p, i) => {
    const w = load[i]! ** 2;
    weight += w;
    for (let c = 0; c < 3; c++) sum[c]! += w * p[c]!;
  });
  if (weight === 0)
    return scale(
      points.reduce<Point3>((a, p) => [a[0] + p[0], a[1] + p[1], a[2] + p[2]], [0, 0, 0]),
      1 / points.length,
    );
  return [sum[0]! / weight, sum[1]! / weight, sum[2]! / weight];
}
