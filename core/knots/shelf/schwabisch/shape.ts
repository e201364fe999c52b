/** Schwabisch: a wound form; one turn one way below, the sense reversed, four turns up through the loop so made; both legs leave on one side. */
import { HOST_RADIUS, hungByLegs } from '../../laying/on-host';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import { hangingLeg, twoSided, type Wrong } from '../../laying/wraps';

const schwabisch = (above: number, wrong: Wrong = {}): LaidKnot =>
  hungByLegs(
    twoSided(
      above,
      1,
      HOST_RADIUS,
      [hangingLeg(-1, 0.55, HOST_RADIUS, 68, 2), hangingLeg(-1, -0.55, HOST_RADIUS, 38, 2)],
      wrong,
    ),
    [-0.03, -0.03],
  );

export const forms = {
  right: () => schwabisch(4),
  'one-wrap-short': () => schwabisch(3),
  'crossed-wraps': () => schwabisch(4, { crossed: 1 }),
} satisfies LaidForms;
