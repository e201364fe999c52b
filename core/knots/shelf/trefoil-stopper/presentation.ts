import type { Presentation } from '../../shape/presentation';

/** The flat face, round the standing part, is its front: the standing part leans toward the viewer. */
export const presentation: Presentation = {
  kind: 'stopper',
  frontYaw_deg: 0,
  frontPitch_deg: 50,
  standing_ropeDiameters: 24,
  tail_ropeDiameters: 9,
  dressedLooseness: 1.2,
};
