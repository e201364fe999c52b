/**
 * Prusik: a girth hitch whose loop has been taken through again and again, as a wound form: n wraps up, the bridge over the front, n wraps down of the other sense.
 * Wound, because the number of wraps then is one figure.
 */
import { HOST_RADIUS, hungByLegs } from '../on-host';
import type { LaidForms, LaidKnot } from '../laid';
import { hangingLeg, twoSided } from '../wraps';

function prusik(wraps: number): LaidKnot {
  const legs = [hangingLeg(-1, 0.55, HOST_RADIUS, 68, wraps + 1), hangingLeg(-1, -0.55, HOST_RADIUS, 38, wraps + 1)] as const;
  return hungByLegs(twoSided(wraps, wraps, HOST_RADIUS, legs), [-0.03, -0.03]);
}

export const forms = { right: () => prusik(3), 'wraps-2': () => prusik(2), 'wraps-4': () => prusik(4), 'wraps-5': () => prusik(5) } satisfies LaidForms;
