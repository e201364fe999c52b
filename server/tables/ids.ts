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

/** Of some ids those that anything has already, each with its table. */
export async function takenOf(
  c: Database | Connection,
  ids: readonly string[],
): Promise<ReadonlyMap<string, (typeof WITH_IDS)[number]>> {
  const found = await rows<{ id: string; of: (typeof WITH_IDS)[number] }>(
    c,
    WITH_IDS.map((t) => `(SELECT '${t}' AS of, id FROM ${t} WHERE id IN (?))`).join(' UNION ALL '),
    WITH_IDS.map(() => ids),
  );
  return new Map(found.map((r) => [r.id, r.of]));
}
/** @throws id-taken where anything has this id already */
export async function mustBeFree(c: Database | Connection, id: string): Promise<void> {
  if ((await takenOf(c, [id])).size > 0) throw fault('id-taken');
}
