/** Two given diagrams: are they the same, mirror images, one knot drawn two ways, or one crossing apart? */
import { mirrored, withCrossingReversed, type Diagram, type DiagramPass } from './diagram';
import { invariantsOf, signature } from './invariants';
import { reduced } from './reduce';

export interface Comparison {
  readonly relation: 'same' | 'mirror' | 'same-topology' | 'one-crossing' | 'different';
  /** how far it is proved: the diagrams are one, or every figure computed agrees (which two knots may share) */
  readonly by: 'diagram' | 'invariants';
  /**
   * Which crossings of the first, numbered from 0, each alone makes the second when reversed. For the same
   * topology: by which crossing the two drawings differ, where it is one and the knot stays the same.
   */
  readonly crossings: readonly number[];
  /** for one-crossing: reversing it makes the mirror image of the second */
  readonly mirrored: boolean;
}

/** Whether the second diagram is the first with its crossings numbered otherwise, or seen from behind. */
export function sameDiagram(a: Diagram, b: Diagram): boolean {
  if (a.components.length !== b.components.length || a.signs.length !== b.signs.length) return false;
  if (a.components.some((c, k) => c.length !== b.components[k]!.length)) return false;
  const behind: Diagram = {
    components: b.components.map((c) => c.map((p) => ({ ...p, over: !p.over }))),
    signs: b.signs,
  };
  return matches(a, b) || matches(a, behind);
}

/** Component by component, every start of the closed line tried, the numbering kept consistent. */
function matches(a: Diagram, b: Diagram): boolean {
  const step = (k: number, to: ReadonlyMap<number, number>, from: ReadonlyMap<number, number>): boolean => {
    if (k === a.components.length) return true;
    const mine = a.components[k]!;
    const other = b.components[k]!;
    if (mine.length === 0) return step(k + 1, to, from);
    for (let shift = 0; shift < other.length; shift++) {
      const fit = along(mine, other, shift, a, b, new Map(to), new Map(from));
      if (fit && step(k + 1, fit.to, fit.from)) return true;
    }
    return false;
  };
  return step(0, new Map(), new Map());
}

function along(
  mine: readonly DiagramPass[],
  other: readonly DiagramPass[],
  shift: number,
  a: Diagram,
  b: Diagram,
  to: Map<number, number>,
  from: Map<number, number>,
) {
  for (let i = 0; i < mine.length; i++) {
    const p = mine[i]!;
    const q = other[(i + shift) % other.length]!;
    if (p.over !== q.over || a.signs[p.crossing] !== b.signs[q.crossing]) return null;
    if ((to.get(p.crossing) ?? q.crossing) !== q.crossing || (from.get(q.crossing) ?? p.crossing) !== p.crossing)
      return null;
    to.set(p.crossing, q.crossing);
    from.set(q.crossing, p.crossing);
  }
  return { to, from };
}

/**
 * Compares two diagrams whose components stand in the same order and run the same way.
 * @returns 'same' and 'mirror' where the diagrams themselves are one; 'same-topology' where only the figures agree
 */
export function compareDiagrams(a: Diagram, b: Diagram): Comparison {
  const none = { crossings: [], mirrored: false };
  const [ra, rb] = [reduced(a), reduced(b)];
  for (const [x, y] of [
    [a, b],
    [ra, rb],
  ] as const) {
    if (sameDiagram(x, y)) return { relation: 'same', by: 'diagram', ...none };
    if (sameDiagram(x, mirrored(y))) return { relation: 'mirror', by: 'diagram', ...none };
  }
  const [ia, ib] = [invariantsOf(ra), invariantsOf(rb)];
  const mine = signature(ia);
  if (mine === signature(ib))
    return {
      relation: 'same-topology',
      by: 'invariants',
      crossings: [...a.signs.keys()].filter((k) => sameDiagram(withCrossingReversed(a, k), b)),
      mirrored: false,
    };
  if (mine === signature(ib, true)) return { relation: 'mirror', by: 'invariants', ...none };
  const exact: number[] = [];
  const close: number[] = [];
  const flipped: number[] = [];
  const [right, left] = [signature(ib), signature(ib, true)];
  for (let k = 0; k < a.signs.length; k++) {
    const other = withCrossingReversed(a, k);
    const ro = reduced(other);
    if (sameDiagram(other, b) || sameDiagram(ro, rb)) {
      exact.push(k);
      continue;
    }
    const s = signature(invariantsOf(ro));
    if (s === right) close.push(k);
    else if (s === left) flipped.push(k);
  }
  if (exact.length > 0) return { relation: 'one-crossing', by: 'diagram', crossings: exact, mirrored: false };
  if (close.length > 0) return { relation: 'one-crossing', by: 'invariants', crossings: close, mirrored: false };
  if (flipped.length > 0) return { relation: 'one-crossing', by: 'invariants', crossings: flipped, mirrored: true };
  return { relation: 'different', by: 'invariants', ...none };
}
