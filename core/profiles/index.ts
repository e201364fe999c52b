export { SHIPPED_PROFILES, SHIPPED_VERSIONS } from './shipped';
export {
  DEFAULT_FIST_MM,
  FIST_RANGE_MM,
  judgeTail,
  requiredLength_mm,
  shippedProfile,
  type TailAnswer,
  type TailQuestion,
} from './tail';
export {
  PROFILE_IDS,
  type KnotStanding,
  type LengthKind,
  type LengthRule,
  type Profile,
  type ShippedProfileId,
  type TailUse,
} from './types';
