import type { Job } from '../../core/choose';
import { rows, run, type Database } from '../database';
import type { Keeping } from '../record/held';

export interface JobRow {
  readonly id: string;
  readonly name: string;
  readonly rope: string | null;
  readonly job: Job;
  readonly created_by: string;
  readonly created_at: string;
}
interface Raw {
  id: string;
  organisation: string;
  name: string;
  rope: string | null;
  job: string;
  created_by: string;
  created_at: Date;
  request_sha256: string;
}
const asRow = (r: Raw): JobRow => ({
  id: r.id,
  name: r.name,
  rope: r.rope,
  job: JSON.parse(r.job) as Job,
  created_by: r.created_by,
  created_at: r.created_at.toISOString(),
});

export async function jobById(
  db: Database,
  id: string,
): Promise<(JobRow & { organisation: string; request_sha256: string }) | null> {
  const [r] = await rows<Raw>(db, 'SELECT * FROM jobs WHERE id = ?', [id]);
  return r ? { ...asRow(r), organisation: r.organisation, request_sha256: r.request_sha256 } : null;
}
/** @throws id-taken */
export async function insertJob(k: Keeping, j: Omit<JobRow, 'created_at'>, request_sha256: string): Promise<void> {
  await k.made('jobs', j.id);
  await run(
    k.c,
    'INSERT INTO jobs (id, organisation, name, rope, job, created_by, created_at, request_sha256) VALUES (?)',
    [[j.id, k.organisation, j.name, j.rope, JSON.stringify(j.job), j.created_by, k.now, request_sha256]],
  );
}
export async function jobsPage(
  db: Database,
  organisation: string,
  limit: number,
  before: { at: Date; id: string } | null,
): Promise<JobRow[]> {
  const found = before
    ? await rows<Raw>(
        db,
        'SELECT * FROM jobs WHERE organisation = ? AND (created_at, id) < (?, ?) ORDER BY created_at DESC, id DESC LIMIT ?',
        [organisation, before.at, before.id, limit],
      )
    : await rows<Raw>(db, 'SELECT * FROM jobs WHERE organisation = ? ORDER BY created_at DESC, id DESC LIMIT ?', [
        organisation,
        limit,
      ]);
  return found.map(asRow);
}
