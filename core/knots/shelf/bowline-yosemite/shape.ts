/**
 * Bowline with the Yosemite finish: a flat diagram with its over and under, because the
 * bowlines are: they can be held against each other pass by pass. A bowline; then the end goes once
 * round the leg of the eye beside it (behind, round, back in front), under itself, up behind the nipping
 * loop and through the collar beside the standing part: tail and leg together make an eight.
 */
import { nearestIndex } from '../../../curve';
import { NODE_SPACING } from '../../../rope';
import { flatDiagram, nodesOf, type Control } from '../../laying/authoring';
import { EYE_RADIUS } from '../../laying/drawing';
import { asItLies } from '../../laying/as-it-lies';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import { karabinerIn } from '../../shape/objects';

const SCALE = 2;
// prettier-ignore
const NIPPING_LOOP: readonly Control[] = [
  [0, 26], [0, 18], [0, 13, 0], [0, 10.2, 1], [-0.2, 6.2, -1], [-1.6, 4, -0.5], [-3.4, 1.4, 0], [-2.8, -1.8, 0], [0, -3.1, 0], [2.8, -1.8, 0], [4.1, 0.8, 0], [3.6, 3.8, 0], [2.2, 5.3, 0],
  [0.4, 5.7, 1], [-2.2, 6.4, 0], [-4.8, 5.4, 0], [-6.2, 1, 0],
];
const EYE_FAR: readonly [number, number] = [0, -19.4];
// prettier-ignore
const EYE: readonly Control[] = [[-6.6, -6], [-6.2, -13], [-3.8, -18], EYE_FAR, [3.4, -18.6], [5.4, -16.6], [4.6, -14.6], [2.8, -13.2, 0], [2.2, -10.8, 0], [2, -7.4, 0]];
// prettier-ignore
const RISE_AND_RETURN: readonly Control[] = [
  [1.7, -4.8, 0], [1.6, -2.9, -1], [1.5, 0, 0], [1.6, 2.6, 0.5], [2.1, 5.2, 1], [3, 7.4, 0], [2.6, 9.4, 0], [0, 10.2, -1], [-2.4, 9.2, 0], [-2.7, 6.4, 1], [-2.1, 3.2, 1], [-1.6, 0.2, 0], [-1.6, -2.9, -1],
];
// prettier-ignore
const DOWN_BESIDE_THE_LEG: readonly Control[] = [[-1.7, -5, 0], [-1.5, -6.4, 0]];
// prettier-ignore
const ROUND_THE_LEG_AND_UP: readonly Control[] = [
  [-0.2, -6.9, 1], [2, -6.9, -1], [4.2, -7.2, 0], [5.2, -9.1, 0], [4.2, -10.9, 0], [2.2, -11.2, 1], [0.3, -10.6, 0], [-0.3, -8.8, 0], [-0.2, -6.9, -1],
  [0, -5, 0], [0, -3, -2], [0, 0, 0], [0, 3.2, 0], [0.4, 5.7, -2], [1.1, 7.6, 0], [1.1, 10.1, 1], [1.2, 14, 0], [1.5, 19],
];

const tied = (eye: readonly Control[], down: readonly Control[], scale = SCALE) =>
  nodesOf(
    flatDiagram([...NIPPING_LOOP, ...eye, ...RISE_AND_RETURN, ...down, ...ROUND_THE_LEG_AND_UP], {
      scale,
      height: 0.68,
      plateau: 0.6,
    }),
    NODE_SPACING,
    10,
  );
const farPoint = (points: LaidKnot['points'], [x, y]: readonly [number, number], scale = SCALE) =>
  nearestIndex(points, [x * scale, y * scale, 0]);

/** as close together as crossings seen one by one allow */
const CLOSE = 1.7;
const SMALL_EYE_FAR: readonly [number, number] = [-0.8, -16];
// prettier-ignore
const SMALL_EYE: readonly Control[] = [[-6.4, -6], [-5.8, -11.6], [-3.8, -14.8], SMALL_EYE_FAR, [1.8, -15.6], [2.9, -14.4], [2.8, -13.2, 0], [2.2, -10.8, 0], [2, -7.4, 0]];
// prettier-ignore
const WIDE_BESIDE_THE_LEG: readonly Control[] = [[-2.6, -4, 0], [-3.4, -5.4, 0], [-2.6, -6.7, 0]];
/** where the clip bears on the tail, between the tail as it comes down and as it goes up again */
const IN_THE_TAIL_LOOP: readonly [number, number] = [-1.6, -6.9];

/** The eye small, the little loop of the finish wide, and the clip in that one. */
function inTheTailLoop(): LaidKnot {
  const points = tied(SMALL_EYE, WIDE_BESIDE_THE_LEG, CLOSE);
  return {
    points,
    eyeNode: farPoint(points, SMALL_EYE_FAR, CLOSE),
    objects: [karabinerIn(points[farPoint(points, IN_THE_TAIL_LOOP, CLOSE)]!)],
    drawing: { pulls: [], eyes: [], stages: [] },
  };
}

export const forms = {
  right: () => {
    const points = tied(EYE, DOWN_BESIDE_THE_LEG);
    const eyeNode = farPoint(points, EYE_FAR);
    return {
      points,
      eyeNode,
      parts: { nippingLoop: [2, 9], collar: [14, 18] },
      drawing: {
        pulls: [
          { rope: 0, end: 'standing', direction: [0, 1, 0], share: 1 },
          { rope: 0, end: 'tail', direction: [0.15, 1, 0.1], share: 0.4 },
        ],
        eyes: [{ rope: 0, node: eyeNode, direction: [0, -1, 0], share: 1.4, radius: EYE_RADIUS }],
        stages: [
          { duration: 250, force: [0.1, 0.4], friction: 0.12 },
          { duration: 400, force: [0.4, 0.4], friction: 0.12 },
          { duration: 120, force: [0.4, 0.2], friction: 0.2 },
        ],
      },
    };
  },
  'false-eye-clipped': () => asItLies(inTheTailLoop()),
} satisfies LaidForms;
