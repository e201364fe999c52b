/**
 * Forces inside the ropes and between them: stretch, bending with a smallest radius, contact with Coulomb
 * friction by tangential springs (Cundall and Strack, 1979). Each adds to the forces of the state.
 */
import type { ContactPairs } from './contactPairs';
import type { RopeState } from './state';

// looked up once: in a context of its own a program pays for each look
const { abs, cos, max, min, sqrt } = Math;

const CURVATURE_STIFFNESS = 40;
/** smallest radius of a bend, in diameters of the rope */
const SMALLEST_RADIUS = 0.5;
/** stiffest bending that the time step bears, for thick ropes */
const MOST_BENDING = 1.5;
const DAMPING_RATIO = 0.15;
const TANGENTIAL_SHARE = 0.7;

/** @param stiffness force per unit strain, full loads */
export function stretch(state: RopeState, stiffness: number): void {
  const { x, v, f, next, tension, rest, free } = state;
  // the same along a rope
  let h = 0,
    k = 0,
    c = 0;
  for (let n = 0; n < state.nodeCount; n++) {
    const m = next[n]!;
    if (m < 0 || (!free[n] && !free[m])) continue;
    const i = 3 * n;
    const j = 3 * m;
    if (rest[n] !== h) {
      h = rest[n]!;
      k = stiffness / h;
      c = 2 * DAMPING_RATIO * sqrt(k);
    }
    const dx = x[j]! - x[i]!,
      dy = x[j + 1]! - x[i + 1]!,
      dz = x[j + 2]! - x[i + 2]!;
    const length = sqrt(dx * dx + dy * dy + dz * dz);
    const rate = ((v[j]! - v[i]!) * dx + (v[j + 1]! - v[i + 1]!) * dy + (v[j + 2]! - v[i + 2]!) * dz) / length;
    const t = k * (length - h);
    tension[n] = t;
    const g = (t + c * rate) / length;
    f[i]! += g * dx;
    f[i + 1]! += g * dy;
    f[i + 2]! += g * dz;
    f[j]! -= g * dx;
    f[j + 1]! -= g * dy;
    f[j + 2]! -= g * dz;
  }
}

/** @param stiffness bending stiffness of the first rope, full load times d squared; it grows with the fourth power of the diameter */
export function bend(state: RopeState, stiffness: number): void {
  const { x, v, f, next, previous, rest, radius, free } = state;
  // the same along a rope
  let h = 0,
    d = 0,
    kb = 0,
    cb = 0,
    shortest = 0;
  for (let n = 0; n < state.nodeCount; n++) {
    const p = previous[n]!,
      q = next[n]!;
    if (p < 0 || q < 0 || (!free[n] && !free[p])) continue;
    const a = 3 * p,
      i = 3 * n,
      b = 3 * q;
    if (rest[n] !== h || 2 * radius[n]! !== d) {
      h = rest[n]!;
      d = 2 * radius[n]!;
      kb = min(MOST_BENDING, (stiffness * d * d * d * d) / (h * h * h));
      cb = DAMPING_RATIO * sqrt(kb);
      shortest = 2 * h * cos(min(1.4, h / (2 * SMALLEST_RADIUS * d)));
    }
    const ax = x[a]!,
      ay = x[a + 1]!,
      az = x[a + 2]!,
      bx = x[b]!,
      by = x[b + 1]!,
      bz = x[b + 2]!;
    const lx = kb * (ax - 2 * x[i]! + bx) + cb * (v[a]! - 2 * v[i]! + v[b]!);
    const ly = kb * (ay - 2 * x[i + 1]! + by) + cb * (v[a + 1]! - 2 * v[i + 1]! + v[b + 1]!);
    const lz = kb * (az - 2 * x[i + 2]! + bz) + cb * (v[a + 2]! - 2 * v[i + 2]! + v[b + 2]!);
    f[i]! += 2 * lx;
    f[i + 1]! += 2 * ly;
    f[i + 2]! += 2 * lz;
    const ex = bx - ax,
      ey = by - ay,
      ez = bz - az;
    const chord2 = ex * ex + ey * ey + ez * ez;
    // a bend sharper than the rope can take springs open
    const chord = chord2 < shortest * shortest ? sqrt(chord2) : shortest;
    const g = chord < shortest ? (CURVATURE_STIFFNESS * (shortest - chord)) / chord : 0;
    f[a]! -= lx + g * ex;
    f[a + 1]! -= ly + g * ey;
    f[a + 2]! -= lz + g * ez;
    f[b]! -= lx - g * ex;
    f[b + 1]! -= ly - g * ey;
    f[b + 2]! -= lz - g * ez;
  }
}

export interface Nearest {
  /** smallest distance of any two segments that bear on each other */
  any: number;
  /** the same between different strands only, as part of the sum of their radii */
  strands: number;
}

/**
 * Contact between segments.
 * @param thickness share of the full diameter, 1 once a thin start has grown
 * @param nearest is filled in
 */
export function contact(
  state: RopeState,
  pairs: ContactPairs,
  stiffness: number,
  friction: number,
  timeStep: number,
  thickness: number,
  nearest: Nearest,
): void {
  const { x, v, f, next, load, rest, thing } = state;
  const { a: first, b: second, reach: full, apart, slip, active, middle } = pairs;
  const kn = stiffness;
  const kt = TANGENTIAL_SHARE * kn;
  const cn = 2 * DAMPING_RATIO * sqrt(kn * 0.5);
  const ct = 2 * DAMPING_RATIO * sqrt(kt * 0.5);
  for (let n = 0; n < state.nodeCount; n++) {
    const i = 3 * n,
      j = 3 * next[n]!;
    if (j < 0) continue;
    middle[i] = 0.5 * (x[i]! + x[j]!);
    middle[i + 1] = 0.5 * (x[i + 1]! + x[j + 1]!);
    middle[i + 2] = 0.5 * (x[i + 2]! + x[j + 2]!);
  }
  let any = Infinity,
    strands = Infinity;
  for (let k = 0; k < pairs.count; k++) {
    const ia = first[k]!,
      ib = second[k]!;
    const A = 3 * ia,
      C = 3 * ib,
      K = 3 * k;
    const mx = middle[A]! - middle[C]!,
      my = middle[A + 1]! - middle[C + 1]!,
      mz = middle[A + 2]! - middle[C + 2]!;
    const reach = full[k]! * thickness;
    const limit = reach + 0.54 * (rest[ia]! + rest[ib]!);
    const m2 = mx * mx + my * my + mz * mz;
    if (m2 > limit * limit) {
      if (active[k]) {
        active[k] = 0;
        slip[K] = slip[K + 1] = slip[K + 2] = 0;
      }
      continue;
    }
    const B = 3 * next[ia]!,
      D = 3 * next[ib]!;
    const ux = x[B]! - x[A]!,
      uy = x[B + 1]! - x[A + 1]!,
      uz = x[B + 2]! - x[A + 2]!;
    const wx = x[D]! - x[C]!,
      wy = x[D + 1]! - x[C + 1]!,
      wz = x[D + 2]! - x[C + 2]!;
    // the segments reach toward each other by no more than their shadows on the line of their middles
    if (m2 - 0.5 * (abs(ux * mx + uy * my + uz * mz) + abs(wx * mx + wy * my + wz * mz)) > reach * sqrt(m2)) {
      if (active[k]) {
        active[k] = 0;
        slip[K] = slip[K + 1] = slip[K + 2] = 0;
      }
      continue;
    }
    const rx = x[A]! - x[C]!,
      ry = x[A + 1]! - x[C + 1]!,
      rz = x[A + 2]! - x[C + 2]!;
    const a = ux * ux + uy * uy + uz * uz,
      e = wx * wx + wy * wy + wz * wz,
      b = ux * wx + uy * wy + uz * wz;
    const c = ux * rx + uy * ry + uz * rz,
      g = wx * rx + wy * ry + wz * rz;
    const den = a * e - b * b;
    let s = den > 1e-9 * a * e ? min(1, max(0, (b * g - c * e) / den)) : 0.5;
    let t = (b * s + g) / e;
    if (t < 0) {
      t = 0;
      s = min(1, max(0, -c / a));
    } else if (t > 1) {
      t = 1;
      s = min(1, max(0, (b - c) / a));
    }
    let nx = rx + s * ux - t * wx,
      ny = ry + s * uy - t * wy,
      nz = rz + s * uz - t * wz;
    const d2 = nx * nx + ny * ny + nz * nz;
    if (d2 >= reach * reach) {
      if (active[k]) {
        active[k] = 0;
        slip[K] = slip[K + 1] = slip[K + 2] = 0;
      }
      continue;
    }
    const d = sqrt(d2);
    const inverse = 1 / (d + 1e-12);
    nx *= inverse;
    ny *= inverse;
    nz *= inverse;
    if (d < any) any = d;
    if (apart[k] && d / reach < strands) strands = d / reach;
    const weight = (s <= 0 || s >= 1 ? 0.5 : 1) * (t <= 0 || t >= 1 ? 0.5 : 1);
    const s1 = 1 - s,
      t1 = 1 - t;
    let vx = s1 * v[A]! + s * v[B]! - t1 * v[C]! - t * v[D]!;
    let vy = s1 * v[A + 1]! + s * v[B + 1]! - t1 * v[C + 1]! - t * v[D + 1]!;
    let vz = s1 * v[A + 2]! + s * v[B + 2]! - t1 * v[C + 2]! - t * v[D + 2]!;
    const vn = vx * nx + vy * ny + vz * nz;
    const N = max(0, weight * (kn * (reach - d) - cn * vn));
    vx -= vn * nx;
    vy -= vn * ny;
    vz -= vn * nz;
    let fx = N * nx,
      fy = N * ny,
      fz = N * nz;
    if (friction > 0) {
      let sx = slip[K]! + vx * timeStep,
        sy = slip[K + 1]! + vy * timeStep,
        sz = slip[K + 2]! + vz * timeStep;
      const sn = sx * nx + sy * ny + sz * nz;
      sx -= sn * nx;
      sy -= sn * ny;
      sz -= sn * nz;
      const ktw = kt * weight,
        ctw = ct * weight;
      let tx = -ktw * sx - ctw * vx,
        ty = -ktw * sy - ctw * vy,
        tz = -ktw * sz - ctw * vz;
      const size = sqrt(tx * tx + ty * ty + tz * tz);
      if (size > friction * N) {
        const cut = size > 0 ? (friction * N) / size : 0;
        tx *= cut;
        ty *= cut;
        tz *= cut;
        sx = -tx / ktw;
        sy = -ty / ktw;
        sz = -tz / ktw;
      }
      slip[K] = sx;
      slip[K + 1] = sy;
      slip[K + 2] = sz;
      fx += tx;
      fy += ty;
      fz += tz;
    }
    active[k] = 1;
    if (!thing[ia] && !thing[ib]) {
      load[ia]! += N;
      load[ib]! += N;
    }
    f[A]! += s1 * fx;
    f[A + 1]! += s1 * fy;
    f[A + 2]! += s1 * fz;
    f[B]! += s * fx;
    f[B + 1]! += s * fy;
    f[B + 2]! += s * fz;
    f[C]! -= t1 * fx;
    f[C + 1]! -= t1 * fy;
    f[C + 2]! -= t1 * fz;
    f[D]! -= t * fx;
    f[D + 1]! -= t * fy;
    f[D + 2]! -= t * fz;
  }
  nearest.any = any;
  nearest.strands = strands;
}
