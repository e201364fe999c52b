/** How the drawn-up form of a knot is turned and cut for the page, as its author says it: data that baking reads. */

export interface Cut {
  /** turn about the upright axis that brings the front to the viewer, degrees */
  readonly frontYaw_deg: number;
  /** then the head turned toward the viewer, degrees */
  readonly frontPitch_deg?: number;
  /** rope shown beyond the knot, diameters */
  readonly standing_ropeDiameters: number;
  readonly tail_ropeDiameters: number;
  /** how much larger than tight the dressed form lies: every strand where it should be, the knot not set */
  readonly dressedLooseness: number;
}
/** How a stored shape is turned and cut. */
export type Presentation =
  | (Cut & {
      readonly kind: 'loop';
      /** the tail is led up beside the standing part, or down inside the eye, on the front */
      readonly tail: 'beside-standing' | 'inside-eye';
      /** depth of the eye below the knot's legs, diameters */
      readonly eye_ropeDiameters: number;
    })
  | (Cut & { readonly kind: 'midline'; readonly eye_ropeDiameters: number })
  /** drawn up on what it holds: the eye is as the solver leaves it */
  | (Cut & { readonly kind: 'noose' })
  | (Cut & { readonly kind: 'stopper' })
  | Placed;

/** It stays as it was drawn up, joints of two ropes and hitches on an object above all: only turned, and its ends cut. */
export interface Placed extends Cut {
  readonly kind: 'placed';
  /** turn in the page before the other two, degrees */
  readonly roll_deg?: number;
  /** along which axis of the picture its length is measured */
  readonly along: 'x' | 'y';
  /** the laid form is the author's, or the tight one opened wide where a wound form has no room to be read */
  readonly laidFrom: 'author' | 'tight';
  /** unloaded rope inside a hitch that lies on something, at most, diameters */
  readonly slack_ropeDiameters?: number;
  /** what lies farther from the middle of a knot that lies on nothing is no part of it, diameters */
  readonly farthest_ropeDiameters?: number;
  /** forms with more rope between their parts: what is otherwise with them */
  readonly inForm?: Readonly<
    Record<string, { readonly slack_ropeDiameters: number; readonly farthest_ropeDiameters: number }>
  >;
}
