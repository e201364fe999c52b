import type { Presentation } from '../../shape/presentation';

export const presentation: Presentation = {
  kind: 'placed',
  frontYaw_deg: 0,
  along: 'x',
  laidFrom: 'author',
  standing_ropeDiameters: 20,
  tail_ropeDiameters: 12,
  dressedLooseness: 1.15,
};
