export { lengthFor } from './lengths';
export { SHIPPED_PROFILES, SHIPPED_VERSIONS } from './shipped';
export { judgeTail, requiredLength_mm, shippedProfile, type TailAnswer, type TailQuestion } from './tail';
export { PROFILE_IDS, type Profile, type ShippedProfileId } from './types';
