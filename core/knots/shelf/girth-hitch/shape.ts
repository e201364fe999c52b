/** Girth hitch: a wound form; a turn either way and the bridge over both, both legs out under it: a bight round the bar, everything through the bight. */
import { BAR_RADIUS, comingIn, onKarabiner } from '../../laying/on-bar';
import type { LaidForms } from '../../shape/laid';
import { twoSided } from '../../laying/wraps';

export const forms = {
  right: () =>
    onKarabiner(twoSided(1, 1, BAR_RADIUS, [comingIn(-1, 0.55, BAR_RADIUS), comingIn(-1, -0.55, BAR_RADIUS)]), [
      { rope: 0, end: 'standing', direction: [-0.04, -1, 0], share: 1 },
      { rope: 0, end: 'tail', direction: [0.04, -1, 0], share: 1 },
    ]),
} satisfies LaidForms;
