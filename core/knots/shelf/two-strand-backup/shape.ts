/** Two-strand backup: behind a figure-eight follow-through a single overhand of the tail round both strands that leave the knot. */
import { backedFollowThrough, wronglyBacked } from '../figure-eight-follow-through/backed';
import type { LaidForms } from '../../shape/laid';

export const forms = { right: () => backedFollowThrough(1), ...wronglyBacked(1) } satisfies LaidForms;
