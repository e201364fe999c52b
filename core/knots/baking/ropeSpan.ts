/** Where along a rope a drawn-up knot lies. */

export type Span = readonly [number, number];

export interface RopeSpan {
  readonly span: Span;
  /** where the legs of each eye leave the knot */
  readonly eyes: readonly { readonly from: number; readonly at: number; readonly to: number }[];
}
