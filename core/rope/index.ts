export { SettledWatch } from './settled';
export { RopeSolver, SOLVER_SETTINGS, type SolverSettings } from './solver';
export type { RopeSpec, RopeState } from './state';
export { handsOn, type EyeDisc, type Hands, type Haul, type Post, type Pull, type Squeeze, type Wall } from './things';
export {
  contactCentre,
  FIRM,
  GENTLE,
  NODE_SPACING,
  tighten,
  type EndPull,
  type EyePull,
  type HandsLaid,
  type Moment,
  type PostHeld,
  type RingPull,
  type Stage,
  type Tightened,
  type Tightening,
} from './tighten';
