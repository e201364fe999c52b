import type { Presentation } from '../presenting';

export const presentation: Presentation = { kind: 'placed', frontYaw_deg: 0, along: 'y', laidFrom: 'author', farthest_ropeDiameters: 8, standing_ropeDiameters: 18, tail_ropeDiameters: 10, dressedLooseness: 1.13 };
