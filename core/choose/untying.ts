/** How hard a knot is to undo in the way that a job asks for. */
import type { KnotEntry } from '../knots/facts/types';
import type { Job } from './job';

/** How it comes undone in the way that is asked; after ordinary load where nothing is said of that. */
export const untyingAsked = (knot: KnotEntry, job: Job): KnotEntry['untying'][number] =>
  knot.untying.find(
    (u) =>
      u.condition === (job.untie === 'after-hard-falls' || job.untie === 'under-load' ? job.untie : 'ordinary-load'),
  ) ?? knot.untying[0]!;
