/**
 * Saying a knot so that it is right: a flat diagram whose control points carry, in z, which strand
 * lies above where two cross; from it a line in space in which every crossing has its full height.
 * z of a control point is only an order, no height.
 */
import { arcLengths, resample, resampleAlong, smooth, smoothstep, splineThrough, type Point3 } from '../../curve';
import { crossingsSeenFrom } from '../../topology';

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

/**
 * A dense line (step 0.1 d) whose crossings, seen from above, are those of the diagram.
 * @throws strands-touch where two strands cross at equal z, so that over and under are not said
 */
export const flatDiagram = (control: readonly Control[], settings: DiagramSettings): Point3[] =>
  flatDiagrams([control], settings)[0]!;

/** The same for several ropes in one page. */
export function flatDiagrams(
  controls: readonly (readonly Control[])[],
  { scale, height, plateau }: DiagramSettings,
): Point3[][] {
  const drawn = controls.map((control) =>
    smooth(
      resampledInPlane(splineThrough(control.map((p): Point3 => [p[0] * scale, p[1] * scale, p[2] ?? 0])), DENSE),
      20,
    ),
  );
  const { passes } = crossingsSeenFrom(
    drawn.map((points) => ({ points, closed: false })),
    [0, 0, 1],
  );
  return drawn.map((points, line) => {
    const knots = passes
      .filter((p) => p.line === line)
      .map((p) => ({ at: p.at * DENSE, z: p.over ? height : -height }));
    return points.map((p, i): Point3 => [p[0], p[1], heightAt(i * DENSE, knots, plateau)]);
  });
}

/** Points at even distances along the line's shadow on the page; z is carried along. */
const resampledInPlane = (points: readonly Point3[], step: number): Point3[] =>
  resampleAlong(points, arcLengths(points.map((p): Point3 => [p[0], p[1], 0])), step);

function heightAt(s: number, passes: readonly { at: number; z: number }[], plateau: number): number {
  if (passes.length === 0) return 0;
  let k = 0;
  while (k < passes.length && passes[k]!.at <= s) k++;
  const before = passes[k - 1];
  const after = passes[k];
  const fade = (gap: number) => 1 - smoothstep((gap - plateau) / 4);
  if (!before) return after!.z * fade(after!.at - s);
  if (!after) return before.z * fade(s - before.at);
  const span = after.at - before.at;
  const flat = Math.min(plateau, span * 0.3);
  return before.z + (after.z - before.z) * smoothstep((s - before.at - flat) / (span - 2 * flat));
}

/** From 0 at -1 to 1 at 1, level at both. */
export const step = (x: number): number => (x <= -1 ? 0 : x >= 1 ? 1 : 0.5 + 0.5 * Math.sin((Math.PI * x) / 2));
/** 1 at 0, down to 0 at -1 and 1, level at all three. */
export const bell = (x: number): number => (Math.abs(x) >= 1 ? 0 : 0.5 + 0.5 * Math.cos(Math.PI * x));

/** Evenly spaced nodes for the solver, after a little smoothing. */
export function nodesOf(line: readonly Point3[], spacing: number, rounds = 20): Point3[] {
  return resample(smooth(resample(line, DENSE), rounds), spacing);
}

/** The path the other way. */
export const reversed = <T>(path: readonly T[]): T[] => path.slice().reverse();

/** Half a turn in the page: the knot upside down, its hand unchanged. */
export const turnedUpsideDown = (path: readonly Point3[]): Point3[] => path.map((p) => [-p[0], -p[1], p[2]]);

/** Turned in the page by a quarter: what came from below comes from the left. */
export const lyingDown = (path: readonly Point3[]): Point3[] => path.map((p) => [p[1], -p[0], p[2]]);

/** Turned in the page so that the standing part comes from above; the hand stays. */
export function standingUp(path: readonly Point3[]): Point3[] {
  const a = path[0]!;
  const b = path[Math.min(path.length - 1, 8)]!;
  const from = Math.atan2(a[1] - b[1], a[0] - b[0]);
  const turn = Math.PI / 2 - from;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  return path.map((p) => [c * p[0] - s * p[1], s * p[0] + c * p[1], p[2]]);
}

/** A key of a wound path: how far round, how high along the axis, how far from it. */
export interface WoundKey {
  /** degrees round the axis, counter-clockwise seen from its head; more than 360 for further turns */
  readonly angle_deg: number;
  /** along the axis, diameters */
  readonly height: number;
  /** from the axis, diameters: one layer lies about one diameter outside the next */
  readonly radius: number;
}

/**
 * A path wound round an upright axis (a hand, a host rope, a ring's wire, a post) as a dense line. The
 * spline runs in (angle x radius, height, radius), so that every turn stays a turn.
 * @param keys at least two, in the order of the rope
 * @param mean radius by which angles are unrolled, diameters
 * @returns points with the axis as y; angle 0 faces the viewer (+z), 90 degrees the right (+x)
 */
export function wound(
  keys: readonly WoundKey[],
  mean = keys.reduce((sum, k) => sum + k.radius, 0) / keys.length,
): Point3[] {
  const unrolled = splineThrough(keys.map((k): Point3 => [(k.angle_deg * Math.PI * mean) / 180, k.height, k.radius]));
  return resample(
    unrolled.map(([along, height, radius]): Point3 => [
      radius * Math.sin(along / mean),
      height,
      radius * Math.cos(along / mean),
    ]),
    DENSE,
  );
}
