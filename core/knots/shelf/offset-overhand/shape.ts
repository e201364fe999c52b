/** Offset overhand: both ropes together through one flat overhand, the path doubled by offset; the standing parts then part. */
import { lanes, nearestIndex, type Point3 } from '../../../curve';
import { NODE_SPACING } from '../../../rope';
import { flatDiagram, nodesOf, type Control } from '../../laying/authoring';
import { drawnOffset } from '../../laying/drawing';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import { crossedPair, HALF_GAP } from '../../laying/on-bight';

// prettier-ignore
const OVERHAND_ACROSS: readonly Control[] = [
  [-24, 0], [-10, 0], [-6, 0, 0], [-3, 0, 1], [0.8, 0, -1], [4.2, 0.2, 0], [6.4, 2.6, 1], [4.6, 5.8, 0], [0, 6.6, 0], [-4.2, 5.2, 0], [-4.8, 2.6, 0], [-3.4, 0.3, -1],
  [-1.6, -2.2, 0], [0.4, -0.6, 1], [2.2, 2.2, 0], [6.4, 2.8, -1], [10, 3, 0], [24, 3],
];

const SCALE = 1.35;
/** the turn at which a crossed pair changes places */
const FAR_TURN = [0, 6.6] as const;

function joint(crossed = false): LaidKnot {
  const path = flatDiagram(OVERHAND_ACROSS, { scale: SCALE, height: 0.68, plateau: 1.9 });
  const swapped = crossedPair(path, 1, nearestIndex(path, [FAR_TURN[0] * SCALE, FAR_TURN[1] * SCALE, 0]));
  const [one, two] = crossed
    ? [swapped.standing, swapped.tail]
    : (lanes(path, 2, 2 * HALF_GAP) as [Point3[], Point3[]]);
  return { points: nodesOf(one, NODE_SPACING), second: { points: nodesOf(two, NODE_SPACING) }, drawing: drawnOffset() };
}

export const forms = { right: () => joint(), 'pair-crossed': () => joint(true) } satisfies LaidForms;
