import type { Presentation } from '../../shape/presentation';

export const presentation: Presentation = {
  kind: 'placed',
  frontYaw_deg: 0,
  along: 'y',
  laidFrom: 'author',
  standing_ropeDiameters: 18,
  tail_ropeDiameters: 16,
  dressedLooseness: 1.13,
};
