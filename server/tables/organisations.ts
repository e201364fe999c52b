import { rows, run, type Connection, type Database } from '../database';

export async function insertOrganisation(
  db: Database | Connection,
  id: string,
  name: string,
  demo: boolean,
  now: Date,
): Promise<void> {
  await run(db, 'INSERT INTO organisations (id, name, demo, created_at) VALUES (?)', [[id, name, demo, now]]);
  await run(db, 'INSERT INTO chain_heads (organisation, sequence, sha256) VALUES (?, 0, ?)', [id, '0'.repeat(64)]);
}
export async function organisationIds(db: Database): Promise<{ id: string; name: string }[]> {
  return rows(db, 'SELECT id, name FROM organisations ORDER BY created_at, id');
}
export async function anyDemo(db: Database): Promise<boolean> {
  return (await rows<{ n: number }>(db, 'SELECT COUNT(*) AS n FROM organisations WHERE demo'))[0]!.n > 0;
}
