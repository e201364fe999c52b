/**
 * Loops tied on a bight: a single path doubled by offset, so that every pair is parallel by construction;
 * the two strands meet in the eye. The rope hangs from its standing part (up) into the eye (down).
 */
import { lanes, nearestIndex, offsetInPlane, splineThrough, type Point3 } from '../../curve';
import { NODE_SPACING } from '../../rope';
import { bell, flatDiagram, nodesOf, reversed, step, turnedUpsideDown, type Control } from './authoring';
import { drawnAsPair } from './drawing';
import type { LaidKnot } from '../shape/laid';

export interface Lanes {
  readonly standing: readonly Point3[];
  readonly tail: readonly Point3[];
}

/** Half the distance of the strands of a pair as laid, diameters. */
export const HALF_GAP = 0.64;

/** The path as a pair. `side` 1: the standing part takes the left lane, seen along the path. */
export function pair(path: readonly Point3[], side: 1 | -1): Lanes {
  const [left, right] = lanes(path, 2, 2 * HALF_GAP) as [Point3[], Point3[]];
  return side > 0 ? { standing: left, tail: right } : { standing: right, tail: left };
}

/** points over which a pair changes places, to either side: 2.2 diameters of a flat diagram */
const CROSSED_OVER = 22;

/** The pair whose strands change places at point `at` of the path: a pair crossed inside. @see pair */
export function crossedPair(path: readonly Point3[], side: 1 | -1, at: number, halfGap = HALF_GAP): Lanes {
  const lane = (sense: 1 | -1) =>
    offsetInPlane(path, (i) => side * sense * halfGap * (1 - 2 * step((i - at) / CROSSED_OVER))).map((p, i): Point3 => [
      p[0],
      p[1],
      p[2] + sense * 0.66 * bell((i - at) / (1.4 * CROSSED_OVER)),
    ]);
  return { standing: lane(1), tail: lane(-1) };
}

const EYE_LENGTH = 8;

/**
 * Both lanes joined by an eye beyond the path's far end, as solver nodes, turned so that the eye hangs down.
 * @param lanes both run from the standing side to the eye
 */
export function joinedByEye({ standing, tail }: Lanes): { points: Point3[]; eyeNode: number } {
  const a = standing.at(-1)!;
  const b = tail.at(-1)!;
  const middle = (a[0] + b[0]) / 2;
  const out = Math.sign(a[0] - b[0]) || 1;
  const y = a[1];
  const at = (x: number, rise: number): Point3 => [middle + x, y + rise, 0];
  const eye = splineThrough([
    a,
    at(out * 1.6, 3),
    at(out * 3.2, EYE_LENGTH),
    at(0, EYE_LENGTH + 3.6),
    at(-out * 3.2, EYE_LENGTH),
    at(-out * 1.6, 3),
    b,
  ]);
  const points = nodesOf(turnedUpsideDown([...standing, ...eye.slice(1, -1), ...reversed(tail)]), NODE_SPACING);
  return { points, eyeNode: nearestIndex(points, [-middle, -(y + EYE_LENGTH + 3.6), 0]) };
}

/** A flat single path tied on a bight. @param twistedAt control-point coordinates of the turn at which a twisted pair changes places */
export function tiedOnBight(
  control: readonly Control[],
  scale: number,
  twistedAt?: readonly [number, number],
): LaidKnot {
  const path = flatDiagram(control, { scale, height: 0.68, plateau: 1.9 });
  const laid = joinedByEye(
    twistedAt
      ? crossedPair(path, 1, nearestIndex(path, [twistedAt[0] * scale, twistedAt[1] * scale, 0]))
      : pair(path, 1),
  );
  return { ...laid, drawing: drawnAsPair(laid.eyeNode) };
}
