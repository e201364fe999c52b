/**
 * Whether the two strands of a doubled knot lie side by side all the way: topology does not see a pair that crosses. It can be told where the
 * knot is laid out flat, so that every strand's neighbour is its partner; drawn up, a strand has other neighbours too. Unit: rope diameters.
 */
import { distance, twistOfPair, type Point3 } from '../../curve';
import type { Gauge } from './gauge';

/** 'apart' where it is not laid so that this can be told */
export type Pairs = 'parallel' | 'crossed' | 'apart';

const BESIDE = 1.5;
/** share of a strand that has to have its partner beside it */
const MOST = 0.9;
const PARALLEL_TURNS = 0.27;
const REACH = 2;

/** The two strands: the halves on either side of the eye, or the two ropes. */
function strandsOf(gauges: readonly Gauge[]): readonly [Point3[], Point3[]] | null {
  const cut = (g: Gauge, from: number, to: number) =>
    g.points.filter((_, i) => g.s[i]! >= from - 1 && g.s[i]! <= to + 1);
  const [a, b] = gauges as [Gauge, Gauge | undefined];
  if (b) return [cut(a, a.anchors[1]!, a.anchors.at(-2)!), cut(b, b.anchors[1]!, b.anchors.at(-2)!)];
  if (a.anchors.length < 6) return null;
  return [cut(a, a.anchors[1]!, a.anchors[2]!), cut(a, a.anchors.at(-3)!, a.anchors.at(-2)!)];
}

export function pairsOf(gauges: readonly Gauge[]): Pairs {
  const strands = strandsOf(gauges);
  if (!strands || strands[0].length < 8 || strands[1].length < 8) return 'apart';
  const [a, b] = strands;
  const beside = a.filter((p) => b.some((q) => distance(p, q) < BESIDE)).length / a.length;
  // a strand that has other parts of its own as near is drawn up
  const crowded = a.filter((p, i) => a.some((q, k) => Math.abs(k - i) > 10 && distance(p, q) < 1.15)).length / a.length;
  if (beside < MOST || crowded > 0.1) return 'apart';
  return twistOfPair(a, b, REACH) <= PARALLEL_TURNS ? 'parallel' : 'crossed';
}
