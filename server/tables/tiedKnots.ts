import { rows, run, type Connection, type Database } from '../database';

export interface TiedKnotRow {
  readonly id: string;
  readonly knot: string;
  readonly rope: string;
  readonly place: string;
  readonly tied_by: string;
  readonly tied_at: string;
  readonly ended_at: string | null;
  readonly ended_why: string | null;
}
interface Raw { id: string; organisation: string; knot: string; rope: string; place: string; tied_by: string; tied_at: Date; ended_at: Date | null; ended_why: string | null; request_sha256: string }
const asRow = (r: Raw): TiedKnotRow => ({ id: r.id, knot: r.knot, rope: r.rope, place: r.place, tied_by: r.tied_by, tied_at: r.tied_at.toISOString(), ended_at: r.ended_at?.toISOString() ?? null, ended_why: r.ended_why });

export async function tiedKnotById(db: Database | Connection, id: string): Promise<(TiedKnotRow & { organisation: string; request_sha256: string }) | null> {
  const [r] = await rows<Raw>(db, 'SELECT * FROM tied_knots WHERE id = ?', [id]);
  return r ? { ...asRow(r), organisation: r.organisation, request_sha256: r.request_sha256 } : null;
}
export async function insertTiedKnot(db: Database | Connection, organisation: string, k: Omit<TiedKnotRow, 'ended_at' | 'ended_why'>, request_sha256: string): Promise<void> {
  await run(db, 'INSERT INTO tied_knots (id, organisation, knot, rope, place, tied_by, tied_at, request_sha256) VALUES (?)', [[k.id, organisation, k.knot, k.rope, k.place, k.tied_by, new Date(k.tied_at), request_sha256]]);
}
/** Ends a knot that has not ended; does nothing otherwise. */
export async function endTiedKnot(db: Database | Connection, organisation: string, id: string, at: Date, why: string): Promise<void> {
  await run(db, 'UPDATE tied_knots SET ended_at = ?, ended_why = ? WHERE organisation = ? AND id = ? AND ended_at IS NULL', [at, why, organisation, id]);
}
export async function tiedKnotsPage(db: Database, organisation: string, limit: number, before: { at: Date; id: string } | null): Promise<TiedKnotRow[]> {
  const found = before
    ? await rows<Raw>(db, 'SELECT * FROM tied_knots WHERE organisation = ? AND (tied_at, id) < (?, ?) ORDER BY tied_at DESC, id DESC LIMIT ?', [organisation, before.at, before.id, limit])
    : await rows<Raw>(db, 'SELECT * FROM tied_knots WHERE organisation = ? ORDER BY tied_at DESC, id DESC LIMIT ?', [organisation, limit]);
  return found.map(asRow);
}
