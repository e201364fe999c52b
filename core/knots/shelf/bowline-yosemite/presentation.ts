import type { Presentation } from '../../shape/presentation';

export const presentation: Presentation = {
  kind: 'loop',
  frontYaw_deg: 0,
  standing_ropeDiameters: 20,
  tail_ropeDiameters: 16,
  tail: 'beside-standing',
  eye_ropeDiameters: 7.5,
  dressedLooseness: 1.2,
};
