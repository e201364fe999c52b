/** What must hold before anything is said of a shape: finite, enough points, no strand through another. */
import { arcLengths, segmentDistance, type Line3 } from '../curve';
import { fault } from '../errors';

// looked up once: in a context of its own a program pays for each look
const { max, min } = Math;

/** More points than this are refused: no knot needs them, and every pair of them is looked at. */
export const MOST_POINTS = 20_000;

/**
 * @throws shape-not-finite, too-few-points (two on an open line, three on a closed one; no length), too-many-points
 */
export function refuseUnfit(lines: readonly Line3[]): void {
  if (lines.length === 0) throw fault('too-few-points');
  if (lines.reduce((n, l) => n + l.points.length, 0) > MOST_POINTS)
    throw fault('too-many-points', { most: MOST_POINTS });
  for (const { points, closed } of lines) {
    if (points.length < (closed ? 3 : 2)) throw fault('too-few-points');
    for (const p of points)
      if (!(Number.isFinite(p[0]) && Number.isFinite(p[1]) && Number.isFinite(p[2]))) throw fault('shape-not-finite');
    const first = points[0]!;
    if (points.every((p) => p[0] === first[0] && p[1] === first[1] && p[2] === first[2])) throw fault('too-few-points');
  }
}

interface Piece {
  readonly line: number;
  readonly i: number;
  readonly m: number;
  readonly closed: boolean;
  readonly a: Line3['points'][number];
  readonly b: Line3['points'][number];
}

/**
 * Refuses strands that touch: parts that are no neighbours along their line, nearer than `closest`.
 * @param closest in the unit of the points; for ropes a quarter of a diameter is already too near to be one shape
 * @throws strands-touch
 */
export function refuseTouching(lines: readonly Line3[], closest: number): void {
  const pieces = lines.flatMap(({ points, closed }, line): Piece[] => {
    const m = closed ? points.length : points.length - 1;
    return Array.from({ length: m }, (_, i) => ({
      line,
      i,
      m,
      closed,
      a: points[i]!,
      b: points[(i + 1) % points.length]!,
    }));
  });
  const left = (p: Piece) => min(p.a[0], p.b[0]);
  pieces.sort((p, q) => left(p) - left(q));
  const length = lines.map(({ points, closed }) => arcLengths(closed ? [...points, points[0]!] : points));
  for (let i = 0; i < pieces.length; i++) {
    const p = pieces[i]!;
    const reach = max(p.a[0], p.b[0]) + closest;
    for (let j = i + 1; j < pieces.length && left(pieces[j]!) <= reach; j++) {
      const q = pieces[j]!;
      if (p.line === q.line) {
        // a line is near itself where it goes on: only what lies farther along it than it lies apart can touch
        const s = length[p.line]!;
        const [low, high] = p.i < q.i ? [p, q] : [q, p];
        const along = s[high.i]! - s[low.i + 1]!;
        const around = p.closed ? s.at(-1)! - s[high.i + 1]! + s[low.i]! : Infinity;
        if (min(along, around) <= 3 * closest) continue;
      }
      if (segmentDistance(p.a, p.b, q.a, q.b) < closest) throw fault('strands-touch');
    }
  }
}
