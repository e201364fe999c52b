/** Rounds and walks of them. What a walk came to stands in the record; here is only where it stands while it waits. */
import type { RoundStop } from '../../core/records';
import { rows, run, type Connection, type Database } from '../database';
import type { Keeping } from '../record/held';

export interface RoundRow {
  readonly id: string;
  readonly name: string;
  readonly stops: readonly RoundStop[];
  readonly created_by: string;
  readonly created_at: string;
}
interface Raw {
  id: string;
  organisation: string;
  name: string;
  stops: string | readonly RoundStop[];
  created_by: string;
  created_at: Date;
  request_sha256: string;
}
const fromRaw = (r: Raw): RoundRow => ({
  id: r.id,
  name: r.name,
  stops: typeof r.stops === 'string' ? (JSON.parse(r.stops) as RoundStop[]) : r.stops,
  created_by: r.created_by,
  created_at: r.created_at.toISOString(),
});
type Before = { readonly at: Date; readonly id: string } | null;

export async function roundById(
  db: Database | Connection,
  id: string,
): Promise<{ row: RoundRow; organisation: string; request_sha256: string } | null> {
  const [r] = await rows<Raw>(db, 'SELECT * FROM rounds WHERE id = ?', [id]);
  return r ? { row: fromRaw(r), organisation: r.organisation, request_sha256: r.request_sha256 } : null;
}
/** @throws id-taken */
export async function insertRound(
  k: Keeping,
  r: Pick<RoundRow, 'id' | 'name' | 'stops' | 'created_by'>,
  request_sha256: string,
): Promise<void> {
  await k.made('rounds', r.id);
  await run(
    k.c,
    'INSERT INTO rounds (id, organisation, name, stops, created_by, created_at, request_sha256) VALUES (?)',
    [[r.id, k.organisation, r.name, JSON.stringify(r.stops), r.created_by, k.now, request_sha256]],
  );
}
export async function roundsPage(
  db: Database,
  organisation: string,
  limit: number,
  before: Before,
): Promise<RoundRow[]> {
  const found = await rows<Raw>(
    db,
    `SELECT * FROM rounds WHERE organisation = ?${before ? ' AND (created_at, id) < (?, ?)' : ''} ORDER BY created_at DESC, id DESC LIMIT ?`,
    [organisation, ...(before ? [before.at, before.id] : []), limit],
  );
  return found.map(fromRaw);
}

export interface RoundWalkRow {
  readonly id: string;
  readonly round: string;
  readonly name: string;
  readonly stops: readonly RoundStop[];
  readonly begun_by: string;
  readonly begun_by_name: string;
  readonly begun_at: string;
  readonly finished_at: string | null;
  readonly reached: number;
}
interface RawWalk {
  id: string;
  organisation: string;
  round: string;
  name: string;
  stops: string | readonly RoundStop[];
  begun_by: string;
  begun_by_name: string;
  begun_at: Date;
  finished_at: Date | null;
  request_sha256: string;
  reached: number;
}
const WALKS = `SELECT w.*, r.name, r.stops, p.name AS begun_by_name, (SELECT COUNT(DISTINCT c.round_stop) FROM check_status c WHERE c.round_walk = w.id) AS reached
  FROM round_walks w JOIN rounds r ON r.id = w.round JOIN people p ON p.id = w.begun_by`;
const walkFrom = (w: RawWalk): RoundWalkRow => ({
  id: w.id,
  round: w.round,
  name: w.name,
  stops: typeof w.stops === 'string' ? (JSON.parse(w.stops) as RoundStop[]) : w.stops,
  begun_by: w.begun_by,
  begun_by_name: w.begun_by_name,
  begun_at: w.begun_at.toISOString(),
  finished_at: w.finished_at?.toISOString() ?? null,
  reached: w.reached,
});

export async function roundWalkById(
  db: Database | Connection,
  id: string,
): Promise<{ row: RoundWalkRow; organisation: string; request_sha256: string } | null> {
  const [w] = await rows<RawWalk>(db, `${WALKS} WHERE w.id = ?`, [id]);
  return w ? { row: walkFrom(w), organisation: w.organisation, request_sha256: w.request_sha256 } : null;
}
/** @throws id-taken */
export async function insertRoundWalk(
  k: Keeping,
  w: { id: string; round: string; begun_by: string },
  request_sha256: string,
): Promise<void> {
  await k.made('round_walks', w.id);
  await run(k.c, 'INSERT INTO round_walks (id, organisation, round, begun_by, begun_at, request_sha256) VALUES (?)', [
    [w.id, k.organisation, w.round, w.begun_by, k.now, request_sha256],
  ]);
}
export async function roundWalksPage(
  db: Database,
  organisation: string,
  limit: number,
  before: Before,
  open: boolean | null,
): Promise<RoundWalkRow[]> {
  const also = `${open === null ? '' : open ? ' AND w.finished_at IS NULL' : ' AND w.finished_at IS NOT NULL'}${before ? ' AND (w.begun_at, w.id) < (?, ?)' : ''}`;
  return (
    await rows<RawWalk>(db, `${WALKS} WHERE w.organisation = ?${also} ORDER BY w.begun_at DESC, w.id DESC LIMIT ?`, [
      organisation,
      ...(before ? [before.at, before.id] : []),
      limit,
    ])
  ).map(walkFrom);
}
export async function finishRoundWalk(k: Keeping, id: string, at: string): Promise<void> {
  await run(k.c, 'UPDATE round_walks SET finished_at = ? WHERE id = ?', [new Date(at), id]);
  k.changed('round_walks', id);
}
