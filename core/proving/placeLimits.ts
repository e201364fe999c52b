/** What the figures of a place where a form differs must come to. */
import type { PlaceFigures } from './placeProof';

/** The ring round a place is never smaller than can be seen, and never larger than a knot with its eye. */
const RADIUS = { least: 1.7, most: 66 };
/** A place lies at the rope, or the ring about it reaches it. */
const OFF_ROPE = 9;

/** Places that are none. */
export const placeFaults = (places: readonly PlaceFigures[]): string[] =>
  places
    .filter((p) => !(p.radius >= RADIUS.least && p.radius < RADIUS.most && p.offRope < Math.max(OFF_ROPE, p.radius)))
    .map((p) => `where it differs is no place on the ${p.on} form, ${p.state}`);
