/**
 * Bowline: a flat diagram with its over and under, from the parts in parts.ts, which the other
 * bowlines share: flat, because it lies flat in one loop. The tail lies inside the eye.
 */
import { nearestIndex } from '../../../curve';
import { FIRM, NODE_SPACING } from '../../../rope';
import { flatDiagram, nodesOf, reversed, type Control } from '../../laying/authoring';
import { asItLies } from '../../laying/as-it-lies';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import { crossingsReversed } from '../../laying/operations';
import { EYE, EYE_FAR_POINT, NIPPING_LOOP, RISE_AND_RETURN } from './parts';

const SCALE = 1.25;
/** The same way round the standing part in the other direction: up on the left, down on the right, out beside the right leg. */
const OTHER_WAY_ROUND = reversed(RISE_AND_RETURN);
const EYE_TO_THE_LEFT: readonly Control[] = [...EYE.slice(0, 5), [5.8, -13.4], [3.6, -10.2], [0, -7.4], [-0.8, -5]];
// prettier-ignore
const TAIL_OUTSIDE: readonly Control[] = [[1.3, -5, 0], [3.2, -6.2, 0], [7, -6.8, 0], [10, -8.6], [11.2, -14]];

interface Path {
  readonly eye?: readonly Control[];
  readonly rise?: readonly Control[];
  readonly tail?: readonly Control[];
}

// prettier-ignore
const TAIL: readonly Control[] = [[-1, -6.5, 0], [-1.2, -10], [-1.4, -15]];

function bowline({ eye = EYE, rise = RISE_AND_RETURN, tail = TAIL }: Path = {}): LaidKnot {
  const line = flatDiagram([...NIPPING_LOOP, ...eye, ...rise, ...tail], { scale: SCALE, height: 0.66, plateau: 0.6 });
  const points = nodesOf(line, NODE_SPACING, 10);
  const eyeNode = nearestIndex(points, [EYE_FAR_POINT[0] * SCALE, EYE_FAR_POINT[1] * SCALE, 0]);
  return {
    points,
    eyeNode,
    parts: { nippingLoop: [2, 7], collar: [10, 13] },
    drawing: {
      pulls: [
        { rope: 0, end: 'standing', direction: [0, 1, 0], share: 1 },
        { rope: 0, end: 'tail', direction: [0, -1, 0.25], share: 0.4 },
      ],
      eyes: [{ rope: 0, node: eyeNode, direction: [0, -1, 0], share: 1.3, radius: 2.2 }],
      stages: FIRM,
    },
  };
}

export const forms = {
  right: () => bowline(),
  // the loop's own crossing
  'nip-reversed': () => asItLies(crossingsReversed(bowline(), [2])),
  'tail-outside-eye': () => bowline({ eye: EYE_TO_THE_LEFT, rise: OTHER_WAY_ROUND, tail: TAIL_OUTSIDE }),
} satisfies LaidForms;
