/** Figure-eight on a bight: the flat single path doubled by offset, because a pair then is parallel by construction; the strands joined in the eye. */
import { flatDiagram } from '../authoring';
import { drawnAsPair } from '../drawing';
import type { LaidForms } from '../laid';
import { joinedByEye, pair } from '../on-bight';
import { EIGHT } from '../single-paths';

export const forms = {
  right: () => {
    const laid = joinedByEye(pair(flatDiagram(EIGHT, { scale: 1.4, height: 0.68, plateau: 1.9 }), 1));
    return { ...laid, drawing: drawnAsPair(laid.eyeNode) };
  },
} satisfies LaidForms;
