/** Tie-in stopper: behind a figure-eight follow-through a double overhand of the tail round the standing part, butted up to the knot. */
import { backedFollowThrough, wronglyBacked } from '../figure-eight-follow-through/backed';
import type { LaidForms } from '../../shape/laid';

export const forms = { right: () => backedFollowThrough(2), ...wronglyBacked(2) } satisfies LaidForms;
