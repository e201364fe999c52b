/** Two shapes that have been laid on each other, compared along their whole ropes. Unit: rope diameters. */
import { bestTurn, distance, movedBy, type Point3 } from '../../curve';
import type { Fit, Template } from './fit';
import { indexAt, nearestArc, pointAt, type Gauge } from './gauge';

/** How far apart two ropes lie, all along: beyond an end of either nothing is compared. */
export interface Apart {
  /** root mean square, diameters */
  readonly mean: number;
  readonly most: number;
}

const FINE_STEP = 0.6;
const FINE_LOOK = 1.6;

/** Nearest place of a rope to a point, looked for about an arc length; null beyond its ends. */
function nearestOn(g: Gauge, about: number, target: Point3): Point3 | null {
  const total = g.s.at(-1)!;
  if (!g.closed && (about < -0.2 || about > total + 0.2)) return null;
  // on the pieces beside the nearest point
  const n = g.points.length;
  const at = indexAt(g, nearestArc(g, about, FINE_LOOK, target[0], target[1], target[2]));
  let [least, found]: [number, Point3 | null] = [Infinity, null];
  for (let d = -1; d <= 1; d++) {
    const i = g.closed ? (((at + d) % (n - 1)) + n - 1) % (n - 1) : at + d;
    if (i < 0 || i >= n - 1) continue;
    const [a, b] = [g.points[i]!, g.points[i + 1]!];
    const [ux, uy, uz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
    const t = Math.min(
      1,
      Math.max(
        0,
        ((target[0] - a[0]) * ux + (target[1] - a[1]) * uy + (target[2] - a[2]) * uz) /
          (ux * ux + uy * uy + uz * uz || 1),
      ),
    );
    const p: Point3 = [a[0] + t * ux, a[1] + t * uy, a[2] + t * uz];
    const e = (p[0] - target[0]) ** 2 + (p[1] - target[1]) ** 2 + (p[2] - target[2]) ** 2;
    if (e < least) [least, found] = [e, p];
  }
  return found;
}

/** Which place of one rope corresponds to a place of the other: evenly between places that do; beyond them the rope is as long as it is. */
function across(pairs: readonly (readonly [number, number])[], x: number, from: 0 | 1, closed: boolean): number {
  const to = from === 0 ? 1 : 0;
  if (closed) {
    const way = pairs[2]![1] < pairs[1]![1] ? -1 : 1;
    const best = pairs.reduce((b, q) => (Math.abs(q[from] - x) < Math.abs(b[from] - x) ? q : b));
    return best[to] + way * (x - best[from]);
  }
  if (x <= pairs[0]![from]) return pairs[0]![to] + (x - pairs[0]![from]);
  let k = 0;
  while (k < pairs.length - 2 && x > pairs[k + 1]![from]) k++;
  const [a, b] = [pairs[k]!, pairs[k + 1]!];
  if (x > b[from]) return b[to] + (x - b[from]);
  return b[from] > a[from] ? a[to] + ((x - a[from]) / (b[from] - a[from])) * (b[to] - a[to]) : a[to];
}

const evenSteps = (g: Gauge) =>
  Array.from({ length: Math.floor(g.s.at(-1)! / FINE_STEP) + 1 }, (_, k) => k * FINE_STEP);

/**
 * Two shapes that have been laid on each other, laid on each other once more by all that corresponds and compared along their whole ropes
 * both ways. Where no part is farther from its own place than half of what strands lie apart, one can be moved into the other straight along
 * without any strand passing another: they are one knot.
 */
export function apartAllAlong(
  template: Template,
  specimen: readonly Gauge[],
  fit: Fit,
  mirror: boolean,
): Apart & { readonly fit: Fit } {
  const flip = (p: Point3): Point3 => (mirror ? [p[0], p[1], -p[2]] : p);
  const ropes = template.gauges.map((own, rope) => ({
    own,
    there: specimen[rope]!,
    pairs: template.places.flatMap((q, k): [number, number][] => (q.rope === rope ? [[q.s, fit.at[k]!]] : [])),
  }));
  const matched = (lay: (p: Point3) => Point3): [Point3, Point3][] =>
    ropes.flatMap(({ own, there, pairs }) =>
      evenSteps(own).flatMap((s): [Point3, Point3][] => {
        const p = pointAt(own, s);
        const q = nearestOn(there, across(pairs, s, 0, own.closed), lay(p));
        return q ? [[p, q]] : [];
      }),
    );
  let lay = fit.lay;
  let forward = matched(lay);
  for (let round = 0; round < 2; round++) {
    const turn = bestTurn(
      forward.map(([p]) => flip(p)),
      forward.map(([, q]) => q),
    );
    lay = (p) => movedBy(turn, flip(p));
    forward = matched(lay);
  }
  const distances = forward.map(([p, q]) => distance(lay(p), q));
  for (const { own, there, pairs } of ropes) {
    if (own.closed) continue;
    const laid: Gauge = { ...own, points: own.points.map(lay) };
    for (const s of evenSteps(there)) {
      const p = pointAt(there, s);
      const q = nearestOn(laid, across(pairs, s, 1, false), p);
      if (q) distances.push(distance(p, q));
    }
  }
  return {
    mean: Math.sqrt(distances.reduce((sum, d) => sum + d * d, 0) / distances.length),
    most: Math.max(...distances),
    fit: { ...fit, lay },
  };
}
