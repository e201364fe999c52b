export { judge } from './judge';
export { paceOf } from './pace';
export {
  FIST_ANSWERS,
  isByFist,
  ROPE_STATES,
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
  type TailGiven,
  type TailMethod,
  type Verdict,
} from './verdict';
export { pointsAsked } from './pointsAsked';
export { companionPoint, graveBeyondShortLook, shortLookAllowed, strictestUse, walkFor, type WalkPoint } from './walk';
export { METHOD_WORDS, VERDICT_WORDS, verdictSaid } from './words';
export { wrongPicture } from './pictured';
export { typedTail_mm, type TailUnit } from './tails';
