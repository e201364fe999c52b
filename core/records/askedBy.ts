/** What a recorded check asked of judging, to be judged again. */
import type { PointAnswer } from '../inspect/judging';
import type { CheckBody } from './entries';

/** @param answers its own, or those of a look or correction since */
export const askedBy = (check: CheckBody, answers: readonly PointAnswer[], secondSigned: boolean) => ({
  knot: check.knot,
  use: check.use,
  companions: check.companions,
  rope_kind: check.rope_kind,
  rope_diameter_mm: check.rope_diameter_mm,
  stopper: check.stopper,
  fist_mm: check.fist_mm,
  answers,
  secondSigned,
  rope_state: check.rope_state,
  tied_by_unknown: check.tied_by_unknown,
  short: check.short,
});
