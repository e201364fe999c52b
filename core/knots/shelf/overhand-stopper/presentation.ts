import type { Presentation } from '../../shape/presentation';

export const presentation: Presentation = {
  kind: 'stopper',
  frontYaw_deg: 0,
  standing_ropeDiameters: 14,
  tail_ropeDiameters: 9,
  dressedLooseness: 1.2,
};
