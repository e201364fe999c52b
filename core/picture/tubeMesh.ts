/**
 * A rope's centre-line as a tube for 3D: frames carried without twist, occlusion by the other strands per vertex
 * (sum of cosine over squared distance, exponential), tint drifting along the rope. Flat arrays, ready for a
 * graphics library or a file. Unit: rope diameters.
 */
import { arcLengths, resample, splineThrough, transportFrames, type Point3 } from '../curve';
import { isRope } from './component';
import type { TubeMesh } from './mesh';
import { ribbonMesh, type Tape } from './ribbon';
import { PICTURE_THEMES, strandTints, type PictureTheme } from './tokens';

/** One braid tile covers this much rope. */
const TILE_ROPE_DIAMETERS = 3.2;
const OCCLUSION_REACH = 2;
/** weight of a stretch of strand of one diameter; fitted by eye so that a strand between two others is half dark */
const OCCLUSION_WEIGHT = 0.155;
const DARKEST = 0.17;

export interface TubeSettings {
  readonly closed: boolean;
  readonly radius: number;
  readonly sides: number;
  /** distance of rings along the rope */
  readonly step: number;
  /** tint at the beginning and at the end, #rrggbb, and the shares of the arc between which it drifts */
  readonly tint: readonly [string, string];
  readonly drift: readonly [number, number];
  /** a stretch with a tint of its own, by shares of the arc: a karabiner's gate */
  readonly gate?: { readonly from: number; readonly to: number; readonly tint: string } | undefined;
  /** centre-line points of all strands, evenly spaced by `othersStep`, for occlusion; empty leaves it out */
  readonly others: readonly Point3[];
  readonly othersStep: number;
}

/** Evenly spaced points along a smooth line through the given ones. */
export function finePoints(points: readonly Point3[], closed: boolean, step: number): Point3[] {
  return resample(splineThrough(closed ? [...points, points[0]!] : points, 6), step);
}

/** Linear colour of a #rrggbb tint (IEC 61966-2-1). */
export function linearColour(hex: string): [number, number, number] {
  const channel = (i: number) => {
    const c = parseInt(hex.slice(i, i + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  };
  return [channel(1), channel(3), channel(5)];
}

/** A component as far as its tube needs it. */
export interface TubeComponent {
  readonly role: string;
  readonly closed: boolean;
  readonly diameter: number;
  readonly points: readonly Point3[];
  readonly tape?: Tape | undefined;
  readonly marks?:
    | {
        readonly standing?: readonly [number, number] | undefined;
        readonly tail?: readonly [number, number] | undefined;
        readonly gate?: readonly [number, number] | undefined;
      }
    | undefined;
}

/** Spacing of the points that darken what lies near them. */
const OCCLUDERS_STEP = 0.4;

/** What darkens the ropes of a shape: points along all of them. */
export const occluders = (components: readonly TubeComponent[]): Point3[] =>
  components.filter(isRope).flatMap((c) => finePoints(c.points, c.closed, OCCLUDERS_STEP));

/** How the tube of a component looks in a theme. @param others what darkens it; empty leaves occlusion out */
export function tubeSettings(
  c: TubeComponent,
  theme: PictureTheme,
  others: readonly Point3[],
): Omit<TubeSettings, 'sides' | 'step'> {
  const colours = PICTURE_THEMES[theme];
  const rope = isRope(c);
  const steps = c.points.length - (c.closed ? 0 : 1);
  const { standing, tail, gate } = c.marks ?? {};
  return {
    closed: c.closed,
    radius: c.diameter / 2,
    tint: strandTints(c.role, theme).tint,
    drift: standing && tail ? [standing[1] / steps, tail[0] / steps] : [0, 1],
    gate: gate && { from: gate[0] / steps, to: gate[1] / steps, tint: colours.core },
    others: rope ? others : [],
    othersStep: OCCLUDERS_STEP,
  };
}

/**
 * The mesh of a component, round or flat.
 * @param others what darkens it; empty leaves occlusion out
 * @param quality distance of rings along a rope and sides round it; a tape has the rings of its centre-line
 */
export function componentMesh(
  c: TubeComponent,
  theme: PictureTheme,
  others: readonly Point3[],
  quality: { readonly step: number; readonly sides: number },
): TubeMesh {
  if (c.tape) {
    const { tint, tracers } = strandTints(c.role, theme);
    return ribbonMesh(c.points, c.tape, [linearColour(tint[0]), linearColour(tint[1])], linearColour(tracers[0]));
  }
  return tubeMesh(finePoints(c.points, c.closed, quality.step), { ...tubeSettings(c, theme, others), ...quality });
}

/** Points within reach of a place: a grid of cells. */
function near(points: readonly Point3[]): (p: Point3) => readonly Point3[] {
  const cells = new Map<string, Point3[]>();
  const cell = (v: number) => Math.floor(v / OCCLUSION_REACH);
  for (const p of points) {
    const k = `${cell(p[0])} ${cell(p[1])} ${cell(p[2])}`;
    const there = cells.get(k);
    if (there) there.push(p);
    else cells.set(k, [p]);
  }
  return (p) => {
    const found: Point3[] = [];
    for (let x = -1; x <= 1; x++)
      for (let y = -1; y <= 1; y++)
        for (let z = -1; z <= 1; z++)
          found.push(...(cells.get(`${cell(p[0]) + x} ${cell(p[1]) + y} ${cell(p[2]) + z}`) ?? []));
    return found;
  };
}

/** @param points ring centres, evenly spaced by `step` */
export function tubeMesh(points: readonly Point3[], o: TubeSettings): TubeMesh {
  const frames = transportFrames(points, false);
  const s = arcLengths(points);
  const total = s.at(-1)!;
  const rings = points.length;
  const width = o.sides + 1;
  const position = new Float32Array(3 * rings * width);
  const normal = new Float32Array(3 * rings * width);
  const uv = new Float32Array(2 * rings * width);
  const colour = new Float32Array(3 * rings * width);
  const around = near(o.others);
  const [a, b] = [linearColour(o.tint[0]), linearColour(o.tint[1])];
  const gate = o.gate && linearColour(o.gate.tint);
  const own = o.radius * 1.9;
  const cos = Array.from({ length: width }, (_, j) => Math.cos((2 * Math.PI * j) / o.sides));
  const sin = Array.from({ length: width }, (_, j) => Math.sin((2 * Math.PI * j) / o.sides));
  for (let i = 0; i < rings; i++) {
    const p = points[i]!;
    const share = s[i]! / total;
    const t = Math.min(1, Math.max(0, (share - o.drift[0]) / (o.drift[1] - o.drift[0] || 1)));
    const tint =
      gate && share >= o.gate!.from && share <= o.gate!.to ? gate : [0, 1, 2].map((c) => a[c]! + (b[c]! - a[c]!) * t);
    const strands =
      o.others.length === 0 ? [] : around(p).filter((q) => Math.hypot(q[0] - p[0], q[1] - p[1], q[2] - p[2]) >= own);
    const [N, B] = [frames.normals[i]!, frames.binormals[i]!];
    for (let j = 0; j < width; j++) {
      const k = 3 * (i * width + j);
      const nx = N[0] * cos[j]! + B[0] * sin[j]!,
        ny = N[1] * cos[j]! + B[1] * sin[j]!,
        nz = N[2] * cos[j]! + B[2] * sin[j]!;
      const x = p[0] + o.radius * nx,
        y = p[1] + o.radius * ny,
        z = p[2] + o.radius * nz;
      position[k] = x;
      position[k + 1] = y;
      position[k + 2] = z;
      normal[k] = nx;
      normal[k + 1] = ny;
      normal[k + 2] = nz;
      uv[2 * (i * width + j)] = s[i]! / TILE_ROPE_DIAMETERS;
      uv[2 * (i * width + j) + 1] = j / o.sides;
      let covered = 0;
      for (const q of strands) {
        const vx = q[0] - x,
          vy = q[1] - y,
          vz = q[2] - z;
        const towards = vx * nx + vy * ny + vz * nz;
        if (towards <= 0) continue;
        const r2 = vx * vx + vy * vy + vz * vz;
        if (r2 > 0.09) covered += towards / (r2 * Math.sqrt(r2));
      }
      const open = Math.max(DARKEST, Math.exp(-1.25 * OCCLUSION_WEIGHT * o.othersStep * covered));
      for (let c = 0; c < 3; c++) colour[k + c] = tint[c]! * open;
    }
  }
  const index = new Uint32Array(6 * (rings - 1) * o.sides);
  let e = 0;
  for (let i = 0; i < rings - 1; i++)
    for (let j = 0; j < o.sides; j++) {
      const k = i * width + j;
      index.set([k, k + 1, k + width, k + width, k + 1, k + width + 1], e);
      e += 6;
    }
  return { position, normal, uv, colour, index, rings, sides: o.sides };
}
