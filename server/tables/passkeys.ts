/** The passkeys of people. A removed one stays as a row and opens nothing. */
import { randomUUID } from 'node:crypto';
import { sha256 } from '../canonical';
import { rows, run, type Connection, type Database } from '../database';
import type { Keeping } from '../record/held';

export interface NewPasskey {
  readonly person: string;
  readonly name: string;
  /** the name of the place that it was made for: it answers nowhere else */
  readonly rp_id: string;
  readonly credential_id: Buffer;
  readonly public_key: Buffer;
  readonly transports: readonly string[];
  readonly counter: number;
}
export interface StoredPasskey extends NewPasskey {
  readonly id: string;
  readonly organisation: string;
  readonly made_at: Date;
}
type Row = Omit<StoredPasskey, 'transports'> & { readonly transports: string };

const fromRow = (r: Row): StoredPasskey => ({ ...r, transports: r.transports.split(',').filter(Boolean) });
const STANDING =
  'SELECT id, organisation, person, name, rp_id, credential_id, public_key, transports, counter, made_at FROM passkeys WHERE removed_at IS NULL';

/** Those that still open something, oldest first. */
export async function passkeysOf(db: Database | Connection, person: string): Promise<StoredPasskey[]> {
  return (await rows<Row>(db, `${STANDING} AND person = ? ORDER BY made_at, id`, [person])).map(fromRow);
}
export async function passkeyByCredential(db: Database, credential_id: Buffer): Promise<StoredPasskey | null> {
  const [r] = await rows<Row>(db, `${STANDING} AND credential_sha256 = ?`, [sha256(credential_id)]);
  return r ? fromRow(r) : null;
}
export async function insertPasskey(k: Keeping, p: NewPasskey): Promise<void> {
  const id = randomUUID();
  await run(
    k.c,
    'INSERT INTO passkeys (id, organisation, person, name, rp_id, credential_id, credential_sha256, public_key, transports, counter, made_at) VALUES (?)',
    [
      [
        id,
        k.organisation,
        p.person,
        p.name,
        p.rp_id,
        p.credential_id,
        sha256(p.credential_id),
        p.public_key,
        p.transports.join(','),
        p.counter,
        k.now,
      ],
    ],
  );
  k.changed('passkeys', id);
}
/** Removes one of a person's, or all of them. @returns how many there were */
export async function removePasskeys(k: Keeping, person: string, id: string | null = null): Promise<number> {
  const found = (await passkeysOf(k.c, person)).filter((p) => id === null || p.id === id);
  for (const p of found) {
    await run(k.c, 'UPDATE passkeys SET removed_at = ? WHERE id = ?', [k.now, p.id]);
    k.changed('passkeys', p.id);
  }
  return found.length;
}
/** Notes how often a device says that it used the passkey. @returns false where it was not more often than noted: a copy of it is about */
export async function noteUse(db: Database, id: string, counter: number): Promise<boolean> {
  // devices that do not count always say 0
  const { affectedRows } = await run(
    db,
    'UPDATE passkeys SET counter = ? WHERE id = ? AND removed_at IS NULL AND (counter < ? OR (counter = 0 AND ? = 0))',
    [counter, id, counter, counter],
  );
  return affectedRows === 1;
}
