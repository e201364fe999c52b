/** How hard a knot is to undo in the way that a job asks for. */
import type { KnotEntry } from '../knots/facts/types';
import type { Job } from './job';

const byCondition = (knot: KnotEntry, condition: KnotEntry['untying'][number]['condition']) =>
  knot.untying.find((u) => u.condition === condition);

/** How it comes undone when it was set unevenly, where that may happen and is known. */
export const undoneUneven = (knot: KnotEntry, job: Job): KnotEntry['untying'][number] | undefined =>
  job.set_unevenly ? byCondition(knot, 'set-unevenly') : undefined;

/** How it comes undone in the way that is asked, the harder where it may be set unevenly; after ordinary load where nothing is said of that. */
export function untyingAsked(knot: KnotEntry, job: Job): KnotEntry['untying'][number] {
  const under = job.untie === 'under-load';
  const asked =
    byCondition(knot, under || job.untie === 'after-hard-falls' ? job.untie : 'ordinary-load') ?? knot.untying[0]!;
  const uneven = under ? undefined : undoneUneven(knot, job);
  return uneven && uneven.most > asked.most ? uneven : asked;
}
