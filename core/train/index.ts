export { drill, RIGHT_SHARE, type Drill, type DrillKey } from './drill';
export { scored, type Attempt, type Score } from './score';
