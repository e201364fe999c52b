/** A bight turned over: its two legs wind about the axis between them, half a turn or more, while it hangs. Unit: rope diameters. */
import type { Point3 } from '../../curve';

/** A place on one leg: how far from the axis, how far along it, how deep while it is turned, and of each half turn its share in it. */
export interface TurnedPlace {
  readonly wide: number;
  /** before any turn: a bight hangs open */
  readonly open: number;
  readonly at: number;
  readonly deep: number;
  readonly shares: readonly number[];
}

/**
 * One leg of the bight, from its beginning to the tip.
 * @param side 1 right, -1 left
 * @param turns how much of each half turn is made, 0 to 1; negative the other way
 */
export const legTurned = (places: readonly TurnedPlace[], turns: readonly number[], side: 1 | -1): Point3[] =>
  places.map(({ wide, open, at, deep, shares }): Point3 => {
    const made = shares.reduce((sum, s, k) => sum + s * turns[k]!, 0);
    // it closes in as the last turn that moves it is made
    const last = shares.findLastIndex((s) => s > 0);
    const w = last < 0 ? open : open + (wide - open) * Math.abs(turns[last]!);
    return [side * w * Math.cos(Math.PI * made), at, side * deep * Math.sin(Math.PI * made)];
  });
