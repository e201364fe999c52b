/**
 * What acts on the ropes from outside: soft pulls at ends, discs that draw eyes, posts, a wall with a hole,
 * rigid rings hauled along, hands that keep wraps in their place. Each is a small state and one function
 * that adds its force; units as in the solver.
 */
import { dot, norm, scale, subtract, unit, type Point3 } from '../curve';
import type { RopeState } from './state';

// looked up once: in a context of its own a program pays for each look
const { abs, max, min, sqrt } = Math;

/** A soft actuator: an anchor that creeps along `direction` until its spring carries `force`. */
export interface Pull {
  readonly node: number;
  direction: Point3;
  force: number;
  readonly speed: number;
  anchor: [number, number, number];
}
const ACTUATOR_STIFFNESS = 0.3;
const ACTUATOR_DAMPING = 0.3;

export function pull(state: RopeState, q: Pull, timeStep: number): void {
  const { x, v, f } = state;
  const i = 3 * q.node;
  const [dx, dy, dz] = q.direction;
  const ex = q.anchor[0] - x[i]!,
    ey = q.anchor[1] - x[i + 1]!,
    ez = q.anchor[2] - x[i + 2]!;
  const carried = ACTUATOR_STIFFNESS * (ex * dx + ey * dy + ez * dz);
  const speed = q.speed * max(-1, min(1, (q.force - carried) / (0.05 + 0.15 * abs(q.force))));
  q.anchor[0] += dx * speed * timeStep;
  q.anchor[1] += dy * speed * timeStep;
  q.anchor[2] += dz * speed * timeStep;
  f[i]! += ACTUATOR_STIFFNESS * ex + ACTUATOR_DAMPING * (dx * speed - v[i]!);
  f[i + 1]! += ACTUATOR_STIFFNESS * ey + ACTUATOR_DAMPING * (dy * speed - v[i + 1]!);
  f[i + 2]! += ACTUATOR_STIFFNESS * ez + ACTUATOR_DAMPING * (dz * speed - v[i + 2]!);
}

/** A frictionless disc inside an eye; it pushes only the nodes `from`..`to` and is drawn along `direction`. */
export interface EyeDisc {
  centre: [number, number, number];
  readonly direction: Point3;
  readonly normal: Point3;
  /** to the rope's centre-line */
  readonly radius: number;
  readonly from: number;
  readonly to: number;
  force: number;
  speed: number;
}

export function draw(state: RopeState, disc: EyeDisc, stiffness: number, timeStep: number): void {
  const { x, f } = state;
  let back = 0;
  for (let n = disc.from; n <= disc.to; n++) {
    const p: Point3 = [x[3 * n]! - disc.centre[0], x[3 * n + 1]! - disc.centre[1], x[3 * n + 2]! - disc.centre[2]];
    const off = dot(p, disc.normal);
    const inPlane = subtract(p, scale(disc.normal, off));
    const r = norm(inPlane);
    if (r >= disc.radius || r === 0) continue;
    const push = (stiffness * (disc.radius - r)) / r;
    for (let c = 0; c < 3; c++) {
      f[3 * n + c]! += push * inPlane[c]! - 0.05 * off * disc.normal[c]!;
      back -= push * inPlane[c]! * disc.direction[c]!;
    }
  }
  disc.speed = max(-0.2, min(0.2, (disc.speed + (timeStep * (disc.force + back)) / 8) * (1 - 0.1 * timeStep)));
  for (let c = 0; c < 3; c++) disc.centre[c]! += timeStep * disc.speed * disc.direction[c]!;
}

/** A round post that does not move, endless along its axis, with Coulomb friction. It is felt by nodes. */
export interface Post {
  readonly point: Point3;
  /** unit vector */
  readonly axis: Point3;
  readonly radius: number;
  friction: number;
  /** tangential spring, three values a node */
  readonly slip: Float64Array;
}

export function lean(state: RopeState, post: Post, stiffness: number, timeStep: number): void {
  const { x, v, f, load, radius, free } = state;
  const kt = 0.7 * stiffness;
  for (let n = 0; n < state.nodeCount; n++) {
    if (!free[n]) continue;
    const i = 3 * n;
    const p: Point3 = [x[i]! - post.point[0], x[i + 1]! - post.point[1], x[i + 2]! - post.point[2]];
    const out = subtract(p, scale(post.axis, dot(p, post.axis)));
    const r = norm(out);
    const depth = post.radius + radius[n]! - r;
    if (depth <= 0 || r === 0) {
      post.slip[i] = post.slip[i + 1] = post.slip[i + 2] = 0;
      continue;
    }
    const normal = scale(out, 1 / r);
    const speed: Point3 = [v[i]!, v[i + 1]!, v[i + 2]!];
    const towards = dot(speed, normal);
    const bearing = max(0, stiffness * depth - 0.3 * sqrt(stiffness) * towards);
    let size2 = 0;
    const side = [0, 0, 0];
    const stored = [post.slip[i]!, post.slip[i + 1]!, post.slip[i + 2]!] as const;
    const along = dot(stored, normal);
    for (let c = 0; c < 3; c++) {
      const sliding = speed[c]! - towards * normal[c]!;
      post.slip[i + c] = stored[c]! - along * normal[c]! + sliding * timeStep;
      side[c] = -kt * post.slip[i + c]! - 0.3 * sqrt(kt) * sliding;
      size2 += side[c]! ** 2;
    }
    const most = post.friction * bearing;
    const cut = size2 > most * most ? most / sqrt(size2) : 1;
    for (let c = 0; c < 3; c++) {
      if (cut < 1) post.slip[i + c] = (-side[c]! * cut) / kt;
      f[i + c]! += bearing * normal[c]! + side[c]! * cut;
    }
    load[n]! += bearing;
  }
}

/** A wall with a hole for the standing part: what a stopper is drawn against. It is felt by the nodes `from`..`to`. */
export interface Wall {
  readonly point: Point3;
  /** unit vector, from the wall towards the knot */
  readonly normal: Point3;
  readonly holeRadius: number;
  readonly from: number;
  readonly to: number;
}
const WALL_STIFFNESS = 4;

export function stopAt(state: RopeState, wall: Wall): void {
  const { x, f, radius } = state;
  for (let n = wall.from; n <= wall.to; n++) {
    const i = 3 * n;
    const p: Point3 = [x[i]! - wall.point[0], x[i + 1]! - wall.point[1], x[i + 2]! - wall.point[2]];
    const off = dot(p, wall.normal);
    const depth = radius[n]! - off;
    if (depth <= 0 || depth > 2 * radius[n]! || norm(subtract(p, scale(wall.normal, off))) < wall.holeRadius) continue;
    for (let c = 0; c < 3; c++) f[i + c]! += WALL_STIFFNESS * min(radius[n]!, depth) * wall.normal[c]!;
  }
}

/** A rigid rope (ring, karabiner) moved along `direction` until the mean tension of a rope is `tension`. */
export interface Haul {
  readonly rope: number;
  readonly direction: Point3;
  tension: number;
  readonly measuredOn: number;
  readonly speed: number;
}

export function haul(state: RopeState, h: Haul): void {
  const { ropeStart, tension, v } = state;
  const [from, to] = [ropeStart[h.measuredOn]!, ropeStart[h.measuredOn + 1]!];
  let sum = 0;
  for (let n = from; n < to; n++) sum += max(0, tension[n]!);
  const mean = sum / (to - from);
  const speed = h.tension > 0 ? h.speed * max(-1, min(1, (h.tension - mean) / (0.3 * h.tension))) : 0;
  for (let n = ropeStart[h.rope]!; n < ropeStart[h.rope + 1]!; n++)
    for (let c = 0; c < 3; c++) v[3 * n + c] = speed * h.direction[c]!;
}

/** Hands that keep nodes where they lay, along one direction only or in all. */
export interface Hands {
  readonly nodes: readonly number[];
  readonly places: readonly Point3[];
  /** unit vector; null keeps them in every direction */
  readonly along: Point3 | null;
  /** force per diameter */
  stiffness: number;
}

/** Hands laid on nodes where they are now. */
export const handsOn = (
  state: RopeState,
  nodes: readonly number[],
  along: Point3 | null,
  stiffness: number,
): Hands => ({
  nodes,
  places: nodes.map((n): Point3 => [state.x[3 * n]!, state.x[3 * n + 1]!, state.x[3 * n + 2]!]),
  along: along && unit(along),
  stiffness,
});

export function keep(state: RopeState, hands: Hands): void {
  const { x, f } = state;
  hands.nodes.forEach((n, k) => {
    const place = hands.places[k]!;
    const off: Point3 = [place[0] - x[3 * n]!, place[1] - x[3 * n + 1]!, place[2] - x[3 * n + 2]!];
    const e = hands.along ? scale(hands.along, dot(off, hands.along)) : off;
    for (let c = 0; c < 3; c++) f[3 * n + c]! += hands.stiffness * e[c]!;
  });
}

/** Fingers that push turns together along an axis, towards the middle of their nodes, and may push all of them along it. */
export interface Squeeze {
  readonly from: number;
  readonly to: number;
  /** unit vector */
  readonly axis: Point3;
  /** force on a node that lies a diameter or more from the middle */
  force: number;
  /** force on every node along the axis, as share of `force` */
  readonly along: number;
}

export function squeeze(state: RopeState, q: Squeeze): void {
  const { x, f } = state;
  const height = (n: number) => x[3 * n]! * q.axis[0] + x[3 * n + 1]! * q.axis[1] + x[3 * n + 2]! * q.axis[2];
  let middle = 0;
  for (let n = q.from; n <= q.to; n++) middle += height(n) / (q.to - q.from + 1);
  let sum = 0;
  const push: number[] = [];
  for (let n = q.from; n <= q.to; n++) {
    push.push(q.force * max(-1, min(1, middle - height(n))));
    sum += push.at(-1)!;
  }
  // the two hands push equally: by themselves they do not carry the knot along
  const even = sum / push.length;
  push.forEach((value, k) => {
    for (let c = 0; c < 3; c++) f[3 * (q.from + k) + c]! += (value - even + q.along * q.force) * q.axis[c]!;
  });
}
