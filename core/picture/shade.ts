/** How much of a rope lies in the shade of what is nearer to the viewer or to the light. Unit: rope diameters. */
import type { Point3 } from '../curve';

/** Farther away than this nothing shades, diameters. */
const SHADE_REACH = 2;

/** For a place, the points that may be near enough to shade it: those of its own square of the page and the eight around. */
export function neighbourhood(points: readonly Point3[]): (p: Point3) => readonly Point3[] {
  const cell = (v: number) => Math.floor(v / SHADE_REACH);
  const squares = new Map<number, Point3[]>();
  const key = (x: number, y: number) => x * 65_536 + y;
  for (const p of points) {
    for (let x = cell(p[0]) - 1; x <= cell(p[0]) + 1; x++)
      for (let y = cell(p[1]) - 1; y <= cell(p[1]) + 1; y++) {
        const there = squares.get(key(x, y));
        if (there) there.push(p);
        else squares.set(key(x, y), [p]);
      }
  }
  return (p) => squares.get(key(cell(p[0]), cell(p[1]))) ?? [];
}

/** How much a place is covered by strands nearer to the viewer or to the light, 0 to 1. */
export function shadeAt(p: Point3, others: readonly Point3[], step: number): number {
  let sum = 0;
  for (const q of others) {
    const dx = q[0] - p[0];
    const dy = q[1] - p[1];
    const dz = q[2] - p[2];
    const d2 = dx * dx + dy * dy + dz * dz;
    if (d2 > SHADE_REACH * SHADE_REACH || d2 < 0.6) continue;
    const towards = (0.55 * dz - 0.35 * dx + 0.35 * dy) / Math.sqrt(d2) + 0.15;
    if (towards > 0) sum += (towards / d2) * step;
  }
  return 1 - Math.exp(-0.75 * sum);
}

const SMOOTH_REACH = 5;

/** Fills the gaps (NaN) and evens the shade along the rope, so that pieces do not show as rungs. */
export function smoothed(values: readonly number[]): number[] {
  return values.map((_, i) => {
    let sum = 0;
    let weight = 0;
    for (let k = Math.max(0, i - SMOOTH_REACH); k <= Math.min(values.length - 1, i + SMOOTH_REACH); k++) {
      const v = values[k]!;
      if (Number.isNaN(v)) continue;
      const w = Math.max(0, 1 - Math.abs(k - i) / SMOOTH_REACH);
      sum += w * v;
      weight += w;
    }
    return weight > 0 ? sum / weight : 0;
  });
}
