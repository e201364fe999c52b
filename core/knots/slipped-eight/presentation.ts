import type { Presentation } from '../presenting';

export const presentation: Presentation = { kind: 'placed', frontYaw_deg: 0, along: 'y', laidFrom: 'author', standing_ropeDiameters: 18, tail_ropeDiameters: 16, dressedLooseness: 1.15 };
