/** Small things that every way of baking shares: rounding, marks, and how softly or hard a knot is set when it is measured. */
import type { Point3 } from '../../curve';
import type { Tightening } from '../../rope';
import type { Range } from './measures';

export const round4 = (x: number): number => Math.round(x * 1e4) / 1e4 + 0;
export const rounded = (q: Point3): Point3 => [round4(q[0]), round4(q[1]), round4(q[2])];
/** Parts of one rope nearer than this along it are neighbours, diameters. */
export const NEIGHBOUR_ARC_ropeDiameters = 2.5;

/** Set softly in a rough rope: less force, more friction, more time. */
export const softly = (stages: Tightening['stages']): Tightening['stages'] =>
  stages.map((s) => ({
    ...s,
    duration: 1.3 * s.duration,
    force: [s.force[0] * 0.7, s.force[1] * 0.7] as const,
    friction: s.friction + 0.05,
  }));

/** Set hard: half as much force again at the last. */
export const hard = (stages: Tightening['stages']): Tightening['stages'] => {
  const most = Math.max(...stages.map((s) => s.force[1]));
  const last = stages.at(-1)!;
  return [
    ...stages.slice(0, -1),
    { ...last, duration: 120, force: [most, 1.5 * most] as const, friction: stages.at(-2)?.friction ?? last.friction },
    { ...last, force: [1.5 * most, last.force[1]] as const },
  ];
};

/** Low, value and high of a measure over runs, the first of which is the stored one. */
export const rangeOver = <T>(runs: readonly T[], of: (run: T) => number): Range => ({
  low: round4(Math.min(...runs.map(of))),
  value: round4(of(runs[0]!)),
  high: round4(Math.max(...runs.map(of))),
});
