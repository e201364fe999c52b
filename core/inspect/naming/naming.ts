/** Everything about naming a specimen, for those who hand it in. */
export { identify, type Identified, type Match } from './identify';
export { type Need } from './measured';
export { knownForms } from './known';
export { changesOf, type Change } from './changes';
export { facesAgree, identifyCode } from './fromCode';
export { inWords } from './inWords';
export { parseObj } from './obj';
export { lookalikesOf, type Lookalike } from './lookalikes/lookalikesOf';
export { knownOf, touched, withTouched, type Known } from './touched';
export type { Entered } from './specimen';
