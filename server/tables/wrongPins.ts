/** Wrong PINs: recorded, and counted, so that a restart forgets none. The application may only add to them. */
import { randomUUID } from 'node:crypto';
import { rows, run, type Connection, type Database } from '../database';
import type { Keeping } from '../record/held';

export const PIN_TRIES = 5;
export const PIN_WINDOW_MS = 15 * 60_000;

/** @returns how many seconds until the next try is taken; 0 when one is */
export async function pinLockedFor_s(c: Database | Connection, person: string, now: Date): Promise<number> {
  const since = new Date(now.getTime() - PIN_WINDOW_MS);
  const found = await rows<{ tried_at: Date }>(
    c,
    'SELECT tried_at FROM wrong_pins WHERE person = ? AND tried_at > ? ORDER BY tried_at DESC LIMIT ?',
    [person, since, PIN_TRIES],
  );
  if (found.length < PIN_TRIES) return 0;
  return Math.max(1, Math.ceil((found.at(-1)!.tried_at.getTime() + PIN_WINDOW_MS - now.getTime()) / 1000));
}
export async function insertWrongPin(k: Keeping, person: string, on_device_of: string): Promise<void> {
  const id = randomUUID();
  await run(k.c, 'INSERT INTO wrong_pins (id, organisation, person, on_device_of, tried_at) VALUES (?)', [
    [id, k.organisation, person, on_device_of, k.now],
  ]);
  k.changed('wrong_pins', id);
}
export async function wrongPinsOf(
  db: Database,
  organisation: string,
  person: string,
  limit: number,
): Promise<{ at: string; on_device_of_name: string }[]> {
  const found = await rows<{ tried_at: Date; name: string }>(
    db,
    'SELECT w.tried_at, p.name FROM wrong_pins w JOIN people p ON p.id = w.on_device_of WHERE w.organisation = ? AND w.person = ? ORDER BY w.tried_at DESC LIMIT ?',
    [organisation, person, limit],
  );
  return found.map((r) => ({ at: r.tried_at.toISOString(), on_device_of_name: r.name }));
}
