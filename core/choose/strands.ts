/**
 * Pulls as people think of them: two strands that are drawn apart. Which strand lies where it was touched, and which pull lies
 * between two strands. Unit: rope diameters.
 */
import type { Point3 } from '../curve';
import type { Pull } from '../knots/facts/types';

export const STRANDS = ['standing', 'tail', 'eye', 'other-standing', 'other-tail', 'legs', 'up', 'down'] as const;
export type Strand = (typeof STRANDS)[number];
export const STRAND_WORDS: Readonly<Record<Strand, string>> = {
  standing: 'the standing part',
  tail: 'the tail',
  eye: 'the eye',
  'other-standing': 'the other rope',
  'other-tail': 'the other tail',
  legs: 'the cord',
  up: 'the rope above',
  down: 'the rope below',
};

/** Strands that are drawn apart by a pull. */
const BETWEEN: readonly (readonly [Strand, Strand, Pull])[] = [
  ['standing', 'eye', 'standing-eye'],
  ['tail', 'eye', 'tail-eye'],
  ['standing', 'tail', 'through'],
  ['eye', 'eye', 'ring'],
  ['standing', 'other-standing', 'through'],
  ['standing', 'other-tail', 'cross'],
  ['tail', 'other-standing', 'cross'],
  ['tail', 'other-tail', 'ring'],
  ['other-standing', 'eye', 'standing-eye'],
  ['legs', 'down', 'down'],
  ['legs', 'up', 'up'],
];

/** The pull that draws two strands apart, in either order; null where none is known by that. */
export const pullBetween = (a: Strand, b: Strand): Pull | null =>
  BETWEEN.find(([x, y]) => (x === a && y === b) || (x === b && y === a))?.[2] ?? null;

/** Strands that some of the pulls draw at, of those that are there. */
export function strandsPulled(pulls: readonly Pull[], there: readonly Strand[]): Strand[] {
  const lit = BETWEEN.filter(
    ([a, b, pull]) =>
      there.includes(a) && there.includes(b) && (pulls.includes(pull) || (pulls.includes('all') && pull !== 'ring')),
  ).flatMap(([a, b]) => [a, b]);
  // a stopper has no eye: it is pulled against what it stops
  const againstWhatItStops = pulls.includes('standing-eye') && !there.includes('eye');
  return there.filter(
    (s) =>
      lit.includes(s) ||
      (againstWhatItStops && s === 'standing' && !there.includes('other-standing')) ||
      (pulls.includes('cross') && (s === 'tail' || s === 'eye') && there.includes('eye')),
  );
}

/** A component of a shape, as far as strands are told by it. */
export interface StrandedComponent {
  readonly name: string;
  readonly role: string;
  readonly closed: boolean;
  readonly points: readonly Point3[];
  readonly marks?:
    | {
        readonly standing?: readonly [number, number] | undefined;
        readonly tail?: readonly [number, number] | undefined;
        readonly eye?: number | readonly number[] | undefined;
        readonly legs?: readonly (readonly [number, number])[] | undefined;
        readonly second_legs?: readonly (readonly [number, number])[] | undefined;
      }
    | undefined;
}

/** Which strand a stretch of a component is; null in the knot proper. @param from @param to point indices */
export function strandOf(c: StrandedComponent, from: number, to: number, gripped: boolean): Strand | null {
  if (c.role === 'ring' || c.role === 'post') return 'eye';
  if (c.role === 'host') {
    const middle = c.points.length / 2;
    return to < middle * 0.8 ? 'down' : from > middle * 1.2 ? 'up' : null;
  }
  const { standing, tail, legs, second_legs } = c.marks ?? {};
  const ends = (standing && to <= standing[1]) || (tail && from >= tail[0]);
  if (gripped) return ends || c.closed ? 'legs' : null;
  const second = c.role === 'second-rope';
  if (standing && to <= standing[1]) return second ? 'other-standing' : 'standing';
  if (tail && from >= tail[0]) return second ? 'other-tail' : 'tail';
  return [legs, second_legs].some((l) => l && from >= l[0]![0] && to <= l[1]![1]) ? 'eye' : null;
}

const isGripped = (all: readonly StrandedComponent[]) => all.some((c) => c.role === 'host');

/** The strands of a shape that can be pulled. */
export function strandsThere(all: readonly StrandedComponent[]): Strand[] {
  const found = new Set(all.flatMap((c) => c.points.map((_, i) => strandOf(c, i, i, isGripped(all)))));
  return STRANDS.filter((s) => found.has(s));
}

/** A touch farther from every strand than this touches none. */
const NEAR = 2;

/** The strand that was touched on the front, at x and y; null where there is none near. */
export function strandAt(all: readonly StrandedComponent[], x: number, y: number): Strand | null {
  let [least, found] = [NEAR, null as Strand | null];
  for (const c of all)
    c.points.forEach((p, i) => {
      const d = Math.hypot(p[0] - x, p[1] - y);
      if (d >= least) return;
      const strand = strandOf(c, i, i, isGripped(all));
      if (strand) [least, found] = [d, strand];
    });
  return found;
}
