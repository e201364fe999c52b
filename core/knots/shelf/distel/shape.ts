/** Distel: a wound form; four turns up, down in front of the legs, one turn more of the same sense below; a leg leaves on each side. */
import { HOST_RADIUS, hungByLegs } from '../../laying/on-host';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import { hangingLeg, oneSense, type Wrong } from '../../laying/wraps';

const distel = (above: number, wrong: Wrong = {}): LaidKnot =>
  hungByLegs(
    oneSense(
      above,
      1,
      HOST_RADIUS,
      [hangingLeg(-1, 0.55, HOST_RADIUS, 40, 2), hangingLeg(1, -0.55, HOST_RADIUS, 62, 2)],
      undefined,
      wrong,
    ),
    [-0.05, 0.05],
  );

export const forms = {
  right: () => distel(4),
  'one-wrap-short': () => distel(3),
  'crossed-wraps': () => distel(4, { crossed: 1 }),
} satisfies LaidForms;
