/**
 * Pulls as people think of them: two strands that are drawn apart. For each purpose the thing that is shown, which pulls are asked
 * of it, which strand lies where it was touched, and which pull lies between two strands. Unit: rope diameters.
 */
import type { Point3 } from '../curve';
import type { Pull } from '../knots/types';
import type { Job } from './job';

export const STRANDS = ['standing', 'tail', 'eye', 'other-standing', 'other-tail', 'legs', 'up', 'down'] as const;
export type Strand = (typeof STRANDS)[number];
export const STRAND_WORDS: Readonly<Record<Strand, string>> = { standing: 'the standing part', tail: 'the tail', eye: 'the eye', 'other-standing': 'the other rope', 'other-tail': 'the other tail', legs: 'the cord', up: 'the rope above', down: 'the rope below' };

/** The knot on whose picture strands are touched: one that everybody knows, of those made for the purpose. */
export const SHOWN_FOR: Readonly<Record<Job['purpose'], string>> = {
  'tie-in': 'figure-eight-follow-through', 'end-loop': 'figure-eight-on-bight', 'two-eyes': 'bowline-on-bight', midline: 'alpine-butterfly', join: 'figure-eight-bend', 'join-to-pass': 'flemish-bend-with-bight', 'join-to-retrieve': 'offset-overhand',
  sling: 'water-knot', 'cord-loop': 'double-fishermans', 'hitch-object': 'clove-hitch', tether: 'figure-eight-on-bight', handle: 'alpine-butterfly', friction: 'prusik', belay: 'munter-hitch', releasable: 'munter-mule-overhand', stopper: 'double-overhand-stopper',
  'isolate-damage': 'alpine-butterfly', 'tension-eye': 'inline-eight',
};

const LOOP: readonly Pull[] = ['standing-eye', 'tail-eye', 'ring', 'through', 'all'];
/** The pulls that are asked for a purpose: those of which something is known for a knot made for it. */
export const PULLS_ASKED: Readonly<Record<Job['purpose'], readonly Pull[]>> = {
  'tie-in': ['standing-eye', 'tail-eye', 'ring', 'through'], 'end-loop': LOOP, 'two-eyes': LOOP, midline: [...LOOP, 'cross'], join: ['through', 'cross', 'ring', 'standing-eye'], 'join-to-pass': ['through', 'standing-eye', 'ring', 'cross'], 'join-to-retrieve': ['through', 'cross'],
  sling: ['standing-eye', 'ring', 'through'], 'cord-loop': ['through', 'cross', 'ring'], 'hitch-object': LOOP, tether: ['standing-eye', 'tail-eye', 'ring', 'through'], handle: [...LOOP, 'cross'], friction: ['down', 'up'], belay: ['standing-eye', 'tail-eye', 'through'],
  releasable: ['standing-eye', 'tail-eye', 'through', 'down', 'up'], stopper: ['through', 'standing-eye'], 'isolate-damage': LOOP, 'tension-eye': ['standing-eye', 'tail-eye', 'through', 'cross'],
};

/** The pulls that go along when the purpose is changed: those that are asked for it too; the first where none is. */
export function pullsFor(purpose: Job['purpose'], pulls: readonly Pull[]): Pull[] {
  const asked = PULLS_ASKED[purpose];
  const kept = pulls.filter((p) => asked.includes(p));
  return kept.length > 0 ? kept : [asked[0]!];
}

/** Strands that are drawn apart by a pull. */
const BETWEEN: readonly (readonly [Strand, Strand, Pull])[] = [
  ['standing', 'eye', 'standing-eye'], ['tail', 'eye', 'tail-eye'], ['standing', 'tail', 'through'], ['eye', 'eye', 'ring'], ['standing', 'other-standing', 'through'], ['standing', 'other-tail', 'cross'], ['tail', 'other-standing', 'cross'],
  ['tail', 'other-tail', 'ring'], ['other-standing', 'eye', 'standing-eye'], ['legs', 'down', 'down'], ['legs', 'up', 'up'],
];

/** The pull that draws two strands apart, in either order; null where none is known by that. */
export const pullBetween = (a: Strand, b: Strand): Pull | null => BETWEEN.find(([x, y]) => (x === a && y === b) || (x === b && y === a))?.[2] ?? null;

/** Strands that some of the pulls draw at, of those that are there. */
export function strandsPulled(pulls: readonly Pull[], there: readonly Strand[]): Strand[] {
  const lit = BETWEEN.filter(([a, b, pull]) => there.includes(a) && there.includes(b) && (pulls.includes(pull) || (pulls.includes('all') && pull !== 'ring'))).flatMap(([a, b]) => [a, b]);
  return there.filter((s) => lit.includes(s) || (pulls.includes('cross') && (s === 'tail' || s === 'eye') && there.includes('eye')));
}

/** A component of a shape, as far as strands are told by it. */
export interface StrandedComponent {
  readonly name: string;
  readonly role: string;
  readonly closed: boolean;
  readonly points: readonly Point3[];
  readonly marks?: { readonly standing?: readonly [number, number] | undefined; readonly tail?: readonly [number, number] | undefined; readonly eye?: number | readonly number[] | undefined; readonly legs?: readonly (readonly [number, number])[] | undefined; readonly second_legs?: readonly (readonly [number, number])[] | undefined } | undefined;
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
