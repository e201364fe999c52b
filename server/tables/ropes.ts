import type { RopeRow } from '../../contract';
import { rows, run, type Connection, type Database } from '../database';

const SELECT = "SELECT id, tag, kind, diameter_mm, length_m, state, DATE_FORMAT(in_service_since, '%Y-%m-%d') AS in_service_since, note FROM ropes";

export async function ropesOf(db: Database, organisation: string): Promise<RopeRow[]> {
  return rows<RopeRow>(db, `${SELECT} WHERE organisation = ? ORDER BY state, tag`, [organisation]);
}
export async function ropeById(db: Database | Connection, organisation: string, id: string): Promise<RopeRow | null> {
  const [r] = await rows<RopeRow>(db, `${SELECT} WHERE organisation = ? AND id = ?`, [organisation, id]);
  return r ?? null;
}
export async function insertRope(db: Database | Connection, organisation: string, r: Omit<RopeRow, 'state' | 'in_service_since'> & { state?: RopeRow['state']; in_service_since?: string | null }, now: Date): Promise<void> {
  await run(db, 'INSERT INTO ropes (id, organisation, tag, kind, diameter_mm, length_m, state, in_service_since, note, created_at) VALUES (?)', [
    [r.id, organisation, r.tag, r.kind, r.diameter_mm, r.length_m, r.state ?? 'in-service', r.in_service_since ?? null, r.note, now],
  ]);
}
