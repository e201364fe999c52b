export { paceOf, QUICK_SECONDS, type Pace } from './pace';
export {
  checkPointsFor, judge, stopperAsked, TAIL_METHODS, TAIL_UNCERTAINTY_MM, VERDICTS,
  type JudgedPoint, type Judgement, type JudgeInput, type PointAnswer, type PointState, type TailMeasured, type TailMethod, type Verdict,
} from './verdict';
