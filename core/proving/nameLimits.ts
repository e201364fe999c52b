/** What the figures of a name must come to. */
import type { NameFigures } from './nameProof';

/** The ring round a place is never smaller than can be seen, and never larger than a knot with its eye. */
const RADIUS = { least: 1.7, most: 66 };
/** A place lies at the rope, or the ring about it reaches it. */
const OFF_ROPE = 9;

/** What is not as it must be: another name, none in any state, or a place that is nowhere. Now and then noise hides a form in one state: that is no fault. */
export function nameFaults({ asked, named, leftOpen, otherwise, places }: NameFigures): string[] {
  return [
    ...otherwise.map((o) => `named as another: ${o}`),
    ...(named === 0 ? [`named in none of ${asked} states, left open in ${leftOpen}`] : []),
    ...places
      .filter((p) => !(p.radius >= RADIUS.least && p.radius < RADIUS.most && p.offRope < Math.max(OFF_ROPE, p.radius)))
      .map((p) => `where it differs is no place on the ${p.on} form, ${p.state}`),
  ];
}
