import type { Presentation } from '../../shape/presentation';

export const presentation: Presentation = {
  kind: 'placed',
  frontYaw_deg: 0,
  along: 'y',
  laidFrom: 'tight',
  slack_ropeDiameters: 9,
  standing_ropeDiameters: 14,
  tail_ropeDiameters: 14,
  dressedLooseness: 1.1,
};
