export {
  choose,
  SCORE_PARTS,
  type Choice,
  type Excluded,
  type Nearly,
  type RuleText,
  type ScorePart,
  type Suited,
} from './choose';
export { eyeToEyeLength, loopLength, roundAPost, type CutLength } from './cutLength';
export {
  BANDS,
  DIRECTIONS_OF_PULL,
  FRICTION_HITCHES,
  frictionHitch,
  type Band,
  type FrictionAnswer,
  type Zone,
} from './friction';
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
export { ropeNeeded, type RopeNeeded, type RopeQuestion } from './ropeNeeded';
export { whatElse, withElse, type WhatElse } from './whatElse';
export { OWN_STOPPER_RULE, PURPOSE_RULE, RULES, WEIGHTS, type Rule } from './rules';
export { jobFor, OBJECTS_FOR, PULLS_ASKED, pullsFor, SHOWN_FOR, TWO_ROPES } from './forPurpose';
export {
  pullBetween,
  STRAND_WORDS,
  strandAt,
  strandOf,
  STRANDS,
  strandsPulled,
  strandsThere,
  type Strand,
  type StrandedComponent,
} from './strands';
export { whatDecides, type Difference } from './difference';
