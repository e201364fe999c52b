/**
 * A strand that comes back beside the standing part and winds two turns round it, the second crossing over from the first, its end under that
 * cross: toward the eye it is the buntline's hitch, away from it two half hitches. Keys about the upright standing part. Unit: rope diameters.
 */
import type { Key } from './wraps';

const ROOM = 1.6;
const TURN = 1.05;
const OVER = 2.25;

// prettier-ignore
const TOWARD_THE_EYE: readonly Key[] = [
  [90, -6, 2.2], [90, -3, 2.2], [88, -1.2, 2.2], [78, 0.3, 1.9], [58, 0.95, 1.3], [20, 1, TURN], [-45, 1, TURN], [-90, 1, TURN], [-135, 1, TURN], [-180, 1, TURN], [-225, 1.05, 1.1], [-262, 1.35, 1.5], [-300, 1.3, 2.2],
  [-330, 0.7, OVER], [-360, 0, OVER], [-395, -0.7, 1.9], [-430, -1, 1.3], [-465, -1, TURN], [-510, -1, TURN], [-555, -1, TURN], [-600, -1, TURN], [-645, -1, TURN], [-680, -0.85, TURN], [-710, -0.4, TURN], [-735, -0.1, TURN],
  [-765, 0, 1.3], [-790, 0.05, 1.9], [-800, 0.05, 2.9],
];

// prettier-ignore
const AWAY_FROM_IT: readonly Key[] = [
  [100, -7, 2.6], [98, -4, 2.6], [93, -1.4, 2.6], [78, -0.2, 2.3], [58, 0.1, 1.5], [20, -0.4, TURN], [-45, -1.1, TURN], [-90, -1.25, TURN], [-135, -1.3, TURN], [-180, -1.4, TURN], [-225, -1.6, TURN], [-262, -1.9, 1.1], [-300, -1.8, 1.4],
  [-325, -1.1, 2], [-350, -0.1, OVER], [-380, 0.8, 2.1], [-410, 1.25, 1.5], [-440, 1.35, TURN], [-500, 1.35, TURN], [-555, 1.35, TURN], [-600, 1.35, TURN], [-645, 1.35, TURN], [-680, 1.2, TURN], [-705, 0.9, TURN], [-735, 0.3, TURN],
  [-765, 0, 1.3], [-790, -0.05, 1.9], [-800, -0.05, 2.9],
];

/** The second turn taken round the leg that comes back as well: outside it where it passes it, at 90 degrees. */
// prettier-ignore
const ROUND_THE_LEG_TOO: readonly Key[] = [[-555, -1, 1.2], [-590, -1.05, 2], [-612, -1.1, 2.9], [-630, -1.1, 3.25], [-648, -1.05, 2.9], [-670, -0.95, 2], [-695, -0.7, 1.3], [-715, -0.35, TURN], [-735, -0.1, TURN]];

/** Toward the eye, the second turn round both the standing part and the leg that comes back. */
export const secondTurnRoundBoth = (): Key[] =>
  [...TOWARD_THE_EYE.filter(([t]) => t > -555), ...ROUND_THE_LEG_TOO, ...TOWARD_THE_EYE.filter(([t]) => t < -735)].map(
    ([t, h, r]): Key => [t, h * ROOM, r * ROOM],
  );

/** @param toward -1 the second turn nearer the eye (which hangs below), 1 farther from it */
export const twoTurnsRound = (toward: 1 | -1): Key[] =>
  (toward < 0 ? TOWARD_THE_EYE : AWAY_FROM_IT).map(([t, h, r]): Key => [t, h * ROOM, r * ROOM]);

/** Away from the eye, the second turn the other way round than the first: a cow hitch round the standing part. */
export const cowTurnsRound = (): Key[] =>
  (
    [
      ...AWAY_FROM_IT.slice(0, 15),
      [-372, 0.8, 2.3],
      [-378, 1.9, 2.3],
      [-372, 2.6, 2],
      [-350, 2.5, 1.4],
      [-315, 2.3, TURN],
      [-270, 2.2, TURN],
      [-225, 2.1, TURN],
      [-180, 2, TURN],
      [-135, 1.9, TURN],
      [-90, 1.7, TURN],
      [-50, 1.4, 1.1],
      [-25, 1.15, 1.1],
      [0, 1, 1.15],
      [20, 0.9, 1.4],
      [32, 0.9, 2.2],
      [36, 0.9, 3],
    ] as Key[]
  ).map(([t, h, r]): Key => [t, h * ROOM, r * ROOM]);
