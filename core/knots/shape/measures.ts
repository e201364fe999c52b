/** Measures of a drawn-up knot, with what they come to when it is set softly or hard. Unit: rope diameters. */
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
 * @param core centre-line points of the knot proper
 * @param axis 0, 1 or 2 for x, y or z
 */
export function hullGirth(core: readonly Point3[], axis: 0 | 1): number {
  const flat = core
    .map((p): readonly [number, number] => [axis === 0 ? p[1] : p[0], p[2]])
    .sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (points: readonly (readonly [number, number])[]) => {
    const out: (readonly [number, number])[] = [];
    for (const p of points) {
      while (out.length > 1) {
        const [a, b] = [out.at(-2)!, out.at(-1)!];
        if ((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]) > 0) break;
        out.pop();
      }
      out.push(p);
    }
    return out.slice(0, -1);
  };
  const hull = [...half(flat), ...half(flat.slice().reverse())];
  return (
    hull.reduce(
      (sum, p, i) => sum + Math.hypot(p[0] - hull[(i + 1) % hull.length]![0], p[1] - hull[(i + 1) % hull.length]![1]),
      0,
    ) + Math.PI
  );
}
