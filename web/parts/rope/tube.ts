/**
 * A rope's centre-line as a tube: frames carried without twist, occlusion by the other strands per
 * vertex (sum of cosine over squared distance, exponential), tint drifting along the rope.
 * Unit: rope diameters.
 */
import { BufferGeometry, Color, Float32BufferAttribute } from 'three';
import { arcLengths, resample, splineThrough, transportFrames, type Point3 } from '../../../core/curve';

/** One braid tile covers this much rope. */
const TILE_ROPE_DIAMETERS = 3.2;
const OCCLUSION_CELL = 2;

export interface TubeOptions {
  readonly closed: boolean;
  readonly radius: number;
  readonly sides: number;
  readonly step: number;
  /** tint at the beginning and at the end, #rrggbb, and the shares of the arc between which it drifts */
  readonly tint: readonly [string, string];
  readonly drift: readonly [number, number];
  /** points of all strands, for occlusion; empty leaves it out */
  readonly others: readonly Point3[];
}

export function finePoints(points: readonly Point3[], closed: boolean, step: number): Point3[] {
  return resample(splineThrough(closed ? [...points, points[0]!] : points, 6), step);
}

export function tube(points: readonly Point3[], o: TubeOptions): BufferGeometry {
  const frames = transportFrames(points, false);
  const s = arcLengths(points);
  const total = s.at(-1)!;
  const n = points.length;
  const width = o.sides + 1;
  const position = new Float32Array(3 * n * width);
  const normal = new Float32Array(3 * n * width);
  const uv = new Float32Array(2 * n * width);
  const colour = new Float32Array(3 * n * width);
  const grid = new Map<number, Point3[]>();
  const key = (x: number, y: number, z: number) => ((x + 500) * 1000 + (y + 500)) * 1000 + z + 500;
  for (const p of o.others) {
    const k = key(...(p.map((v) => Math.floor(v / OCCLUSION_CELL)) as [number, number, number]));
    const cell = grid.get(k);
    if (cell) cell.push(p);
    else grid.set(k, [p]);
  }
  const [a, b] = o.tint.map((t) => new Color(t)) as [Color, Color];
  const own = o.radius * 1.9;
  for (let i = 0; i < n; i++) {
    const p = points[i]!;
    const share = Math.min(1, Math.max(0, (s[i]! / total - o.drift[0]) / (o.drift[1] - o.drift[0] || 1)));
    const tint = a.clone().lerp(b, share);
    const near: Point3[] = [];
    if (o.others.length > 0) {
      const [cx, cy, cz] = p.map((v) => Math.floor(v / OCCLUSION_CELL)) as [number, number, number];
      for (let x = -1; x <= 1; x++) for (let y = -1; y <= 1; y++) for (let z = -1; z <= 1; z++)
        for (const q of grid.get(key(cx + x, cy + y, cz + z)) ?? []) if (Math.hypot(q[0] - p[0], q[1] - p[1], q[2] - p[2]) >= own) near.push(q);
    }
    for (let j = 0; j < width; j++) {
      const angle = (2 * Math.PI * j) / o.sides;
      const c = Math.cos(angle);
      const d = Math.sin(angle);
      const N = frames.normals[i]!;
      const B = frames.binormals[i]!;
      const nx = N[0] * c + B[0] * d;
      const ny = N[1] * c + B[1] * d;
      const nz = N[2] * c + B[2] * d;
      const k = i * width + j;
      const [x, y, z] = [p[0] + o.radius * nx, p[1] + o.radius * ny, p[2] + o.radius * nz];
      position.set([x, y, z], 3 * k);
      normal.set([nx, ny, nz], 3 * k);
      uv.set([s[i]! / TILE_ROPE_DIAMETERS, j / o.sides], 2 * k);
      let covered = 0;
      for (const q of near) {
        const [vx, vy, vz] = [q[0] - x, q[1] - y, q[2] - z];
        const r2 = vx * vx + vy * vy + vz * vz;
        const cos = (vx * nx + vy * ny + vz * nz) / Math.sqrt(r2);
        if (cos > 0 && r2 > 0.09) covered += (cos / r2) * 0.0248 * (o.step / 0.16);
      }
      const open = Math.max(0.17, Math.exp(-covered * 1.25));
      colour.set([tint.r * open, tint.g * open, tint.b * open], 3 * k);
    }
  }
  const index: number[] = [];
  for (let i = 0; i < n - 1; i++)
    for (let j = 0; j < o.sides; j++) {
      const k = i * width + j;
      index.push(k, k + 1, k + width, k + width, k + 1, k + width + 1);
    }
  const g = new BufferGeometry();
  g.setIndex(index);
  g.setAttribute('position', new Float32BufferAttribute(position, 3));
  g.setAttribute('normal', new Float32BufferAttribute(normal, 3));
  g.setAttribute('uv', new Float32BufferAttribute(uv, 2));
  g.setAttribute('color', new Float32BufferAttribute(colour, 3));
  return g;
}
