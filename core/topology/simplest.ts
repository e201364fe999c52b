/** From lines in space to the simplest diagram found: some thirty views, each reduced, the smallest taken. */
import { distance, lengthOf, type Line3 } from '../curve';
import { fault, IdiomError } from '../errors';
import { crossingsSeenFrom } from './crossings';
import { diagramOf, type Diagram } from './diagram';
import { refuseTouching, refuseUnfit } from './fitness';
import { reduced } from './reduce';
import { straightened } from './straighten';
import { DIRECTIONS } from './regularView';

/** A diagram with more crossings, after reduction, is refused. */
export const MOST_CROSSINGS = 60;
/** A view with more is not even reduced. */
const MOST_SEEN = 1500;

/** Enough for lines that were straightened already. */
const HALF_OF_THEM = DIRECTIONS.filter((_, k) => k % 2 === 0);

/** Points that repeat their neighbour go; on a closed line also a last point that repeats the first. */
function withoutRepeats({ points, closed }: Line3): Line3 {
  const kept = points.filter((p, i) => i === 0 || distance(p, points[i - 1]!) > 0);
  if (closed && kept.length > 1 && distance(kept[0]!, kept.at(-1)!) === 0) kept.pop();
  return { points: kept, closed };
}

/** Parts nearer to each other than this share of the mean step touch. */
const TOUCHING_SHARE = 1e-5;

function meanStep(lines: readonly Line3[]): number {
  const steps = lines.reduce((n, l) => n + l.points.length - 1, 0);
  return lines.reduce((sum, l) => sum + lengthOf(l.points), 0) / steps;
}

/**
 * The simplest diagram found of closed lines.
 * @param drawn lines made of a shape that was looked at already: straightened ones may run as near to each other as they like
 * @throws shape-not-finite, too-few-points, too-many-points, strands-touch, too-many-crossings
 */
export function simplestDiagram(lines: readonly Line3[], drawn = false): Diagram {
  refuseUnfit(lines);
  const clean = lines.map(withoutRepeats);
  refuseUnfit(clean);
  if (clean.some((l) => !l.closed)) throw fault('ends-not-joined');
  if (!drawn) refuseTouching(clean, TOUCHING_SHARE * meanStep(clean));
  const fewer = straightened(clean);
  let best: Diagram | null = null;
  let refusal: IdiomError | null = null;
  for (const d of drawn ? HALF_OF_THEM : DIRECTIONS) {
    try {
      const found = reduced(diagramOf(crossingsSeenFrom(fewer, d, MOST_SEEN), fewer.length));
      if (!best || found.signs.length < best.signs.length) best = found;
      if (best.signs.length === 0) break;
    } catch (error) {
      if (!(error instanceof IdiomError) || (error.code !== 'view-not-regular' && error.code !== 'too-many-crossings'))
        throw error;
      refusal ??= error;
    }
  }
  if (!best) throw refusal!;
  if (best.signs.length > MOST_CROSSINGS) throw fault('too-many-crossings', { most: MOST_CROSSINGS });
  return best;
}
