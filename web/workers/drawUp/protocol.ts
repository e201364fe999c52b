/** What page and worker say to each other while a knot is drawn up: one request, many reports, one answer. */
import type { DrawnPart } from '../../../core/knots/baking/drawUp';
import type { BakedShape } from '../../../core/knots/shape/stored';

export interface DrawUpRequest {
  readonly request: number;
  readonly knot: string;
  readonly form: string;
}
export type DrawUpReply =
  | { readonly request: number; readonly kind: 'progress'; readonly share: number }
  | {
      readonly request: number;
      readonly kind: 'done';
      readonly tight: BakedShape;
      readonly parts: readonly DrawnPart[];
      /** the way there: points per frame, part by part, x y z one after another, laid first, turned as the tight form; transferred */
      readonly frames: readonly Float32Array[];
    }
  | { readonly request: number; readonly kind: 'failed'; readonly code: string };
