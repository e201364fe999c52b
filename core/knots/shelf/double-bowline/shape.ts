/**
 * Double bowline: two turns in the nipping loop, the end through both. A flat diagram with its over and
 * under, as the other bowlines: the second turn lies inside the first, so that both can be seen. second-derivation.ts winds the same knot in space.
 */
import { nearestIndex } from '../../../curve';
import { NODE_SPACING } from '../../../rope';
import { flatDiagram, nodesOf, reversed, type Control } from '../../laying/authoring';
import { EYE, EYE_FAR_POINT } from '../bowline/parts';
import type { LaidForms, LaidKnot } from '../../shape/laid';

const SCALE = 2.1;
// prettier-ignore
const TWO_TURNS: readonly Control[] = [
  [0, 28], [0, 18], [0, 13, 0], [0, 10, 1], [-0.3, 7, -1], [-2.4, 4.6, -0.3], [-4, 1.5, 0], [-3.4, -1.6, 0], [0, -3.3, 0],
  [3.4, -1.6, 0], [3.9, 1.5, 0], [2.4, 4, 0], [0, 4.7, 0], [-2, 3.2, 0], [-2.7, 1, 0], [-2, -1.1, 0], [0, -1.9, 0], [2, -1.1, 0],
  [2.6, 1, 0], [1.8, 2.6, 0], [0.4, 3.2, 0.5], [-0.8, 3.9, 1], [-2, 5.4, 1], [-4.6, 6, 1], [-6.4, 2, 0],
];
// prettier-ignore
const RISE: readonly Control[] = [
  [0.9, -5, -0.5], [0.9, -3.3, -1], [0.9, -1.6, -1], [0.9, 0.5, 0], [1.5, 2.2, 1], [2.3, 4, 1], [2.9, 6.4, 0], [2.4, 9, 0], [0, 10, -1],
  [-2.4, 9, 0], [-3.1, 6.4, 2], [-2.7, 4.3, 2], [-1.8, 2.4, 1], [-0.9, 0.5, 0], [-0.9, -1.6, -1], [-0.9, -3.3, -1], [-1, -6, 0],
  [-1.3, -10], [-1.6, -15],
];

const TAIL_AT = RISE.length - 3;
const OTHER_WAY_ROUND: readonly Control[] = [
  ...reversed(RISE.slice(1, TAIL_AT)),
  [1.3, -6, 0],
  [3.2, -7.4, 0],
  [7, -7.8, 0],
  [10, -9.6],
  [11.2, -15],
];
const EYE_TO_THE_LEFT: readonly Control[] = [...EYE.slice(0, 5), [5.8, -13.4], [3.6, -10.6], [0, -8.4], [-0.9, -6.2]];

function doubleBowline(eye: readonly Control[] = EYE, rise: readonly Control[] = RISE): LaidKnot {
  const points = nodesOf(
    flatDiagram([...TWO_TURNS, ...eye, ...rise], { scale: SCALE, height: 0.72, plateau: 0.6 }),
    NODE_SPACING,
    10,
  );
  const eyeNode = nearestIndex(points, [EYE_FAR_POINT[0] * SCALE, EYE_FAR_POINT[1] * SCALE, 0]);
  return {
    points,
    eyeNode,
    parts: { nippingLoop: [2, 13], collar: [18, 21] },
    drawing: {
      pulls: [
        { rope: 0, end: 'standing', direction: [0, 1, 0], share: 1, held: true },
        { rope: 0, end: 'tail', direction: [0, -1, 0.2], share: 0.7 },
      ],
      eyes: [{ rope: 0, node: eyeNode, direction: [0, -1, 0], share: 1.4, radius: 2.2 }],
      stages: [
        { duration: 250, force: [0.1, 0.5], friction: 0.06 },
        { duration: 350, force: [0.5, 0.7], friction: 0.06, shares: { tail: 0.35 } },
        { duration: 250, force: [0.7, 0.18], friction: 0.2 },
      ],
    },
  };
}

export const forms = {
  right: () => doubleBowline(),
  'tail-outside-eye': () => doubleBowline(EYE_TO_THE_LEFT, OTHER_WAY_ROUND),
} satisfies LaidForms;
