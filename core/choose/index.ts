export { choose, type Choice, type Excluded, type Nearly, type RuleText, type ScorePart, type Suited } from './choose';
export { MUST_PASS, OBJECTS, PULLS, PURPOSES, ROPE_KINDS, TEAMS, UNTYING_WISHES, type Job, type JobRope } from './job';
export { ropeNeeded, type RopeNeeded, type RopeQuestion } from './ropeNeeded';
