export { paceOf } from './pace';
export {
  checkPointsFor,
  judge,
  ROPE_STATES,
  stopperAsked,
  tailNames,
  TAIL_METHODS,
  TAIL_UNCERTAINTY_MM,
  VERDICTS,
  worse,
  type JudgedPoint,
  type Judgement,
  type JudgeInput,
  type PointAnswer,
  type PointState,
  type RopeState,
  type TailMeasured,
  type TailMethod,
  type Verdict,
} from './verdict';
export { METHOD_WORDS, VERDICT_WORDS, verdictSaid } from './words';
export { wrongPicture } from './pictured';
export { typedTail_mm, type TailUnit } from './tails';
