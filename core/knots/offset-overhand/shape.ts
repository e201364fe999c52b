/** Offset overhand: both ropes together through one flat overhand, the path doubled by offset; the standing parts then part. */
import { lanes, type Point3 } from '../../curve';
import { NODE_SPACING } from '../../rope';
import { flatDiagram, nodesOf, type Control } from '../authoring';
import { drawnOffset } from '../drawing';
import type { LaidForms, LaidKnot } from '../laid';
import { HALF_GAP } from '../on-bight';

const OVERHAND_ACROSS: readonly Control[] = [
  [-24, 0], [-10, 0], [-6, 0, 0], [-3, 0, 1], [0.8, 0, -1], [4.2, 0.2, 0], [6.4, 2.6, 1], [4.6, 5.8, 0], [0, 6.6, 0], [-4.2, 5.2, 0], [-4.8, 2.6, 0], [-3.4, 0.3, -1],
  [-1.6, -2.2, 0], [0.4, -0.6, 1], [2.2, 2.2, 0], [6.4, 2.8, -1], [10, 3, 0], [24, 3],
];

function joint(): LaidKnot {
  const [one, two] = lanes(flatDiagram(OVERHAND_ACROSS, { scale: 1.35, height: 0.68, plateau: 1.9 }), 2, 2 * HALF_GAP) as [Point3[], Point3[]];
  return { points: nodesOf(one, NODE_SPACING), second: { points: nodesOf(two, NODE_SPACING) }, drawing: drawnOffset() };
}

export const forms = { right: joint } satisfies LaidForms;
