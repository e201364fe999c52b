/**
 * Flat tape: as cells of a vector picture, sorted by depth with everything else, and as a box-section mesh for 3D. The tape's
 * centre-line has a direction across it at every point; cells are small enough that a fold sorts rightly. Unit: rope diameters.
 */
import { add, arcLengths, cross, scale, subtract, unit, type Point3 } from '../curve';
import { mixed } from './tokens';
import type { TubeMesh } from './mesh';
import { line as drawnLine, spot, whole, type Piece, type Shape } from './drawing';

export interface Tape {
  readonly width: number;
  readonly thickness: number;
  /** unit vector across the tape at each point of the centre-line */
  readonly across: readonly Point3[];
}

interface Look {
  readonly name: string;
  readonly tint: (at: number) => string;
  readonly stripe: string;
  readonly casing: string;
  readonly hidden: Hidden;
}

/** Points of the centre-line to a cell, and cells across. */
const PER_CELL = 2;
const CELLS = 6;
/** where the stripes run, in half widths */
const STRIPE = 0.72;
const DARK = '#140d06';

/** Outward normal of the upper surface at a point: along by across. */
function normalAt(points: readonly Point3[], across: readonly Point3[], i: number): Point3 {
  const along = subtract(points[Math.min(points.length - 1, i + 1)]!, points[Math.max(0, i - 1)]!);
  return unit(cross(along, across[i]!));
}

/** Size of the squares in which hidden cells are looked for, and how far above something must lie to hide what is below. */
const SQUARE = 0.5;
const ABOVE = 0.7;

/** Whether a place of a tape lies under another layer, of whatever tape of the picture. */
export type Hidden = (p: Point3) => boolean;

/** What hides what among the tapes of a picture, as seen along z. */
export function hiddenAmong(tapes: readonly { readonly points: readonly Point3[]; readonly tape: Tape }[]): Hidden {
  const highest = new Map<number, number>();
  const square = (x: number, y: number) => Math.round(x / SQUARE) * 65_536 + Math.round(y / SQUARE);
  for (const { points, tape } of tapes)
    for (let i = 0; i < points.length; i++)
      for (let k = 0; k <= 32; k++) {
        const p = add(points[i]!, scale(tape.across[i]!, ((k - 16) / 32) * tape.width));
        const key = square(p[0], p[1]);
        highest.set(key, Math.max(highest.get(key) ?? -Infinity, p[2]));
      }
  return (p) => {
    for (const [dx, dy] of [
      [-1, 0],
      [1, 0],
      [0, -1],
      [0, 1],
      [0, 0],
    ] as const)
      if ((highest.get(square(p[0] + dx * SQUARE, p[1] + dy * SQUARE)) ?? -Infinity) < p[2] + ABOVE) return false;
    return true;
  };
}

/** Cells, edges and stripes of a tape as seen along z; what lies wholly under another layer is left out. */
export function ribbonPieces(
  points: readonly Point3[],
  { width, across }: Tape,
  { name, tint, stripe, casing, hidden }: Look,
): Piece[] {
  const at = (i: number, u: number): Point3 => add(points[i]!, scale(across[i]!, (u * width) / 2));
  const pieces: Piece[] = [];
  const put = (i: number, j: number, depth: number, shape: Shape) =>
    pieces.push({ depth, of: { component: name, from: i, to: j }, opacity: 1, shapes: [shape] });
  const line = (i: number, j: number, u: number, colour: string, thick: number, lift: number) => {
    const [a, b] = [at(i, u), at(j, u)];
    if (hidden(a) && hidden(b)) return;
    put(i, j, (a[2] + b[2]) / 2 + lift, drawnLine([spot(a), spot(b)], colour, thick, { round: true }));
  };
  for (let i = 0; i < points.length - 1; i += PER_CELL) {
    const j = Math.min(points.length - 1, i + PER_CELL);
    const n = normalAt(points, across, i);
    // light from the upper left; a tape has two faces
    const lit = Math.abs(0.82 * n[2] - 0.4 * n[0] + 0.4 * n[1]);
    const base = mixed(tint((i + j) / 2), DARK, 0.42 * (1 - Math.min(1, lit)));
    for (let c = 0; c < CELLS; c++) {
      const [u, v] = [-1 + (2 * c) / CELLS, -1 + (2 * (c + 1)) / CELLS];
      const corners = [at(i, u), at(j, u), at(j, v), at(i, v)];
      if (corners.every(hidden)) continue;
      const depth = corners.reduce((sum, p) => sum + p[2], 0) / 4;
      put(i, j, depth, {
        shape: 'path',
        points: corners.map(spot),
        closed: true,
        fill: base,
        stroke: base,
        width: whole(0.12),
      });
    }
    for (const u of [-1, 1]) {
      line(i, j, u, casing, 0.22, 0.1);
      line(i, j, u * STRIPE, stripe, 0.3, 0.06);
    }
  }
  return pieces;
}

/** The tape as a closed box section: four sides a ring, laid out like a tube's mesh. */
export function ribbonMesh(
  points: readonly Point3[],
  { width, thickness, across }: Tape,
  tint: readonly [readonly [number, number, number], readonly [number, number, number]],
  stripe: readonly [number, number, number],
): TubeMesh {
  const s = arcLengths(points);
  const total = s.at(-1)!;
  // round the section: along the upper face, back along the lower; at the edges the two faces meet
  const steps = 12;
  const section = [
    ...Array.from({ length: steps + 1 }, (_, k) => [-1 + (2 * k) / steps, 1] as const),
    ...Array.from({ length: steps + 1 }, (_, k) => [1 - (2 * k) / steps, -1] as const),
    [-1, 1] as const,
  ];
  const sides = section.length - 1;
  const rings = points.length;
  const position = new Float32Array(3 * rings * section.length);
  const normal = new Float32Array(3 * rings * section.length);
  const uv = new Float32Array(2 * rings * section.length);
  const colour = new Float32Array(3 * rings * section.length);
  for (let i = 0; i < rings; i++) {
    const n = normalAt(points, across, i);
    const share = s[i]! / total;
    section.forEach(([u, face], j) => {
      const k = i * section.length + j;
      const p = add(points[i]!, add(scale(across[i]!, (u * width) / 2), scale(n, (face * thickness * 0.92) / 2)));
      position.set(p, 3 * k);
      normal.set(scale(n, face), 3 * k);
      uv.set([s[i]! / 3.2, (u + 1) * 0.9], 2 * k);
      const striped = Math.abs(Math.abs(u) - STRIPE) < 0.09;
      colour.set(
        [0, 1, 2].map((c) => (striped ? stripe[c]! : tint[0][c]! + (tint[1][c]! - tint[0][c]!) * share)),
        3 * k,
      );
    });
  }
  const index = new Uint32Array(6 * (rings - 1) * sides);
  let e = 0;
  for (let i = 0; i < rings - 1; i++)
    for (let j = 0; j < sides; j++) {
      const k = i * section.length + j;
      index.set([k, k + section.length, k + 1, k + section.length, k + section.length + 1, k + 1], e);
      e += 6;
    }
  return { position, normal, uv, colour, index, rings, sides };
}
