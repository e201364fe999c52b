import type { Presentation } from '../presenting';

export const presentation: Presentation = { kind: 'loop', frontYaw_deg: 0, standing_ropeDiameters: 20, tail_ropeDiameters: 9, tail: 'beside-standing', eye_ropeDiameters: 6.5, dressedLooseness: 1.13 };
