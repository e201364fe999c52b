import type { Presentation } from '../../shape/presentation';

export const presentation: Presentation = {
  kind: 'midline',
  frontYaw_deg: 0,
  standing_ropeDiameters: 22,
  tail_ropeDiameters: 22,
  eye_ropeDiameters: 6.5,
  dressedLooseness: 1.2,
};
