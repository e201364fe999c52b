/** Distel: a wound form; four turns up, down in front of the legs, one turn more of the same sense below; a leg leaves on each side. */
import { HOST_RADIUS, hungByLegs } from '../on-host';
import type { LaidForms } from '../laid';
import { hangingLeg, oneSense } from '../wraps';

export const forms = {
  right: () => hungByLegs(oneSense(4, 1, HOST_RADIUS, [hangingLeg(-1, 0.55, HOST_RADIUS, 40, 2), hangingLeg(1, -0.55, HOST_RADIUS, 62, 2)]), [-0.05, 0.05]),
} satisfies LaidForms;
