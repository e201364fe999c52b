/** What of a knot lies round its object, and what of it is its own: told apart, so that another object's girth can be put in its place. */
import type { BakedForm } from '../knots/shape/stored';

/** How often the rope goes round its object: as tied and as drawn here; friction hitches by their usual wraps. */
const TURNS: Readonly<Record<string, number>> = {
  'tension-free-hitch': 4,
  'clove-hitch': 2,
  'girth-hitch': 2,
  'munter-hitch': 1,
  'munter-mule-overhand': 1,
  'half-hitches': 1,
  distel: 5,
  schwabisch: 5,
  michoacan: 5,
  prusik: 6,
  klemheist: 8,
  autoblock: 8,
};

/** One turn of rope laid beside the next, in the unit of both diameters: the middle line runs half the rope off the object and climbs by its thickness. */
export const oneTurn = (object: number, rope: number): number => Math.hypot(Math.PI * (object + rope), rope);

export interface Round {
  readonly turns: number;
  /** thickness of what it is drawn on, rope diameters */
  readonly drawnOn_ropeDiameters: number;
}

/** How a knot goes round its object; null where it does not, or has an eye for that. */
export function roundObject(knot: string, form: BakedForm): Round | null {
  const turns = TURNS[knot];
  const on = (form.set.tight.objects ?? form.objects)[0];
  return turns === undefined || !on ? null : { turns, drawnOn_ropeDiameters: on.diameter };
}
