/** Ids are made on devices; one stands for one thing alone, of whatever kind. */
import { fault } from '../../core/errors';
import { rows, type Connection, type Database } from '../database';

/** Every table whose rows have an id that a device makes. */
const WITH_IDS = [
  'people',
  'ropes',
  'jobs',
  'passing_trials',
  'passing_trial_withdrawals',
  'tied_knots',
  'knot_events',
  'sign_offs',
  'rounds',
  'round_walks',
  'imports',
  'credential_events',
  'entries',
] as const;

/** @throws id-taken where anything has this id already */
export async function mustBeFree(c: Database | Connection, id: string): Promise<void> {
  const found = await rows<{ taken: number }>(
    c,
    WITH_IDS.map((t) => `(SELECT 1 AS taken FROM ${t} WHERE id = ?)`).join(' UNION ALL '),
    WITH_IDS.map(() => id),
  );
  if (found.length > 0) throw fault('id-taken');
}
