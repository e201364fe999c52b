/**
 * Bowline: a flat diagram with its over and under, from the parts in parts.ts, which the other
 * bowlines share: flat, because it lies flat in one loop. The tail lies inside the eye.
 */
import { nearestIndex } from '../../curve';
import { FIRM, NODE_SPACING } from '../../rope';
import { flatDiagram, nodesOf, type Control } from '../authoring';
import type { LaidForms, LaidKnot } from '../laid';
import { EYE, EYE_FAR_POINT, NIPPING_LOOP, RISE_AND_RETURN } from './parts';

const SCALE = 1.25;
const TAIL: readonly Control[] = [[-1, -6.5, 0], [-1.2, -10], [-1.4, -15]];

function bowline(): LaidKnot {
  const line = flatDiagram([...NIPPING_LOOP, ...EYE, ...RISE_AND_RETURN, ...TAIL], { scale: SCALE, height: 0.66, plateau: 0.6 });
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
} satisfies LaidForms;
