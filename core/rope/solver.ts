/**
 * Rod solver for tightening knots. A rope is a chain of nodes of unit mass at even spacing; stretch,
 * bending, contact with Coulomb friction (tangential springs after Cundall and Strack, 1979), soft
 * actuators at the ends, frictionless discs that draw eyes. Integrated by symplectic Euler.
 * Units: rope diameter d = 1, node mass 1, full load F = 1; time follows from these.
 * Valid for shape, dressing and rope used; NOT for absolute forces or for "does it hold".
 * Guard: as long as twice the largest move of a step is below the smallest centre distance, no strand
 * can have passed through another; `guardViolations` counts the steps for which that was not certain.
 */
import type { Point3 } from '../curve';
import { cross, dot, norm, scale, subtract, unit } from '../curve';
import { ContactPairs } from './contactPairs';

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
}

export const SOLVER_SETTINGS: SolverSettings = {
  stretchStiffness: 40,
  bendingStiffness: 0.03,
  contactStiffness: 30,
  timeStep: 0.05,
  skin: 0.35,
  largestMove: 0.1,
};

/** A soft actuator: an anchor that creeps along `direction` until its spring carries `force`. */
export interface Pull {
  readonly node: number;
  direction: Point3;
  force: number;
  readonly speed: number;
  anchor: [number, number, number];
}

/** A frictionless disc inside an eye; it pushes only the nodes `from`..`to` and is drawn along `direction`. */
export interface EyeDisc {
  centre: [number, number, number];
  readonly direction: Point3;
  readonly normal: Point3;
  readonly radius: number;
  readonly from: number;
  readonly to: number;
  force: number;
  speed: number;
}

const ACTUATOR_STIFFNESS = 0.3;
const ACTUATOR_DAMPING = 0.3;
const CURVATURE_STIFFNESS = 40;
const SMALLEST_RADIUS = 0.5;
const DAMPING_RATIO = 0.15;
const DRAG_LOADED = 0.003;
const DRAG_SLACK = 0.05;
const SLACK_TENSION = 0.03;
const TANGENTIAL_SHARE = 0.7;

export class RopeSolver {
  /** node positions, x y z per node, ropes one after another */
  readonly x: Float64Array;
  private readonly v: Float64Array;
  private readonly f: Float64Array;
  private readonly next: Int32Array;
  private readonly previous: Int32Array;
  private readonly ropeOf: Int32Array;
  readonly nodeCount: number;
  readonly ropeStart: number[] = [];
  readonly spacing: number;
  readonly pulls: Pull[] = [];
  readonly discs: EyeDisc[] = [];
  /** contact force carried by each node in the last step, in full loads */
  readonly load: Float64Array;
  friction = 0.1;
  time = 0;
  guardViolations = 0;
  smallestDistanceEver = Infinity;
  private smallestDistanceNow = Infinity;
  private readonly tension: Float64Array;
  private readonly pairs: ContactPairs;
  private travel = 0;

  /** @param ropes open centre-lines whose points are evenly spaced (0.42 to 0.45 d) */
  constructor(ropes: readonly (readonly Point3[])[], readonly settings: SolverSettings = SOLVER_SETTINGS) {
    const n = ropes.reduce((sum, r) => sum + r.length, 0);
    this.nodeCount = n;
    this.x = new Float64Array(3 * n);
    this.v = new Float64Array(3 * n);
    this.f = new Float64Array(3 * n);
    this.next = new Int32Array(n).fill(-1);
    this.previous = new Int32Array(n).fill(-1);
    this.ropeOf = new Int32Array(n);
    this.load = new Float64Array(n);
    this.tension = new Float64Array(n);
    let start = 0;
    let length = 0;
    ropes.forEach((points, rope) => {
      this.ropeStart.push(start);
      points.forEach((p, i) => {
        this.x.set(p, 3 * (start + i));
        this.ropeOf[start + i] = rope;
        if (i > 0) {
          this.next[start + i - 1] = start + i;
          this.previous[start + i] = start + i - 1;
          length += norm(subtract(p, points[i - 1]!));
        }
      });
      start += points.length;
    });
    this.spacing = length / (n - ropes.length);
    this.pairs = new ContactPairs(this.next, this.ropeOf, this.spacing, settings.skin);
    this.findPairs();
  }

  point(node: number): Point3 {
    return [this.x[3 * node]!, this.x[3 * node + 1]!, this.x[3 * node + 2]!];
  }

  /** Current centre-line of a rope. */
  points(rope: number): Point3[] {
    const end = this.ropeStart[rope + 1] ?? this.nodeCount;
    return Array.from({ length: end - this.ropeStart[rope]! }, (_, i) => this.point(this.ropeStart[rope]! + i));
  }

  /** Adds an actuator; `speed` 0 holds the node where it is. */
  addPull(node: number, direction: Point3, speed: number): Pull {
    const pull: Pull = { node, direction: unit(direction), force: 0, speed, anchor: [...this.point(node)] };
    this.pulls.push(pull);
    return pull;
  }

  /** Adds a disc of `radius` inside the eye whose far point is `node`; it feels `reach` nodes to either side. */
  addEyeDisc(node: number, direction: Point3, radius: number, reach: number): EyeDisc {
    const d = unit(direction);
    const a = this.point(node);
    let normal = cross(subtract(this.point(node - 12), a), subtract(this.point(node + 12), a));
    normal = norm(normal) > 1e-6 ? unit(normal) : [0, 0, 1];
    const centre = subtract(a, scale(d, radius + 0.5));
    const disc: EyeDisc = { centre: [...centre], direction: d, normal, radius: radius + 0.5, from: node - reach, to: node + reach, force: 0, speed: 0 };
    this.discs.push(disc);
    return disc;
  }

  private findPairs(): void {
    this.pairs.find(this.x);
    this.travel = 0;
  }

  /** One step of `settings.timeStep`. */
  step(): void {
    this.f.fill(0);
    this.load.fill(0);
    this.applyPulls();
    this.applyStretch();
    this.applyBending();
    this.applyContacts();
    this.applyDiscs();
    this.integrate();
  }

  private applyPulls(): void {
    const { x, v, f } = this;
    const dt = this.settings.timeStep;
    for (const q of this.pulls) {
      const i = 3 * q.node;
      const [dx, dy, dz] = q.direction;
      const ex = q.anchor[0] - x[i]!;
      const ey = q.anchor[1] - x[i + 1]!;
      const ez = q.anchor[2] - x[i + 2]!;
      const carried = ACTUATOR_STIFFNESS * (ex * dx + ey * dy + ez * dz);
      const speed = q.speed * Math.max(-1, Math.min(1, (q.force - carried) / (0.05 + 0.15 * Math.abs(q.force))));
      q.anchor[0] += dx * speed * dt;
      q.anchor[1] += dy * speed * dt;
      q.anchor[2] += dz * speed * dt;
      f[i]! += ACTUATOR_STIFFNESS * ex + ACTUATOR_DAMPING * (dx * speed - v[i]!);
      f[i + 1]! += ACTUATOR_STIFFNESS * ey + ACTUATOR_DAMPING * (dy * speed - v[i + 1]!);
      f[i + 2]! += ACTUATOR_STIFFNESS * ez + ACTUATOR_DAMPING * (dz * speed - v[i + 2]!);
    }
  }

  private applyStretch(): void {
    const { x, v, f, next, tension, spacing } = this;
    const stiffness = this.settings.stretchStiffness / spacing;
    const damping = 2 * DAMPING_RATIO * Math.sqrt(stiffness);
    for (let n = 0; n < this.nodeCount; n++) {
      if (next[n]! < 0) continue;
      const i = 3 * n;
      const j = 3 * next[n]!;
      const dx = x[j]! - x[i]!;
      const dy = x[j + 1]! - x[i + 1]!;
      const dz = x[j + 2]! - x[i + 2]!;
      const length = Math.sqrt(dx * dx + dy * dy + dz * dz);
      const rate = ((v[j]! - v[i]!) * dx + (v[j + 1]! - v[i + 1]!) * dy + (v[j + 2]! - v[i + 2]!) * dz) / length;
      const t = stiffness * (length - spacing);
      tension[n] = t;
      const g = (t + damping * rate) / length;
      f[i]! += g * dx;
      f[i + 1]! += g * dy;
      f[i + 2]! += g * dz;
      f[j]! -= g * dx;
      f[j + 1]! -= g * dy;
      f[j + 2]! -= g * dz;
    }
  }

  private applyBending(): void {
    const { x, v, f, next, previous, spacing: h } = this;
    const kb = this.settings.bendingStiffness / (h * h * h);
    const cb = DAMPING_RATIO * Math.sqrt(kb);
    const shortest = 2 * h * Math.cos(Math.min(1.4, h / (2 * SMALLEST_RADIUS)));
    for (let n = 0; n < this.nodeCount; n++) {
      if (previous[n]! < 0 || next[n]! < 0) continue;
      const a = 3 * previous[n]!;
      const i = 3 * n;
      const b = 3 * next[n]!;
      let chord2 = 0;
      for (let c = 0; c < 3; c++) {
        const l = kb * (x[a + c]! - 2 * x[i + c]! + x[b + c]!) + cb * (v[a + c]! - 2 * v[i + c]! + v[b + c]!);
        f[a + c]! -= l;
        f[i + c]! += 2 * l;
        f[b + c]! -= l;
        const d = x[b + c]! - x[a + c]!;
        chord2 += d * d;
      }
      if (chord2 < shortest * shortest) {
        const chord = Math.sqrt(chord2);
        const g = (CURVATURE_STIFFNESS * (shortest - chord)) / chord;
        for (let c = 0; c < 3; c++) {
          const d = g * (x[b + c]! - x[a + c]!);
          f[a + c]! -= d;
          f[b + c]! += d;
        }
      }
    }
  }

  private applyContacts(): void {
    const { x, v, f, next, load, friction: mu } = this;
    const { slip: pairSlip, active: pairActive } = this.pairs;
    const kn = this.settings.contactStiffness;
    const kt = TANGENTIAL_SHARE * kn;
    const cn = 2 * DAMPING_RATIO * Math.sqrt(kn * 0.5);
    const ct = 2 * DAMPING_RATIO * Math.sqrt(kt * 0.5);
    const dt = this.settings.timeStep;
    const far = this.spacing * 1.08;
    let smallest = Infinity;
    for (let k = 0; k < this.pairs.count; k++) {
      const ia = this.pairs.a[k]!;
      const ib = this.pairs.b[k]!;
      const A = 3 * ia;
      const B = 3 * next[ia]!;
      const C = 3 * ib;
      const D = 3 * next[ib]!;
      const K = 3 * k;
      const ux = x[B]! - x[A]!, uy = x[B + 1]! - x[A + 1]!, uz = x[B + 2]! - x[A + 2]!;
      const wx = x[D]! - x[C]!, wy = x[D + 1]! - x[C + 1]!, wz = x[D + 2]! - x[C + 2]!;
      const rx = x[A]! - x[C]!, ry = x[A + 1]! - x[C + 1]!, rz = x[A + 2]! - x[C + 2]!;
      const reach = this.pairs.reach[k]!;
      const mx = rx + 0.5 * (ux - wx), my = ry + 0.5 * (uy - wy), mz = rz + 0.5 * (uz - wz);
      const limit = reach + far;
      if (mx * mx + my * my + mz * mz > limit * limit) {
        if (pairActive[k]) { pairActive[k] = 0; pairSlip[K] = pairSlip[K + 1] = pairSlip[K + 2] = 0; }
        continue;
      }
      const a = ux * ux + uy * uy + uz * uz, e = wx * wx + wy * wy + wz * wz, b = ux * wx + uy * wy + uz * wz;
      const c = ux * rx + uy * ry + uz * rz, g = wx * rx + wy * ry + wz * rz;
      const den = a * e - b * b;
      let s = den > 1e-9 * a * e ? Math.min(1, Math.max(0, (b * g - c * e) / den)) : 0.5;
      let t = (b * s + g) / e;
      if (t < 0) { t = 0; s = Math.min(1, Math.max(0, -c / a)); }
      else if (t > 1) { t = 1; s = Math.min(1, Math.max(0, (b - c) / a)); }
      let nx = rx + s * ux - t * wx, ny = ry + s * uy - t * wy, nz = rz + s * uz - t * wz;
      const d2 = nx * nx + ny * ny + nz * nz;
      if (d2 >= reach * reach) {
        if (pairActive[k]) { pairActive[k] = 0; pairSlip[K] = pairSlip[K + 1] = pairSlip[K + 2] = 0; }
        continue;
      }
      const d = Math.sqrt(d2);
      const inverse = 1 / (d + 1e-12);
      nx *= inverse; ny *= inverse; nz *= inverse;
      if (d < smallest) smallest = d;
      const weight = (s <= 0 || s >= 1 ? 0.5 : 1) * (t <= 0 || t >= 1 ? 0.5 : 1);
      const s1 = 1 - s, t1 = 1 - t;
      let vx = s1 * v[A]! + s * v[B]! - t1 * v[C]! - t * v[D]!;
      let vy = s1 * v[A + 1]! + s * v[B + 1]! - t1 * v[C + 1]! - t * v[D + 1]!;
      let vz = s1 * v[A + 2]! + s * v[B + 2]! - t1 * v[C + 2]! - t * v[D + 2]!;
      const vn = vx * nx + vy * ny + vz * nz;
      const N = Math.max(0, weight * (kn * (reach - d) - cn * vn));
      vx -= vn * nx; vy -= vn * ny; vz -= vn * nz;
      let fx = N * nx, fy = N * ny, fz = N * nz;
      if (mu > 0) {
        let sx = pairSlip[K]! + vx * dt, sy = pairSlip[K + 1]! + vy * dt, sz = pairSlip[K + 2]! + vz * dt;
        const sn = sx * nx + sy * ny + sz * nz;
        sx -= sn * nx; sy -= sn * ny; sz -= sn * nz;
        const ktw = kt * weight, ctw = ct * weight;
        let tx = -ktw * sx - ctw * vx, ty = -ktw * sy - ctw * vy, tz = -ktw * sz - ctw * vz;
        const size = Math.sqrt(tx * tx + ty * ty + tz * tz);
        if (size > mu * N) {
          const cut = size > 0 ? (mu * N) / size : 0;
          tx *= cut; ty *= cut; tz *= cut;
          sx = -tx / ktw; sy = -ty / ktw; sz = -tz / ktw;
        }
        pairSlip[K] = sx; pairSlip[K + 1] = sy; pairSlip[K + 2] = sz;
        fx += tx; fy += ty; fz += tz;
      }
      pairActive[k] = 1;
      load[ia]! += N;
      load[ib]! += N;
      f[A]! += s1 * fx; f[A + 1]! += s1 * fy; f[A + 2]! += s1 * fz;
      f[B]! += s * fx; f[B + 1]! += s * fy; f[B + 2]! += s * fz;
      f[C]! -= t1 * fx; f[C + 1]! -= t1 * fy; f[C + 2]! -= t1 * fz;
      f[D]! -= t * fx; f[D + 1]! -= t * fy; f[D + 2]! -= t * fz;
    }
    this.smallestDistanceNow = smallest;
  }

  private applyDiscs(): void {
    const { f } = this;
    const dt = this.settings.timeStep;
    for (const disc of this.discs) {
      let back = 0;
      for (let n = disc.from; n <= disc.to; n++) {
        const p = subtract(this.point(n), disc.centre);
        const off = dot(p, disc.normal);
        const inPlane = subtract(p, scale(disc.normal, off));
        const r = norm(inPlane);
        if (r >= disc.radius || r === 0) continue;
        const push = (this.settings.contactStiffness * (disc.radius - r)) / r;
        for (let c = 0; c < 3; c++) {
          f[3 * n + c]! += push * inPlane[c]! - 0.05 * off * disc.normal[c]!;
          back -= push * inPlane[c]! * disc.direction[c]!;
        }
      }
      disc.speed = Math.max(-0.2, Math.min(0.2, (disc.speed + (dt * (disc.force + back)) / 8) * (1 - 0.1 * dt)));
      for (let c = 0; c < 3; c++) disc.centre[c]! += dt * disc.speed * disc.direction[c]!;
    }
  }

  private integrate(): void {
    const { x, v, f, tension, previous } = this;
    const dt = this.settings.timeStep;
    const most = this.settings.largestMove ** 2;
    let largest = 0;
    for (let n = 0; n < this.nodeCount; n++) {
      const i = 3 * n;
      const loaded = tension[n]! > SLACK_TENSION || (previous[n]! >= 0 && tension[previous[n]!]! > SLACK_TENSION);
      const damp = 1 - (loaded ? DRAG_LOADED : DRAG_SLACK) * dt;
      let a = (v[i]! + dt * f[i]!) * damp, b = (v[i + 1]! + dt * f[i + 1]!) * damp, c = (v[i + 2]! + dt * f[i + 2]!) * damp;
      let move2 = (a * a + b * b + c * c) * dt * dt;
      if (move2 > most) {
        const cut = Math.sqrt(most / move2);
        a *= cut; b *= cut; c *= cut;
        move2 = most;
      }
      if (move2 > largest) largest = move2;
      v[i] = a; v[i + 1] = b; v[i + 2] = c;
      x[i]! += a * dt; x[i + 1]! += b * dt; x[i + 2]! += c * dt;
    }
    const move = Math.sqrt(largest);
    if (2 * move >= this.smallestDistanceNow) this.guardViolations++;
    if (this.smallestDistanceNow < this.smallestDistanceEver) this.smallestDistanceEver = this.smallestDistanceNow;
    this.time += dt;
    this.travel += move;
    if (this.travel > this.settings.skin * 0.45) {
      const moved = this.pairs.largestMoveSinceFound(x);
      if (moved > this.settings.skin * 0.4) this.findPairs();
      else this.travel = moved;
    }
  }
}
