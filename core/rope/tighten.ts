/**
 * Laid form -> dressed -> tight: the protocol by which a knot is drawn up. Ends are pulled by soft
 * actuators, eyes by frictionless discs; forces rise, are held at low friction, and sink again at higher
 * friction, which lets the strands come apart to their true distance. A run in which a strand may have
 * passed through another is thrown away.
 */
import type { Point3 } from '../curve';
import { scale } from '../curve';
import { fault } from '../errors';
import { RopeSolver, type SolverSettings, SOLVER_SETTINGS } from './solver';

/** Node spacing along a rope in diameters. */
export const NODE_SPACING = 0.45;

export interface EndPull {
  readonly rope: number;
  readonly end: 'standing' | 'tail';
  readonly direction: Point3;
  /** share of the stage's force */
  readonly share: number;
  /** held in place instead of drawn, so that the knot does not drift */
  readonly held?: boolean;
}

export interface EyePull {
  readonly rope: number;
  /** node at the far point of the eye */
  readonly node: number;
  readonly direction: Point3;
  readonly share: number;
  /** radius of what lies in the eye, diameters */
  readonly radius: number;
}

export interface Stage {
  /** in the solver's unit of time */
  readonly duration: number;
  /** force at the beginning and at the end, in full loads */
  readonly force: readonly [number, number];
  readonly friction: number;
  /** share of the tail pulls from this stage on */
  readonly tailShare?: number;
}

export interface Tightening {
  readonly ropes: readonly (readonly Point3[])[];
  readonly pulls: readonly EndPull[];
  readonly eyes: readonly EyePull[];
  readonly stages: readonly Stage[];
  /** share of the whole time after which the knot counts as dressed, 0 to 1 */
  readonly dressedAt: number;
}

/** Firm draw for single-strand loops; gentle draw for doubled knots, which keeps pairs side by side. */
export const FIRM: readonly Stage[] = [
  { duration: 150, force: [0.2, 0.7], friction: 0.1 },
  { duration: 350, force: [0.7, 0.7], friction: 0.1 },
  { duration: 150, force: [0.7, 0.25], friction: 0.2 },
];
export const GENTLE: readonly Stage[] = [
  { duration: 250, force: [0.1, 0.4], friction: 0.12 },
  { duration: 400, force: [0.4, 0.4], friction: 0.12 },
  { duration: 120, force: [0.4, 0.2], friction: 0.2 },
];

export interface Tightened {
  readonly dressed: readonly (readonly Point3[])[];
  readonly tight: readonly (readonly Point3[])[];
  /** contact force per node of the tight form, ropes one after another */
  readonly load: readonly number[];
  /** the same at the dressed form */
  readonly dressedLoad: readonly number[];
  readonly smallestDistanceEver: number;
  readonly nodeCount: number;
}

/**
 * Tightens a laid form. Deterministic: equal input gives equal bytes on one version of the engine.
 * @param onProgress called about a hundred times with the share done; return false to stop
 * @returns null when stopped
 * @throws solver-passed-through when it is not certain that no strand passed through another
 */
export function tighten(
  plan: Tightening,
  settings: SolverSettings = SOLVER_SETTINGS,
  onProgress: (share: number) => boolean = () => true,
): Tightened | null {
  const solver = new RopeSolver(plan.ropes, settings);
  const eyes = plan.eyes.map((e) => ({ share: e.share, disc: solver.addEyeDisc(solver.ropeStart[e.rope]! + e.node, e.direction, e.radius, 26) }));
  const pulls = plan.pulls.map((p) => {
    const node = p.end === 'standing' ? solver.ropeStart[p.rope]! : (solver.ropeStart[p.rope + 1] ?? solver.nodeCount) - 1;
    return { ...p, pull: solver.addPull(node, p.direction, p.held ? 0 : 0.3) };
  });
  const total = plan.stages.reduce((sum, s) => sum + s.duration, 0);
  const dressedTime = total * plan.dressedAt;
  let dressed: Point3[][] | null = null;
  let dressedLoad: number[] = [];
  let tailShare: number | undefined;
  let reported = 0;
  for (const stage of plan.stages) {
    tailShare = stage.tailShare ?? tailShare;
    solver.friction = stage.friction;
    const begin = solver.time;
    for (let u = 0; u < 1; u = (solver.time - begin) / stage.duration) {
      const force = stage.force[0] + (stage.force[1] - stage.force[0]) * u;
      for (const p of pulls) p.pull.force = force * (p.end === 'tail' ? (tailShare ?? p.share) : p.share);
      for (const e of eyes) e.disc.force = force * e.share;
      solver.step();
      if (!dressed && solver.time >= dressedTime) {
        dressed = plan.ropes.map((_, rope) => solver.points(rope));
        dressedLoad = [...solver.load];
      }
      if (solver.time / total > reported) {
        reported += 0.01;
        if (!onProgress(solver.time / total)) return null;
      }
    }
  }
  if (solver.guardViolations > 0) throw fault('solver-passed-through');
  const tight = plan.ropes.map((_, rope) => solver.points(rope));
  return { dressed: dressed ?? tight, tight, load: [...solver.load], dressedLoad, smallestDistanceEver: solver.smallestDistanceEver, nodeCount: solver.nodeCount };
}

/** Centre of the knot: nodes weighted by the square of the contact force they carry. */
export function contactCentre(points: readonly Point3[], load: readonly number[]): Point3 {
  let weight = 0;
  const sum = [0, 0, 0];
  points.forEach((p, i) => {
    const w = load[i]! ** 2;
    weight += w;
    for (let c = 0; c < 3; c++) sum[c]! += w * p[c]!;
  });
  if (weight === 0) return scale(points.reduce<Point3>((a, p) => [a[0] + p[0], a[1] + p[1], a[2] + p[2]], [0, 0, 0]), 1 / points.length);
  return [sum[0]! / weight, sum[1]! / weight, sum[2]! / weight];
}
