import { rows, run, type Database } from '../database';
import type { Keeping } from '../record/held';

export async function insertOrganisation(k: Keeping, id: string, name: string, demo: boolean): Promise<void> {
  await run(k.c, 'INSERT INTO organisations (id, name, demo, created_at) VALUES (?)', [[id, name, demo, k.now]]);
  await run(k.c, 'INSERT INTO chain_heads (organisation, sequence, sha256) VALUES (?, 0, ?)', [id, '0'.repeat(64)]);
  k.changed('organisations', id);
}
export async function organisationIds(db: Database): Promise<{ id: string; name: string }[]> {
  return rows(db, 'SELECT id, name FROM organisations ORDER BY created_at, id');
}
export async function anyDemo(db: Database): Promise<boolean> {
  return (await rows<{ n: number }>(db, 'SELECT COUNT(*) AS n FROM organisations WHERE demo'))[0]!.n > 0;
}
