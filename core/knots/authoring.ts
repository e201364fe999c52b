/**
 * Saying a knot so that it is right: a flat diagram whose control points carry, in z, which strand
 * lies above where two cross; from it a line in space in which every crossing has its full height.
 * z of a control point is only an order, no height.
 */
import { offsetInPlane, resample, smooth, splineThrough, type Point3 } from '../curve';
import { crossingsSeenFrom } from '../topology';

/** x, y in the plane of the page; z, where given, says above (+) or below (-). */
export type Control = readonly [number, number] | readonly [number, number, number];

export interface DiagramSettings {
  /** diameters per unit of the control points */
  readonly scale: number;
  /** height of a strand above the page at a crossing, diameters */
  readonly height: number;
  /** half length over which that height is kept, diameters; as wide as the ribbon for doubled paths */
  readonly plateau: number;
}

const DENSE = 0.1;
const ease = (t: number) => t * t * (3 - 2 * t);

/**
 * A dense line (step 0.1 d) whose crossings, seen from above, are those of the diagram.
 * @throws degenerate-shape where two strands cross at equal z, so that over and under are not said
 */
export function flatDiagram(control: readonly Control[], settings: DiagramSettings): Point3[] {
  const s = settings.scale;
  const drawn = smooth(resample(splineThrough(control.map((p): Point3 => [p[0] * s, p[1] * s, p[2] ?? 0])), DENSE), 20);
  const { passes } = crossingsSeenFrom([{ points: drawn, closed: false }], [0, 0, 1]);
  const flat = smooth(resample(splineThrough(control.map((p): Point3 => [p[0] * s, p[1] * s, 0])), DENSE), 20);
  // passes are placed by share of the arc, since the drawn line is a little longer than the flat one
  const stretch = (flat.length - 1) / (drawn.length - 1);
  const knots = passes.map((p) => ({ at: p.at * stretch * DENSE, z: p.over ? settings.height : -settings.height }));
  return flat.map((p, i): Point3 => [p[0], p[1], heightAt(i * DENSE, knots, settings.plateau)]);
}

function heightAt(s: number, passes: readonly { at: number; z: number }[], plateau: number): number {
  if (passes.length === 0) return 0;
  let k = 0;
  while (k < passes.length && passes[k]!.at <= s) k++;
  const before = passes[k - 1];
  const after = passes[k];
  const fade = (gap: number) => 1 - ease(Math.min(1, Math.max(0, (gap - plateau) / 4)));
  if (!before) return after!.z * fade(after!.at - s);
  if (!after) return before.z * fade(s - before.at);
  const span = after.at - before.at;
  const flat = Math.min(plateau, span * 0.3);
  return before.z + (after.z - before.z) * ease(Math.min(1, Math.max(0, (s - before.at - flat) / (span - 2 * flat))));
}

/** A path as two strands side by side, `gap` apart: left first, seen along the path. */
export function doubled(path: readonly Point3[], gap: number): readonly [Point3[], Point3[]] {
  return [offsetInPlane(path, gap / 2), offsetInPlane(path, -gap / 2)];
}

/** Evenly spaced nodes for the solver, after a little smoothing. */
export function nodesOf(line: readonly Point3[], spacing: number, rounds = 20): Point3[] {
  return resample(smooth(resample(line, DENSE), rounds), spacing);
}

/** The path the other way. */
export const reversed = <T>(path: readonly T[]): T[] => path.slice().reverse();

/** Half a turn in the page: the knot upside down, its hand unchanged. */
export const turnedUpsideDown = (path: readonly Point3[]): Point3[] => path.map((p) => [-p[0], -p[1], p[2]]);
