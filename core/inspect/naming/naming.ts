/** Everything about naming a specimen, for those who hand it in. */
export { identify } from './identify';
export { knownForms } from './known';
export { changesOf } from './changes';
export { facesAgree, identifyCode } from './fromCode';
export { inWords } from './inWords';
export { parseObj } from './obj';
export { lookalikesOf } from './lookalikes/lookalikesOf';
export { knownOf, touched, withTouched } from './touched';
export type { Entered } from './specimen';
