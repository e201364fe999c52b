/** Overhand on a bight: the flat single path doubled by offset, because a pair then is parallel by construction; the strands joined in the eye. */
import { nearestIndex } from '../../../curve';
import { flatDiagram } from '../../laying/authoring';
import { drawnAsPair } from '../../laying/drawing';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import { crossedPair, joinedByEye, pair } from '../../laying/on-bight';
import { OVERHAND } from '../../laying/single-paths';

const SCALE = 1.35;
/** the turn at which a twisted pair changes places */
const NEAR_TURN = [-3.5, 2.8] as const;

function onBight(twisted = false): LaidKnot {
  const path = flatDiagram(OVERHAND, { scale: SCALE, height: 0.68, plateau: 1.9 });
  const laid = joinedByEye(
    twisted ? crossedPair(path, 1, nearestIndex(path, [NEAR_TURN[0] * SCALE, NEAR_TURN[1] * SCALE, 0])) : pair(path, 1),
  );
  return { ...laid, drawing: drawnAsPair(laid.eyeNode) };
}

export const forms = { right: () => onBight(), 'pair-twisted': () => onBight(true) } satisfies LaidForms;
