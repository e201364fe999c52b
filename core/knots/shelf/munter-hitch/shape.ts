/**
 * Munter hitch: two equal loops folded face to face on a karabiner's bow, as a wound form; the solver lays the bight across both strands. The brake strand is on
 * the side away from the gate.
 */
import { straight } from '../../../curve';
import { NODE_SPACING } from '../../../rope';
import { nodesOf } from '../../laying/authoring';
import { onKarabiner } from '../../laying/on-bar';
import { asItLies } from '../../laying/as-it-lies';
import type { LaidForms, LaidKnot } from '../../shape/laid';
import { BRAKE_HEIGHT, foldedLoops, LOAD_HEIGHT, STRANDS_AT_RADIUS, UNCROSSED_HEIGHT } from './parts';

function munter(crossed = true): LaidKnot {
  const loops = foldedLoops(1, crossed);
  const line = [
    ...straight([-14, LOAD_HEIGHT, STRANDS_AT_RADIUS], loops[0]!).slice(0, -1),
    ...loops,
    ...straight(loops.at(-1)!, [-14, crossed ? BRAKE_HEIGHT : UNCROSSED_HEIGHT, STRANDS_AT_RADIUS]).slice(1),
  ];
  return onKarabiner(
    nodesOf(line, NODE_SPACING),
    [
      { rope: 0, end: 'standing', direction: [0, -1, 0], share: 1 },
      { rope: 0, end: 'tail', direction: [0, -1, 0], share: 0.45 },
    ],
    [
      { duration: 30, force: [0.05, 0.08], friction: 0.1, thickness: [0.85, 1] },
      { duration: 130, force: [0.08, 0.45], friction: 0.1 },
      { duration: 160, force: [0.45, 0.45], friction: 0.25 },
    ],
  );
}

export const forms = {
  right: () => munter(),
  'not-tucked': () => asItLies(munter(false), [30, 72]),
} satisfies LaidForms;
