/** What a way of tying is made of. */
import type { BakedKnot, CatalogueKnot, ShapeState } from './stored';

interface Told {
  readonly caption: string;
  readonly hands: { readonly left: string; readonly right: string };
  readonly moving: string;
}
/** A step that moves an end, or the bight, along its path. */
export interface MovingStep extends Told {
  /** how many crossings of its laid path it has made then, seen from the front */
  readonly upTo: number;
  /** whose end it is, where there are two ropes */
  readonly rope?: 0 | 1;
}
/** A step that follows the making: the knot is dressed, and set. */
export interface StillStep extends Told {
  readonly upTo: Exclude<ShapeState, 'laid'>;
}
/** A way of tying. */
export interface WayOfTying {
  /** the end does the tying; or a bight does, and no end is needed */
  readonly making: 'end' | 'bight';
  /** the form it ends in, where it is not the right one */
  readonly form?: string;
  /** crossings that lie along each rope before the tying begins, nothing being tied yet; none where it is not said */
  readonly start?: readonly number[];
  readonly steps: readonly (MovingStep | StillStep)[];
}

/** A knot of the catalogue with the ways in which it is tied. */
export interface TiedKnot extends Omit<CatalogueKnot, 'ways'> {
  readonly baked: BakedKnot;
  readonly ways: Readonly<Record<string, WayOfTying>>;
}
