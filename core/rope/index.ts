export { RopeSolver, SOLVER_SETTINGS, type EyeDisc, type Pull, type SolverSettings } from './solver';
export { contactCentre, FIRM, GENTLE, NODE_SPACING, tighten, type EndPull, type EyePull, type Stage, type Tightened, type Tightening } from './tighten';
