import type { Presentation } from '../baking';

export const presentation: Presentation = { frontYaw_deg: 0, standing_ropeDiameters: 20, tail_ropeDiameters: 16, tail: 'beside-standing', eye_ropeDiameters: 7 };
