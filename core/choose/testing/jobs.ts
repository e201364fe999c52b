/** Jobs that tests begin with. */
import type { Job } from '../job';

/** Somebody ties in to climb at a sport crag. */
export const TIE_IN: Job = {
  purpose: 'tie-in',
  profile: 'sport-crag',
  rope: { kind: 'dynamic', diameter_mm: 10 },
  second_rope: null,
  pulls: ['standing-eye'],
  object: 'harness',
  end_free: true,
  untie: 'any',
  must_pass: [],
  team: 'anyone',
  life_load: true,
};
