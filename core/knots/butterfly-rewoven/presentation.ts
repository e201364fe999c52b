import type { Presentation } from '../presenting';

export const presentation: Presentation = { kind: 'midline', frontYaw_deg: 0, standing_ropeDiameters: 14, tail_ropeDiameters: 14, eye_ropeDiameters: 6.5, dressedLooseness: 1.2 };
