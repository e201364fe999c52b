/**
 * Crossings of ropes seen along a direction. Models ropes as polylines; a crossing is where two
 * segments meet in the projection at different depths. Its sign is that of (over x under) seen from
 * the viewer, so that the right-handed trefoil has writhe +3. Degenerate views (a crossing at equal
 * depth) are an error, never an answer; non-finite input is refused.
 */
import { cross, dot, perpendicular, type Line3, type Point3, unit } from '../curve';
import { fault } from '../errors';

export interface Pass {
  /** which line */
  readonly line: number;
  /** point index, with the fraction along the segment that follows it */
  readonly at: number;
  readonly crossing: number;
  readonly over: boolean;
  readonly sign: 1 | -1;
}

export interface Crossings {
  readonly count: number;
  /** in order along line 0, then line 1, ... */
  readonly passes: readonly Pass[];
}

/** Right-handed basis whose third axis points to the viewer. */
export function viewBasis(toViewer: Point3): readonly [Point3, Point3, Point3] {
  const w = unit(toViewer);
  const u = perpendicular(w);
  return [u, cross(w, u), w];
}

/**
 * All crossings seen from `toViewer`.
 * @param lines centre-lines, at least two points each, finite
 * @param toViewer direction from the rope to the eye; any length but zero
 * @throws degenerate-shape when values are not finite or two strands touch in depth
 */
export function crossingsSeenFrom(lines: readonly Line3[], toViewer: Point3): Crossings {
  if (![...toViewer, ...lines.flatMap((l) => l.points.flat())].every(Number.isFinite) || lines.some((l) => l.points.length < 2))
    throw fault('degenerate-shape', { reason: 'values that are not finite, or too few points' });
  const [u, v, w] = viewBasis(toViewer);
  const segments = lines.flatMap((line, which) => {
    const q = line.points.map((p) => [dot(p, u), dot(p, v), dot(p, w)] as const);
    const m = line.closed ? q.length : q.length - 1;
    return Array.from({ length: m }, (_, i) => ({ which, i, m, closed: line.closed, a: q[i]!, b: q[(i + 1) % q.length]! }));
  });
  const passes: Pass[] = [];
  let count = 0;
  for (let i = 0; i < segments.length; i++) {
    const s = segments[i]!;
    const [sx0, sx1] = s.a[0] < s.b[0] ? [s.a[0], s.b[0]] : [s.b[0], s.a[0]];
    const [sy0, sy1] = s.a[1] < s.b[1] ? [s.a[1], s.b[1]] : [s.b[1], s.a[1]];
    for (let j = i + 1; j < segments.length; j++) {
      const t = segments[j]!;
      if (Math.max(t.a[0], t.b[0]) < sx0 || Math.min(t.a[0], t.b[0]) > sx1) continue;
      if (Math.max(t.a[1], t.b[1]) < sy0 || Math.min(t.a[1], t.b[1]) > sy1) continue;
      if (s.which === t.which && (t.i - s.i <= 1 || (s.closed && t.i - s.i >= s.m - 1))) continue;
      const dx = s.b[0] - s.a[0];
      const dy = s.b[1] - s.a[1];
      const ex = t.b[0] - t.a[0];
      const ey = t.b[1] - t.a[1];
      const det = dx * ey - dy * ex;
      if (det === 0) continue;
      const p = ((t.a[0] - s.a[0]) * ey - (t.a[1] - s.a[1]) * ex) / det;
      const q = ((t.a[0] - s.a[0]) * dy - (t.a[1] - s.a[1]) * dx) / det;
      if (p < 0 || p >= 1 || q < 0 || q >= 1) continue;
      const depth = s.a[2] + p * (s.b[2] - s.a[2]) - t.a[2] - q * (t.b[2] - t.a[2]);
      if (Math.abs(depth) < 1e-9) throw fault('degenerate-shape', { reason: 'two strands touch' });
      const sign = (Math.sign(det) * Math.sign(depth)) as 1 | -1;
      passes.push({ line: s.which, at: s.i + p, crossing: count, over: depth > 0, sign });
      passes.push({ line: t.which, at: t.i + q, crossing: count, over: depth < 0, sign });
      count++;
    }
  }
  passes.sort((x, y) => x.line - y.line || x.at - y.at);
  return { count, passes };
}

/**
 * Signed Gauss code, one text per line, crossings numbered from 1 in the order met.
 * @example "O1+ U2+ O3+ U1+ O2+ U3+"
 */
export function gaussCode(crossings: Crossings, lineCount: number): string[] {
  const number = new Map<number, number>();
  return Array.from({ length: lineCount }, (_, line) =>
    crossings.passes
      .filter((p) => p.line === line)
      .map((p) => {
        if (!number.has(p.crossing)) number.set(p.crossing, number.size + 1);
        return `${p.over ? 'O' : 'U'}${number.get(p.crossing)!}${p.sign > 0 ? '+' : '-'}`;
      })
      .join(' '),
  );
}
