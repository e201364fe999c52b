export { COMMON_PRACTICE, practiceOf, PRACTICES } from './common';
export { hasTail, lengthAsked, lengthFor, type LengthAnswer } from './lengths';
export {
  askedOf,
  companionsAsked,
  companionMeant,
  companionsTied,
  lookAgainAfter_h,
  refusalOf,
  ruleOfPoint,
  rulesOf,
  type CompanionAsked,
  type NamedRule,
  type Rules,
} from './rules';
export { SHIPPED_PROFILES, SHIPPED_VERSIONS } from './shipped';
export { DEFAULT_FIST_MM, requiredLength_mm, shippedProfile } from './tail';
export { PROFILE_IDS, type Profile, type ShippedProfileId } from './types';
