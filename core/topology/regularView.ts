/** The directions that are tried, and the first of them from which every crossing can be told. */
import type { Line3, Point3 } from '../curve';
import { fault, IdiomError } from '../errors';
import { crossingsSeenFrom, type Crossings } from './crossings';

const VIEWS = 30;

/** Evenly spread directions (a Fibonacci sphere), turned so that no axis is among them. */
export const DIRECTIONS: readonly Point3[] = Array.from({ length: VIEWS }, (_, k) => {
  const z = 1 - (2 * k + 1) / VIEWS;
  const a = k * Math.PI * (3 - Math.sqrt(5)) + 0.2345;
  const r = Math.sqrt(1 - z * z);
  return [r * Math.cos(a), r * Math.sin(a), z];
});

/**
 * The crossings from the first regular view.
 * @param tried directions in the order of liking
 * @throws view-not-regular where none is; strands-touch, shape-not-finite, too-few-points, too-many-crossings
 */
export function regularView(lines: readonly Line3[], tried: readonly Point3[] = DIRECTIONS): Crossings {
  for (const direction of tried)
    try {
      return crossingsSeenFrom(lines, direction);
    } catch (error) {
      if (!(error instanceof IdiomError) || error.code !== 'view-not-regular') throw error;
    }
  throw fault('view-not-regular');
}
