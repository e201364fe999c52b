/**
 * Figure-nine on a bight: the flat single path doubled by offset, because a pair then is parallel by construction; the
 * strands joined in the eye. second-derivation.ts winds the same knot in space.
 */
import { flatDiagram } from '../authoring';
import { drawnAsPair } from '../drawing';
import type { LaidForms } from '../laid';
import { joinedByEye, pair } from '../on-bight';
import { NINE } from '../single-paths';

export const forms = {
  right: () => {
    const laid = joinedByEye(pair(flatDiagram(NINE, { scale: 1.45, height: 0.68, plateau: 1.9 }), 1));
    return { ...laid, drawing: drawnAsPair(laid.eyeNode) };
  },
} satisfies LaidForms;
