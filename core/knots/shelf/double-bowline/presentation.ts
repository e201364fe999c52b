import type { Presentation } from '../../shape/presentation';

export const presentation: Presentation = {
  kind: 'loop',
  frontYaw_deg: 0,
  standing_ropeDiameters: 20,
  tail_ropeDiameters: 9,
  tail: 'inside-eye',
  eye_ropeDiameters: 11.5,
  dressedLooseness: 1.2,
};
