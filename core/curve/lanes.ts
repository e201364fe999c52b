/**
 * Doubling and tripling a path: strands that run side by side, parallel by construction. They are offset in
 * the plane of the page, so that they lie flat and cannot twist.
 */
import { fault } from '../errors';
import { smallestRadius } from './curvature';
import { smallestDistance } from './distance';
import { transportFrames } from './frames';
import { offsetInPlane } from './offset';
import { resample } from './polyline';
import type { Point3 } from './types';
import { distance, dot, subtract } from './vector';

/** Parts of a ribbon may come this near, as a share of the gap between its strands. */
const CLEAR_SHARE = 0.75;

/**
 * Strands beside each other along a path, left first, seen along the path.
 * @param path a dense line, its bends seen in the page wider than half the ribbon
 * @param gap distance of neighbouring strands, > 0, in the unit of the points
 * @throws bend-too-tight where the inner strand would have no room and fold over itself; strands-touch where parts of
 *   the ribbon that are no neighbours come nearer to each other than three quarters of the gap
 */
export function lanes(path: readonly Point3[], count: 2 | 3, gap: number): Point3[][] {
  const half = ((count - 1) * gap) / 2;
  // bends are judged over about a tenth of the offset, or the path's own little steps would count as bends
  const shadow = resample(
    path.map((p): Point3 => [p[0], p[1], 0]),
    Math.max(half / 2, 1e-9),
  );
  const radius = smallestRadius(shadow);
  if (radius <= half) throw fault('bend-too-tight', { radius: radius.toFixed(2), half: half.toFixed(2) });
  const strands = Array.from({ length: count }, (_, k) => offsetInPlane(path, half - k * gap));
  const ribbon = strands.map((points) => ({ points: resample(points, gap / 3), closed: false }));
  if (smallestDistance(ribbon, 2 * gap) < CLEAR_SHARE * gap) throw fault('strands-touch');
  return strands;
}

/**
 * How far a strand turns about its partner, in turns: the widest swing of the direction to the nearest point of
 * the partner, measured in a frame carried along the strand without twisting. Parallel strands: near 0;
 * strands laid once round each other: 1.
 * @param within only where the partner is nearer than this
 */
export function twistOfPair(strand: readonly Point3[], partner: readonly Point3[], within: number): number {
  const { normals, binormals } = transportFrames(strand);
  let angle = 0;
  let last: number | null = null;
  let [low, high] = [0, 0];
  strand.forEach((p, i) => {
    let near = partner[0]!;
    for (const q of partner) if (distance(p, q) < distance(p, near)) near = q;
    if (distance(p, near) > within) return;
    const to = subtract(near, p);
    const now = Math.atan2(dot(to, binormals[i]!), dot(to, normals[i]!));
    if (last !== null) {
      const step = now - last;
      angle += step - 2 * Math.PI * Math.round(step / (2 * Math.PI));
    }
    last = now;
    low = Math.min(low, angle);
    high = Math.max(high, angle);
  });
  return (high - low) / (2 * Math.PI);
}
