import type { PassingTrial } from '../../core/choose';
import { rows, run, type Database } from '../database';

export interface PassingTrialRow extends Omit<PassingTrial, 'source'> {
  readonly id: string;
  /** of the device, where it was measured, mm */
  readonly opening_mm: number | null;
  readonly tail_mm: number | null;
  readonly created_by: string;
  readonly created_at: string;
}
type Raw = Omit<PassingTrialRow, 'created_at'> & { organisation: string; created_at: Date; request_sha256: string };
const asRow = ({ organisation: _o, request_sha256: _r, created_at, ...t }: Raw): PassingTrialRow => ({
  ...t,
  created_at: created_at.toISOString(),
});

export async function passingTrialById(
  db: Database,
  id: string,
): Promise<{ row: PassingTrialRow; organisation: string; request_sha256: string } | null> {
  const [r] = await rows<Raw>(db, 'SELECT * FROM passing_trials WHERE id = ?', [id]);
  return r ? { row: asRow(r), organisation: r.organisation, request_sha256: r.request_sha256 } : null;
}
export async function insertPassingTrial(
  db: Database,
  organisation: string,
  t: Omit<PassingTrialRow, 'created_at'>,
  now: Date,
  request_sha256: string,
): Promise<void> {
  await run(
    db,
    'INSERT INTO passing_trials (id, organisation, knot, device, opening_mm, rope_diameter_mm, tail_mm, result, caught, note, created_by, created_at, request_sha256) VALUES (?)',
    [
      [
        t.id,
        organisation,
        t.knot,
        t.device,
        t.opening_mm,
        t.rope_diameter_mm,
        t.tail_mm,
        t.result,
        t.caught,
        t.note,
        t.created_by,
        now,
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
        'SELECT * FROM passing_trials WHERE organisation = ? AND (created_at, id) < (?, ?) ORDER BY created_at DESC, id DESC LIMIT ?',
        [organisation, before.at, before.id, limit],
      )
    : await rows<Raw>(
        db,
        'SELECT * FROM passing_trials WHERE organisation = ? ORDER BY created_at DESC, id DESC LIMIT ?',
        [organisation, limit],
      );
  return found.map(asRow);
}

/** Every trial of an organisation with one of some devices. */
export async function trialsWith(
  db: Database,
  organisation: string,
  devices: readonly string[],
): Promise<PassingTrial[]> {
  if (devices.length === 0) return [];
  const found = await rows<Raw>(db, 'SELECT * FROM passing_trials WHERE organisation = ? AND device IN (?)', [
    organisation,
    devices,
  ]);
  return found.map(({ knot, device, rope_diameter_mm, result, caught, note }) => ({
    knot,
    device,
    rope_diameter_mm,
    result,
    caught,
    note,
    source: 'recorded',
  }));
}
