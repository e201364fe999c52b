/** What only a length, a gate, a host's direction or harness points tell of a form that is right as to its path. */
import { distance, type Line3, type Point3 } from '../../curve';
import { knotById, shapeOf } from '../../knots/catalogue/catalogue';
import { SHORT_TAIL_ROPE_DIAMETERS } from '../../knots/catalogue/changes';
import type { FaultId } from '../../knots/facts/faultTable';
import { closedApart } from '../../topology';
import { linkingOf } from './evidence';
import type { Name } from './forms';
import type { Prepared } from './figures/formFigures';
import type { Candidate } from './candidates';

export type Need = 'eye-mark' | 'loaded-ends' | 'object' | 'gate' | 'other-end-of-the-gripped-rope';

/** A fit this near decides between forms with the same figures; a worse one says nothing, diameters. */
export const DECIDES = 0.9;

const middle = (points: readonly Point3[], [a, b]: readonly [number, number]): Point3 =>
  points[Math.round((a + b) / 2)]!;

/** Whether gate and host lie as in the form; null where the specimen does not say. */
export function thingsLie(c: Candidate, p: Prepared, lies: boolean): { agree: boolean; needs: Need[] } {
  const needs: Need[] = [];
  let agree = true;
  for (const t of shapeOf(c.known.form.knot, c.known.form.form, c.state)) {
    if (t.role === 'ring' && t.marks?.gate && knotById(c.known.form.knot).entry.family === 'hitch') {
      const [gate] = p.laid.gates;
      // in a foreign drawing that fits badly it may lie anywhere
      if (!gate || (!lies && c.fit.apart > DECIDES)) needs.push('gate');
      else if (distance(c.fit.lay(middle(t.points, t.marks.gate)), gate) > 3) agree = false;
    }
    if (t.role === 'host' && t.marks?.standing) {
      const [anchor] = p.laid.anchors;
      if (!anchor) needs.push('other-end-of-the-gripped-rope');
      else {
        const up = c.fit.lay(middle(t.points, t.marks.standing));
        const down = c.fit.lay(t.points[0]!);
        if (distance(up, anchor) > distance(down, anchor)) agree = false;
      }
    }
  }
  return { agree, needs };
}

/** Whether a rope, its ends led away, goes through a ring. */
const goesThrough = (rope: Line3, ring: Line3): boolean => linkingOf(closedApart([rope, ring])) !== 0;

/** Arc length of each rope beyond the knot proper, in the specimen and in the form. */
function tailsOf(c: Candidate, p: Prepared): { is: number; stored: number }[] {
  const { template } = c.known.states[c.state];
  const gauges = c.turned ? p.template.gauges.slice().reverse() : p.template.gauges;
  // where a place of the form fell: from the nearest place that was compared on
  const fell = (rope: number, s: number): number => {
    let [best, least] = [0, Infinity];
    template.places.forEach((q, k) => {
      if (q.rope === rope && Math.abs(q.s - s) < least) [least, best] = [Math.abs(q.s - s), k];
    });
    return c.fit.at[best]! + s - template.places[best]!.s;
  };
  return template.gauges.map((g, rope) => {
    const from = g.proper?.[1] ?? g.anchors.at(-2)!;
    return { is: gauges[rope]!.s.at(-1)! - fell(rope, from), stored: g.s.at(-1)! - from };
  });
}

/** Longer by this than the stored length a tail or leg is another; a tail below this is short. */
const LONGER = { tail: 9, leg: 4 };

const SHORT = SHORT_TAIL_ROPE_DIAMETERS + 2.8;

/** What only lengths, harness points and looseness tell of a form that is right as to its path. */
export function measured(
  c: Candidate,
  name: Name,
  p: Prepared,
  asStored: boolean,
): { faults: FaultId[]; perhaps: FaultId[] } {
  const { entry } = knotById(name.knot);
  const has = (id: FaultId) => entry.faults.some((f) => f.id === id);
  const faults: FaultId[] = [];
  if (p.laid.ropes[0]!.closed) return { faults, perhaps: has('loose') && c.state !== 'tight' ? ['loose'] : [] };
  const tails = tailsOf(c, p);
  if (has('tail-short') && Math.min(...tails.map((t) => t.is)) < SHORT) faults.push('tail-short');
  else if (asStored && has('tail-long') && tails[0]!.is > tails[0]!.stored + LONGER.tail) faults.push('tail-long');
  else if (asStored && has('uneven-legs') && tails[0]!.is > tails[0]!.stored + LONGER.leg) faults.push('uneven-legs');
  if (has('one-harness-point') && p.laid.ringNames.filter((n) => n.startsWith('harness-point')).length === 2) {
    const through = p.even.rings.filter((ring) => goesThrough(p.even.ropes[0]!, ring)).length;
    if (through < 2) faults.push('one-harness-point');
  }
  return { faults, perhaps: has('loose') && c.state !== 'tight' && asStored ? ['loose'] : [] };
}
