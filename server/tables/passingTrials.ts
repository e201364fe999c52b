import type { PassingTrial } from '../../core/choose';
import { rows, run, type Database } from '../database';
import type { Keeping } from '../record/held';

export interface PassingTrialRow extends Omit<PassingTrial, 'source' | 'opening_mm' | 'tail_mm'> {
  readonly id: string;
  /** of the device, where it was measured, mm */
  readonly opening_mm: number | null;
  readonly tail_mm: number | null;
  readonly created_by: string;
  readonly created_at: string;
  /** why it no longer counts; null while it does */
  readonly withdrawn: { readonly reason: string; readonly by: string; readonly at: string } | null;
}
type Raw = Omit<PassingTrialRow, 'created_at' | 'withdrawn'> & {
  organisation: string;
  created_at: Date;
  request_sha256: string;
  reason: string | null;
  withdrawn_by: string | null;
  withdrawn_at: Date | null;
};
/** Trials with what became of each. */
const TRIALS =
  'SELECT t.*, w.reason, w.withdrawn_by, w.withdrawn_at FROM passing_trials t LEFT JOIN passing_trial_withdrawals w ON w.trial = t.id';
const asRow = ({
  organisation: _o,
  request_sha256: _r,
  created_at,
  reason,
  withdrawn_by,
  withdrawn_at,
  ...t
}: Raw): PassingTrialRow => ({
  ...t,
  created_at: created_at.toISOString(),
  withdrawn: withdrawn_at ? { reason: reason!, by: withdrawn_by!, at: withdrawn_at.toISOString() } : null,
});

export async function passingTrialById(
  db: Database,
  id: string,
): Promise<{ row: PassingTrialRow; organisation: string; request_sha256: string } | null> {
  const [r] = await rows<Raw>(db, `${TRIALS} WHERE t.id = ?`, [id]);
  return r ? { row: asRow(r), organisation: r.organisation, request_sha256: r.request_sha256 } : null;
}
/** @throws id-taken */
export async function insertPassingTrial(
  k: Keeping,
  t: Omit<PassingTrialRow, 'created_at' | 'withdrawn'>,
  request_sha256: string,
): Promise<void> {
  await k.made('passing_trials', t.id);
  await run(
    k.c,
    'INSERT INTO passing_trials (id, organisation, knot, device, opening_mm, rope_diameter_mm, tail_mm, result, caught, note, created_by, created_at, request_sha256) VALUES (?)',
    [
      [
        t.id,
        k.organisation,
        t.knot,
        t.device,
        t.opening_mm,
        t.rope_diameter_mm,
        t.tail_mm,
        t.result,
        t.caught,
        t.note,
        t.created_by,
        k.now,
        request_sha256,
      ],
    ],
  );
}
export async function passingTrialsPage(
  db: Database,
  organisation: string,
  limit: number,
  before: { at: Date; id: string } | null,
): Promise<PassingTrialRow[]> {
  const found = before
    ? await rows<Raw>(
        db,
        `${TRIALS} WHERE t.organisation = ? AND (t.created_at, t.id) < (?, ?) ORDER BY t.created_at DESC, t.id DESC LIMIT ?`,
        [organisation, before.at, before.id, limit],
      )
    : await rows<Raw>(db, `${TRIALS} WHERE t.organisation = ? ORDER BY t.created_at DESC, t.id DESC LIMIT ?`, [
        organisation,
        limit,
      ]);
  return found.map(asRow);
}

export interface Withdrawal {
  readonly id: string;
  readonly trial: string;
  readonly reason: string;
}
/** A withdrawal, of whatever organisation, with its request: for knowing it again. */
export async function withdrawalOf(
  db: Database,
  trial: string,
): Promise<{ row: Withdrawal; organisation: string; request_sha256: string } | null> {
  const [r] = await rows<Withdrawal & { organisation: string; request_sha256: string }>(
    db,
    'SELECT id, trial, reason, organisation, request_sha256 FROM passing_trial_withdrawals WHERE trial = ?',
    [trial],
  );
  return r
    ? {
        row: { id: r.id, trial: r.trial, reason: r.reason },
        organisation: r.organisation,
        request_sha256: r.request_sha256,
      }
    : null;
}
/** @throws id-taken */
export async function insertWithdrawal(
  k: Keeping,
  w: Withdrawal & { readonly by: string },
  request_sha256: string,
): Promise<void> {
  await k.made('passing_trial_withdrawals', w.id);
  await run(
    k.c,
    'INSERT INTO passing_trial_withdrawals (id, trial, organisation, reason, withdrawn_by, withdrawn_at, request_sha256) VALUES (?)',
    [[w.id, w.trial, k.organisation, w.reason, w.by, k.now, request_sha256]],
  );
}

/** Every trial of an organisation that counts, with one of some devices. */
export async function trialsWith(
  db: Database,
  organisation: string,
  devices: readonly string[],
): Promise<PassingTrial[]> {
  if (devices.length === 0) return [];
  const found = await rows<Raw>(db, `${TRIALS} WHERE t.organisation = ? AND t.device IN (?) AND w.trial IS NULL`, [
    organisation,
    devices,
  ]);
  return found.map(({ knot, device, rope_diameter_mm, opening_mm, tail_mm, result, caught, note }) => ({
    knot,
    device,
    rope_diameter_mm,
    opening_mm,
    tail_mm,
    result,
    caught,
    note,
    source: 'recorded',
  }));
}
