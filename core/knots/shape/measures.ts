/** Measures of a drawn-up knot, with what they come to when it is set softly or hard. Unit: rope diameters. */
import { polygonHull, polygonLength } from 'd3-polygon';
import type { Point3 } from '../../curve';

export interface Range {
  readonly low: number;
  /** of the stored tight form */
  readonly value: number;
  readonly high: number;
}

/**
 * Length of a string laid round a knot across its axis: the hull of its rope seen along the axis. It says
 * whether the knot passes a slot; the hull of points grown by half a diameter is longer by pi half diameters times two.
 * @param core centre-line points of the knot proper, at least three
 * @param axis 0, 1 or 2 for x, y or z
 */
export function hullGirth(core: readonly Point3[], axis: 0 | 1): number {
  const flat = core.map((p): [number, number] => [axis === 0 ? p[1] : p[0], p[2]]);
  const hull = polygonHull(flat);
  return (hull ? polygonLength(hull) : 0) + Math.PI;
}
