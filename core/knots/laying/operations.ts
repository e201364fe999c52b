/**
 * Operations that make a wrong form of a right one, on the author's laid form: one thing is changed, nothing else. What a knot's own
 * path decides (a lane, a turn, the side of a tail) its author changes in its shape.ts; here is what is the same for every knot.
 */
import { arcLengths, type Point3 } from '../../curve';
import { fault } from '../../errors';
import { bell } from './authoring';
import { crossingsSeenFrom, FRONT } from '../../topology';
import type { LaidKnot } from '../shape/laid';

/** Half the length of rope over which a strand is lifted past the other, diameters. */
const BUMP = 2.4;
/** no strand bends over another in less rope than this */
const LEAST_BUMP = 1.3;

/**
 * One line or several in which some crossings, seen from the front, are reversed: the two strands change places in height there.
 * @param reversed crossings numbered from 1 in the order met along the lines
 * @param bump half the length over which each is lifted, diameters; shorter where other crossings are near
 * @throws no-such-crossing, strands-touch where a neighbouring crossing would change as well
 */
export function withCrossingsReversed(
  lines: readonly (readonly Point3[])[],
  reversed: readonly number[],
  bump = BUMP,
  closed: readonly boolean[] = [],
): Point3[][] {
  const seen = (all: readonly (readonly Point3[])[]) =>
    crossingsSeenFrom(
      all.map((points, k) => ({ points, closed: closed[k] ?? false })),
      FRONT,
    );
  const before = seen(lines);
  const out = lines.map((points) => points.map((p): Point3 => [p[0], p[1], p[2]]));
  const along = lines.map((points) => arcLengths(points));
  const placeOf = (line: number, at: number) => {
    const s = along[line]!;
    const i = Math.floor(at);
    return s[i]! + (at - i) * ((s[i + 1] ?? s[i]!) - s[i]!);
  };
  const heightAt = (line: number, at: number) => {
    const i = Math.floor(at);
    const [a, b] = [lines[line]![i]!, lines[line]![(i + 1) % lines[line]!.length]!];
    return a[2] + (at - i) * (b[2] - a[2]);
  };
  for (const k of reversed) {
    const both = before.passes.filter((p) => p.crossing === k - 1);
    if (both.length !== 2) throw fault('no-such-crossing', { crossing: k, count: before.count });
    const [a, b] = both as [(typeof both)[0], (typeof both)[0]];
    const gap = heightAt(a.line, a.at) - heightAt(b.line, b.at);
    for (const [pass, change] of [
      [a, -gap],
      [b, gap],
    ] as const) {
      const at = placeOf(pass.line, pass.at);
      // no farther than to where the strand next passes another one
      const nearest = Math.max(
        LEAST_BUMP,
        Math.min(
          bump,
          ...before.passes
            .filter((p) => p.line === pass.line && p !== pass && !reversed.includes(p.crossing + 1))
            .map((p) => Math.abs(placeOf(p.line, p.at) - at) * 0.95),
        ),
      );
      along[pass.line]!.forEach((s, i) => {
        const p = out[pass.line]![i]!;
        out[pass.line]![i] = [p[0], p[1], p[2] + change * bell((s - at) / nearest)];
      });
    }
  }
  const after = seen(out);
  const same =
    after.count === before.count &&
    after.passes.every(
      (p, i) =>
        p.crossing === before.passes[i]!.crossing &&
        p.over === (reversed.includes(p.crossing + 1) ? !before.passes[i]!.over : before.passes[i]!.over),
    );
  if (!same) throw fault('strands-touch');
  return out;
}

/** A knot's laid form with some crossings reversed. @see withCrossingsReversed */
export function crossingsReversed(laid: LaidKnot, reversed: readonly number[], bump?: number): LaidKnot {
  const [points, second] = withCrossingsReversed(
    [laid.points, ...(laid.second ? [laid.second.points] : [])],
    reversed,
    bump,
    [laid.closed ?? false],
  );
  return { ...laid, points: points!, ...(laid.second && { second: { ...laid.second, points: second! } }) };
}
