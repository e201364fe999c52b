/**
 * Locked bowline: a bowline whose end goes on through the eye, once more through the nipping loop from
 * above, between the two strands that are there, and up through the collar beside the standing part.
 * A flat diagram with its over and under, because it lies flat in one loop and every pass can be read off it.
 */
import { nearestIndex } from '../../../curve';
import { FIRM, NODE_SPACING } from '../../../rope';
import { flatDiagram, nodesOf, type Control } from '../../laying/authoring';
import { EYE, EYE_FAR_POINT, NIPPING_LOOP, RISE_AND_RETURN } from '../bowline/parts';
import type { LaidForms, LaidKnot } from '../../shape/laid';

const SCALE = 1.5;

/** Room for a third strand between the two in the nipping loop. */
const wider = (p: Control): Control => {
  const by = Math.sign(p[0]) * (Math.abs(p[1]) < 5 ? 0.7 : 0.3);
  return p.length === 3 ? [p[0] + by, p[1], p[2]] : [p[0] + by, p[1]];
};

// below: across the eye; then up in front, in through the loop, behind its upper edge, up beside the standing part
// prettier-ignore
const LOCK: readonly Control[] = [
  [-1.4, -5.6, 0], [-1.1, -7.2, 0], [0.1, -6.6, 0.5], [0.1, -3, 1], [0.2, 0, 0], [0.5, 2.5, -1], [0.7, 4.8, -2], [0.95, 7, 0],
  [1, 9.2, 1], [1.1, 13, 0], [1.4, 18],
];
/** The end leaves the nipping loop but passes outside the collar, behind the rising strand. */
const LOCK_OUTSIDE_COLLAR: readonly Control[] = [
  ...LOCK.slice(0, 7),
  [2.6, 6.2, -2],
  [4.8, 8.6, 0],
  [5.4, 13, 0],
  [5.6, 18],
];

function locked(lock: readonly Control[] = LOCK): LaidKnot {
  const control = [...NIPPING_LOOP, ...EYE, [1.5, -5.2] as Control, ...RISE_AND_RETURN.map(wider), ...lock];
  const points = nodesOf(flatDiagram(control, { scale: SCALE, height: 0.66, plateau: 0.6 }), NODE_SPACING, 10);
  const eyeNode = nearestIndex(points, [EYE_FAR_POINT[0] * SCALE, EYE_FAR_POINT[1] * SCALE, 0]);
  return {
    points,
    eyeNode,
    drawing: {
      pulls: [
        { rope: 0, end: 'standing', direction: [0, 1, 0], share: 1 },
        { rope: 0, end: 'tail', direction: [0.2, 1, 0], share: 0.8 },
      ],
      eyes: [{ rope: 0, node: eyeNode, direction: [0, -1, 0], share: 1.6, radius: 2.2 }],
      stages: FIRM,
    },
  };
}

/**
 * The third strand goes through the loop on the right of the rising strand, not between the two, and
 * comes to the collar behind the rising strand.
 */
function thirdStrandAstray(): LaidKnot {
  // prettier-ignore
  const rise: readonly Control[] = [[0.2, -5.4, -0.5], [0.1, -3, -1], [0.1, -1, -0.4], [0.3, 1, 0], [1.1, 2.7, 1], [2.2, 4.4, 1], [2.9, 6, 0], ...RISE_AND_RETURN.slice(4).map(wider)];
  // prettier-ignore
  const lock: readonly Control[] = [[-1.5, -6.2, 0], [-0.6, -8.2, 0.5], [1.4, -8, 0.5], [1.9, -5.4, 1], [1.8, -3, 1], [1.7, -0.9, 0.5], [2, 0.6, -1], [2.9, 1.7, -2], [3.9, 3.4, -1], [3.6, 5.2, -2], [2.2, 6.1, -2], [1.1, 7.2, -1], ...LOCK.slice(8)];
  const eye = EYE.slice(0, -1);
  const wide = 2.3; // three strands pass each other in one loop: they need more room than the right form
  const points = nodesOf(
    flatDiagram([...NIPPING_LOOP, ...eye, [2.6, -7, -0.5], ...rise, ...lock], {
      scale: wide,
      height: 0.75,
      plateau: 0.6,
    }),
    NODE_SPACING,
    10,
  );
  const right = locked();
  const eyeNode = nearestIndex(points, [EYE_FAR_POINT[0] * wide, EYE_FAR_POINT[1] * wide, 0]);
  return { points, eyeNode, drawing: { ...right.drawing, eyes: [{ ...right.drawing.eyes[0]!, node: eyeNode }] } };
}

export const forms = {
  right: () => ({ ...locked(), parts: { nippingLoop: [2, 9], collar: [12, 16] } }),
  'lock-not-through-collar': () => locked(LOCK_OUTSIDE_COLLAR),
  'third-strand-astray': thirdStrandAstray,
} satisfies LaidForms;
