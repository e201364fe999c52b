import type { Presentation } from '../../shape/presentation';

export const presentation: Presentation = {
  kind: 'noose',
  frontYaw_deg: 0,
  standing_ropeDiameters: 16,
  tail_ropeDiameters: 12,
  dressedLooseness: 1.2,
};
