/**
 * Holds the rows that no entry says anything of: those from before rows were entries, and columns that came later. It proves them from then on.
 */
import { randomBytes } from 'node:crypto';
import type { BaselineBody, Entry } from '../../core/records';
import { contentHash } from '../canonical';
import { inTransaction, rows, run, type Connection, type Database } from '../database';
import { derivedId } from '../derivedId';
import { append, entriesFrom, lockHead } from '../tables/entries';
import { Claims, type Held } from './claims';
import { chainsNamed, COVERED_TABLES, heldHash, heldOf, keyOf, PROGRAM, rawRows, type Raw } from './covered';
import { isDemo } from './keeping';

const BATCH = 500;
/** Rows in one entry, at most. */
const MOST_IN_ONE = 20_000;

/** What entries of a chain say, read from its beginning. */
async function claimsOf(c: Connection | Database, chain: string): Promise<Claims> {
  const claims = new Claims();
  for (let after = 0; ;) {
    const batch = await entriesFrom(c, chain, after, BATCH);
    for (const stored of batch) {
      if (stored.kind !== 'rows' && stored.kind !== 'baseline') continue;
      const entry = JSON.parse(stored.bytes.toString('utf8')) as Entry;
      if (entry.kind === 'rows') claims.takeRows(entry.body);
      if (entry.kind === 'baseline') claims.takeBaseline(entry.body);
    }
    if (batch.length < BATCH) return claims;
    after = batch.at(-1)!.sequence;
  }
}

/** Names of people that have no salt get one: without it they cannot be sealed. */
export async function sealNames(db: Database): Promise<void> {
  const found = await rows<{ id: string }>(db, "SELECT id FROM people WHERE name_salt IS NULL AND name <> ''");
  for (const { id } of found)
    await run(db, 'UPDATE people SET name_salt = ? WHERE id = ? AND name_salt IS NULL', [randomBytes(32), id]);
}

/** What an entry from before has beside its bytes. */
export const ENTRY_HELD = ['request_sha256'] as const;

type Tables = Record<string, { columns: string[]; rows: Record<string, string> }>;

/** The entries of a baseline of one chain; none where all is held. */
async function bodiesFor(c: Connection, chain: string): Promise<BaselineBody[]> {
  const claims = await claimsOf(c, chain);
  const demo = await isDemo(c, chain);
  const bodies: Tables[] = [{}];
  let count = 0;
  const take = (table: Held, key: string, held: ReturnType<typeof heldOf>) => {
    const columns = claims.unheld(table, key, Object.keys(held));
    if (columns.length === 0) return;
    if (count > 0 && count % MOST_IN_ONE === 0) bodies.push({});
    count++;
    const name = table;
    const tables = bodies.at(-1)!;
    // rows of one table may lack other columns: each such group stands in an entry of its own
    if (tables[name] && contentHash(tables[name].columns) !== contentHash(columns)) bodies.push({});
    const own = bodies.at(-1)!;
    (own[name] ??= { columns, rows: {} }).rows[key] = heldHash(held, columns);
  };
  for (const table of COVERED_TABLES)
    for await (const batch of rawRows(c, table, chain))
      for (const raw of batch) take(table, keyOf(table, raw), heldOf(table, raw));
  for (let after = 0; ;) {
    const batch = await entriesFrom(c, chain, after, BATCH);
    for (const stored of batch) {
      const { format } = JSON.parse(stored.bytes.toString('utf8')) as Entry;
      if (format === 1) take('entries', stored.id, heldOfEntry(stored as unknown as Raw));
    }
    if (batch.length < BATCH) break;
    after = batch.at(-1)!.sequence;
  }
  return count === 0 ? [] : bodies.map((tables) => ({ tables, demo }));
}
export const heldOfEntry = (stored: Raw) => Object.fromEntries(ENTRY_HELD.map((c) => [c, String(stored[c])]));

/** Writes what is missing into every chain. Run anew it writes nothing. @returns how many entries were written */
export async function writeBaselines(db: Database, now: Date, say: (line: string) => void = () => {}): Promise<number> {
  let written = 0;
  for (const chain of await chainsNamed(db)) {
    written += await inTransaction(db, async (c) => {
      const held = await lockHead(c, chain);
      const bodies = await bodiesFor(c, chain);
      for (const body of bodies) {
        const { head } = held;
        const id = derivedId(`${chain} baseline ${head.sequence + 1} ${head.sha256}`);
        const draft = {
          id,
          organisation: chain,
          kind: 'baseline',
          recorded_at: now.toISOString(),
          recorded_by: PROGRAM,
          body,
        };
        await append(c, held, draft as Parameters<typeof append>[2], contentHash(body));
      }
      if (bodies.length > 0) say('what was there before is taken into the record');
      return bodies.length;
    });
  }
  return written;
}
