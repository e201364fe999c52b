/** What the figures of a way must come to. Apart from where they are computed: a limit can be changed without proving anything anew. */
import type { WayFigures } from './proving';

/** Parts may come no nearer than so many of their mean diameters. */
const LEAST_DISTANCE = 0.7;
/** The length of a rope may stray by no more than this share. */
const MOST_STRAY = 0.05;
/** The last frame lies no farther than this from the stored form, diameters. */
const CLOSE_ENOUGH_ropeDiameters = 0.3;

/** What of a way's figures is not as it must be; empty where all of it holds. What is no number is a fault. */
export function wayFaults(f: WayFigures): string[] {
  return [
    ...(f.frames > 1 ? [] : ['it has no frames']),
    ...(f.crossingsAtFirst === 0 ? [] : [`begins with ${f.crossingsAtFirst} crossings`]),
    ...(f.lastOff === null || f.lastOff <= CLOSE_ENOUGH_ropeDiameters
      ? []
      : [`ends ${f.lastOff.toFixed(2)} off its form`]),
    ...(f.named === null || f.named.asTold ? [] : [`ends in ${f.named.as.join(', ') || 'nothing known'}`]),
    ...(f.smallest >= LEAST_DISTANCE ? [] : [`two parts come as near as ${f.smallest}`]),
    ...(f.largestShare < 1 ? [] : [`a move takes ${f.largestShare} of its bound`]),
    ...(f.lengthStrays <= MOST_STRAY ? [] : [`its length strays by ${100 * f.lengthStrays} %`]),
    ...(f.endsOutside === null || f.endsOutside > 1 ? [] : ['an end comes into the knot']),
  ];
}
