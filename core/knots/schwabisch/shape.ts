/** Schwabisch: a wound form; one turn one way below, the sense reversed, four turns up through the loop so made; both legs leave on one side. */
import { HOST_RADIUS, hungByLegs } from '../on-host';
import type { LaidForms } from '../laid';
import { hangingLeg, twoSided } from '../wraps';

export const forms = {
  right: () => hungByLegs(twoSided(4, 1, HOST_RADIUS, [hangingLeg(-1, 0.55, HOST_RADIUS, 68, 2), hangingLeg(-1, -0.55, HOST_RADIUS, 38, 2)]), [-0.03, -0.03]),
} satisfies LaidForms;
