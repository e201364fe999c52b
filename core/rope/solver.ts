/**
 * Rod solver for tightening knots. A rope is a chain of nodes of unit mass at even spacing; stretch,
 * bending, contact with Coulomb friction, and what acts from outside (things.ts), integrated by symplectic
 * Euler. Ropes have their own diameters; rings and karabiners are rigid closed ropes, a host is a rope
 * under tension with its ends held.
 * Units: diameter of the first rope d = 1, node mass 1, full load F = 1; time follows from these.
 * Valid for shape, dressing and rope used; NOT for absolute forces or for "does it hold".
 * Guard: as long as twice the largest move of a step is below the smallest centre distance, no strand
 * can have passed through another; `guardViolations` counts the steps for which that was not certain.
 */
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat32 } from 'pure-rand/distribution/uniformFloat32';
import { cross, norm, scale, subtract, unit, type Point3 } from '../curve';
import { ContactPairs } from './contactPairs';
import { bend, contact, stretch } from './forces';
import { makeState, type RopeSpec, type RopeState } from './state';
import {
  draw,
  haul,
  keep,
  lean,
  pull,
  squeeze,
  stopAt,
  type EyeDisc,
  type Hands,
  type Haul,
  type Post,
  type Pull,
  type Squeeze,
  type Wall,
} from './things';

// looked up once: in a context of its own a program pays for each look
const { floor, sqrt } = Math;

export interface SolverSettings {
  /** axial stiffness, force per unit strain, in full loads */
  readonly stretchStiffness: number;
  /** bending stiffness, full load times d squared */
  readonly bendingStiffness: number;
  /** contact stiffness, full load per d of depth */
  readonly contactStiffness: number;
  readonly timeStep: number;
  /** Verlet skin of the contact search, in d */
  readonly skin: number;
  /** largest move of a node in one step, in d */
  readonly largestMove: number;
  /** places are shaken by up to a hundredth of a diameter before the start, by this seed; 0 leaves them */
  readonly seed: number;
}

export const SOLVER_SETTINGS: SolverSettings = {
  stretchStiffness: 40,
  bendingStiffness: 0.03,
  contactStiffness: 30,
  timeStep: 0.05,
  skin: 0.35,
  largestMove: 0.1,
  seed: 0,
};

const SHAKE_ropeDiameters = 0.01;
const DRAG_LOADED = 0.003;
const DRAG_SLACK = 0.05;
const SLACK_TENSION = 0.03;

export class RopeSolver {
  readonly state: RopeState;
  readonly pulls: Pull[] = [];
  readonly discs: EyeDisc[] = [];
  readonly posts: Post[] = [];
  readonly walls: Wall[] = [];
  readonly hauls: Haul[] = [];
  readonly hands: Hands[] = [];
  readonly squeezes: Squeeze[] = [];
  friction = 0.1;
  /** share of the full diameter at which ropes bear on each other: below 1 in a thin start */
  thickness = 1;
  time = 0;
  guardViolations = 0;
  /** smallest distance of different strands ever met, as part of the sum of their radii */
  smallestDistanceEver = Infinity;
  private readonly nearest = { any: Infinity, strands: Infinity };
  private readonly pairs: ContactPairs;
  private travel = 0;

  /**
   * @param ropes the first sets the unit of length
   * @throws too-few-points, shape-not-finite
   */
  constructor(
    ropes: readonly RopeSpec[],
    readonly settings: SolverSettings = SOLVER_SETTINGS,
  ) {
    this.state = makeState(ropes, settings.stretchStiffness);
    if (settings.seed !== 0) {
      const random = xoroshiro128plus(settings.seed);
      const { x, free } = this.state;
      for (let i = 0; i < x.length; i++)
        if (free[floor(i / 3)]) x[i]! += SHAKE_ropeDiameters * (2 * uniformFloat32(random) - 1);
    }
    this.pairs = new ContactPairs(this.state, settings.skin);
    this.pairs.find();
  }

  point(node: number): Point3 {
    const { x } = this.state;
    return [x[3 * node]!, x[3 * node + 1]!, x[3 * node + 2]!];
  }

  /** Node of a rope's beginning or end. */
  endNode(rope: number, end: 'standing' | 'tail'): number {
    return end === 'standing' ? this.state.ropeStart[rope]! : this.state.ropeStart[rope + 1]! - 1;
  }

  /** Present centre-line of a rope. */
  points(rope: number): Point3[] {
    const [from, to] = [this.state.ropeStart[rope]!, this.state.ropeStart[rope + 1]!];
    return Array.from({ length: to - from }, (_, i) => this.point(from + i));
  }

  /** Adds an actuator; `speed` 0 holds the node where it is. */
  addPull(node: number, direction: Point3, speed: number): Pull {
    const q: Pull = { node, direction: unit(direction), force: 0, speed, anchor: [...this.point(node)] };
    this.pulls.push(q);
    return q;
  }

  /** Adds a disc of `radius` inside the eye whose far point is `node`; it feels `reach` nodes to either side. */
  addEyeDisc(node: number, direction: Point3, radius: number, reach: number): EyeDisc {
    const d = unit(direction);
    const a = this.point(node);
    let normal = cross(subtract(this.point(node - 12), a), subtract(this.point(node + 12), a));
    normal = norm(normal) > 1e-6 ? unit(normal) : [0, 0, 1];
    const centre = subtract(a, scale(d, radius + 0.5));
    const disc: EyeDisc = {
      centre: [...centre],
      direction: d,
      normal,
      radius: radius + 0.5,
      from: node - reach,
      to: node + reach,
      force: 0,
      speed: 0,
    };
    this.discs.push(disc);
    return disc;
  }

  addPost(point: Point3, axis: Point3, radius: number, friction: number): Post {
    const post: Post = { point, axis: unit(axis), radius, friction, slip: new Float64Array(3 * this.state.nodeCount) };
    this.posts.push(post);
    return post;
  }

  /** One step of `settings.timeStep`. */
  step(): void {
    const { state, settings } = this;
    const { timeStep: dt, contactStiffness: kn } = settings;
    state.f.fill(0);
    state.load.fill(0);
    for (const q of this.pulls) pull(state, q, dt);
    stretch(state, settings.stretchStiffness);
    bend(state, settings.bendingStiffness);
    contact(state, this.pairs, kn, this.friction, dt, this.thickness, this.nearest);
    for (const disc of this.discs) draw(state, disc, kn, dt);
    for (const post of this.posts) lean(state, post, kn, dt);
    for (const wall of this.walls) stopAt(state, wall);
    for (const h of this.hands) keep(state, h);
    for (const q of this.squeezes) squeeze(state, q);
    for (const h of this.hauls) haul(state, h);
    this.integrate();
  }

  private integrate(): void {
    const { x, v, f, tension, previous, free, nodeCount } = this.state;
    const dt = this.settings.timeStep;
    const most = this.settings.largestMove ** 2;
    let largest = 0;
    for (let n = 0; n < nodeCount; n++) {
      const i = 3 * n;
      let a = v[i]!,
        b = v[i + 1]!,
        c = v[i + 2]!;
      if (free[n]) {
        const loaded = tension[n]! > SLACK_TENSION || (previous[n]! >= 0 && tension[previous[n]!]! > SLACK_TENSION);
        const damp = 1 - (loaded ? DRAG_LOADED : DRAG_SLACK) * dt;
        a = (a + dt * f[i]!) * damp;
        b = (b + dt * f[i + 1]!) * damp;
        c = (c + dt * f[i + 2]!) * damp;
      }
      let move2 = (a * a + b * b + c * c) * dt * dt;
      if (move2 > most) {
        const cut = sqrt(most / move2);
        a *= cut;
        b *= cut;
        c *= cut;
        move2 = most;
      }
      if (move2 > largest) largest = move2;
      v[i] = a;
      v[i + 1] = b;
      v[i + 2] = c;
      x[i]! += a * dt;
      x[i + 1]! += b * dt;
      x[i + 2]! += c * dt;
    }
    const move = sqrt(largest);
    if (!(2 * move < this.nearest.any)) this.guardViolations++;
    if (this.thickness === 1 && this.nearest.strands < this.smallestDistanceEver)
      this.smallestDistanceEver = this.nearest.strands;
    this.time += dt;
    this.travel += move;
    if (this.travel > this.settings.skin * 0.45) {
      const moved = this.pairs.largestMoveSinceFound();
      if (moved > this.settings.skin * 0.4) {
        this.pairs.find();
        this.travel = 0;
      } else this.travel = moved;
    }
  }
}
