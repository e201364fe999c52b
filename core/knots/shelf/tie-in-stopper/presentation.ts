import type { Presentation } from '../../shape/presentation';

/** the stopper stands away from the knot */
const FAR = { slack_ropeDiameters: 14, farthest_ropeDiameters: 20 };

export const presentation: Presentation = {
  kind: 'placed',
  frontYaw_deg: 0,
  along: 'y',
  laidFrom: 'author',
  farthest_ropeDiameters: 8,
  standing_ropeDiameters: 18,
  tail_ropeDiameters: 10,
  dressedLooseness: 1.13,
  inForm: { 'stopper-gap': FAR, 'stopper-wrong-face': FAR },
};
