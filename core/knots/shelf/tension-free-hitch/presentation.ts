import type { Presentation } from '../../shape/presentation';

/** Its author says how it lies in every state; only the ends' lengths could be asked, and they are the author's too. */
export const presentation: Presentation = {
  kind: 'placed',
  frontYaw_deg: 0,
  along: 'x',
  laidFrom: 'author',
  standing_ropeDiameters: 16,
  tail_ropeDiameters: 16,
  dressedLooseness: 1.25,
};
