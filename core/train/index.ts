export { drill, RIGHT_SHARE } from './drill';
export { scored, type Attempt } from './score';
