/**
 * Clove hitch: a wound form of two turns of one sense, the second laid below the first, the strand between them running over both; on a karabiner and on
 * a post. The two loops mirrored give the girth's turns, the second end not under its own cross a mere coil.
 */
import { BAR_RADIUS, comingIn, onKarabiner, onPost, POST_RADIUS } from '../../laying/on-bar';
import type { Drawing, LaidForms } from '../../shape/laid';
import { crossingsReversed } from '../../laying/operations';
import { oneSense, twoSided } from '../../laying/wraps';

const pulled = (other: readonly [number, number, number]): Drawing['pulls'] => [
  { rope: 0, end: 'standing', direction: [0, -1, 0], share: 1 },
  { rope: 0, end: 'tail', direction: other, share: 1 },
];
const wound = (r: number, from: number, slant_deg: number) =>
  oneSense(1, 1, r, [comingIn(-1, 0.55, r, from), comingIn(1, -0.55, r, from)], slant_deg);

export const forms = {
  right: () => onKarabiner(wound(BAR_RADIUS, 14, 38), pulled([0.6, 0.8, 0.25])),
  'on-post': () => onPost(wound(POST_RADIUS, 16, 12), pulled([0, 1, 0])),
  // the end over its own cross, not under it
  'not-tucked': () => crossingsReversed(onPost(wound(POST_RADIUS, 16, 12), pulled([0, 1, 0])), [3]),
  'mirrored-loops': () =>
    onKarabiner(
      twoSided(1, 1, BAR_RADIUS, [comingIn(-1, 0.55, BAR_RADIUS), comingIn(-1, -0.55, BAR_RADIUS)]),
      pulled([0, -1, 0]),
    ),
} satisfies LaidForms;
