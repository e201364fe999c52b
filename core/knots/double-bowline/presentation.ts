import type { Presentation } from '../baking';

export const presentation: Presentation = { frontYaw_deg: 0, standing_ropeDiameters: 20, tail_ropeDiameters: 9, tail: 'inside-eye', eye_ropeDiameters: 11.5 };
