export { choose, SCORE_PARTS } from './choose';
export { eyeToEyeLength, loopLength, roundAPost } from './cutLength';
export { BANDS, DIRECTIONS_OF_PULL, FRICTION_HITCHES, frictionHitch } from './friction';
export {
  LOOP_JOINTS,
  MUST_PASS,
  OBJECTS,
  PULLS,
  PURPOSES,
  ROPE_KINDS,
  TEAMS,
  UNTYING_WISHES,
  type Job,
  type JobRope,
} from './job';
export { CAUGHT, DEVICES, passage, PASSING_RESULTS, SHIPPED_TRIALS, type PassingTrial } from './passing';
export { ropeNeeded } from './ropeNeeded';
export { whatElse, withElse } from './whatElse';
export { OWN_STOPPER_RULE, PURPOSE_RULE, RULES } from './rules';
export { jobFor } from './forPurpose';
export { whatDecides } from './difference';
