/**
 * Prusik: a girth hitch whose loop has been taken through again and again, as a wound form: n wraps up, the bridge over the front, n wraps down of the other sense.
 * Wound, because the number of wraps then is one figure.
 */
import { HOST_RADIUS, hungByLegs } from '../../laying/on-host';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import { hangingLeg, oneSense, twoSided, type Wrong } from '../../laying/wraps';

function prusik(wraps: number, wrong: Wrong = {}): LaidKnot {
  const legs = [
    hangingLeg(-1, 0.55, HOST_RADIUS, 68, wraps + 1),
    hangingLeg(-1, -0.55, HOST_RADIUS, 38, wraps + 1),
  ] as const;
  return hungByLegs(twoSided(wraps, wraps, HOST_RADIUS, legs, wrong), [-0.03, -0.03]);
}

export const forms = {
  right: () => prusik(3),
  'wraps-2': () => prusik(2),
  'wraps-4': () => prusik(4),
  'wraps-5': () => prusik(5),
  'turns-reversed': () =>
    hungByLegs(
      oneSense(3, 3, HOST_RADIUS, [hangingLeg(-1, 0.55, HOST_RADIUS, 48, 4), hangingLeg(1, -0.55, HOST_RADIUS, 62, 4)]),
      [-0.04, 0.04],
    ),
  'crossed-wraps': () => prusik(3, { crossed: 1 }),
} satisfies LaidForms;
