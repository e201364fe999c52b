/**
 * One number for one crossing in every state and on both faces: that of the laid form, counted along the
 * rope. Drawn up, a knot shows other crossings than laid; each takes the number of the laid crossing whose
 * two strands meet nearest to the same places of the rope, what is left over is numbered on.
 */
import { crossingsSeenFrom, FRONT, type Crossings } from '../../topology';
import { IdiomError } from '../../errors';
import { inState, linesOf, type BakedForm, type BakedShape } from '../shape/stored';
import { type ShapeState } from '../facts/types';

type Meeting = readonly [number, number];

/** Nodes of the second rope are numbered from here. */
const SECOND = 100_000;

/** The solver's node at a point of a stored shape; inside the eye only roughly. */
function nodeAt(shape: BakedShape, line: number, at: number): number {
  if (line === 1) return SECOND + shape.second!.firstNode + at;
  const { eye, second_eye } = shape.marks;
  const before =
    (eye !== undefined && at > eye ? (shape.eyeGrown ?? 0) : 0) +
    (second_eye !== undefined && at > second_eye ? (shape.secondEyeGrown ?? 0) : 0);
  return shape.firstNode + at - before;
}

/** For each crossing the two places of the knot's ropes that meet there, in the order of the ropes. Crossings with a host are left out. */
function meetings(crossings: Crossings, shape: BakedShape): Map<number, Meeting> {
  const places = new Map<number, number[]>();
  const ropes = shape.second ? 2 : 1;
  for (const p of crossings.passes)
    if (p.line < ropes) places.set(p.crossing, [...(places.get(p.crossing) ?? []), nodeAt(shape, p.line, p.at)]);
  return new Map([...places].flatMap(([c, at]) => (at.length === 2 ? [[c, [at[0]!, at[1]!] as const] as const] : [])));
}

/** Crossings of the laid form; null where it cannot be seen regularly. */
function seenLaid(form: BakedForm): Crossings | null {
  try {
    return crossingsSeenFrom(linesOf(form.laid), FRONT);
  } catch (error) {
    if (error instanceof IdiomError) return null;
    throw error;
  }
}

/** Farther from its laid place than this, in nodes summed over both strands, a crossing is another one. */
const FARTHEST_NODES = 60;

/**
 * The lasting number, from 1, of each crossing of a picture.
 * @param seen crossings of the shape in that state, the knot's rope first among its ropes
 */
export function crossingIds(form: BakedForm, state: ShapeState, seen: Crossings): number[] {
  const laid = seenLaid(form);
  if (!laid) return Array.from({ length: seen.count }, (_, c) => c + 1);
  const wanted = [...meetings(laid, form.laid)];
  const found = meetings(seen, inState(form, state));
  const pairs = [...found].flatMap(([c, [a, b]]) =>
    wanted.map(([w, [x, y]]) => ({ c, w, apart: Math.abs(a - x) + Math.abs(b - y) })),
  );
  pairs.sort((p, q) => p.apart - q.apart || p.c - q.c || p.w - q.w);
  const ids = new Map<number, number>();
  const taken = new Set<number>();
  for (const { c, w, apart } of pairs) {
    if (apart > FARTHEST_NODES || ids.has(c) || taken.has(w)) continue;
    ids.set(c, w + 1);
    taken.add(w);
  }
  let next = laid.count;
  return Array.from({ length: seen.count }, (_, c) => ids.get(c) ?? ++next);
}
