/** Writing rows that the record holds: each that is made or changed is an entry in the same transaction. */
import type { HeldRow, RowsBody } from '../../core/records';
import { contentHash } from '../canonical';
import { inTransaction, rows, type Connection, type Database } from '../database';
import { derivedId } from '../derivedId';
import { append, lockHead, type Chain } from '../tables/entries';
import { mustBeFree } from '../tables/ids';
import type { Keeping } from './held';
import { chainOf, heldOf, PROGRAM, rawRow, SEALED, type CoveredTable, type Raw } from './covered';

/** Rows in one entry, at most. */
const MOST_IN_ONE = 500;

export interface KeptBy {
  readonly organisation: string;
  /** who does it; the program itself by the id of its chain */
  readonly by: string;
  readonly now: Date;
  /** whether the organisation is the demo's; looked up where it is not said */
  readonly demo?: boolean;
}

/**
 * Does some work with the chain held, then adds an entry that says how every row stands that was made or changed.
 * @param known ids of which it was seen, with the chain held, that nothing has them
 */
export async function keepingRows<T>(
  c: Connection,
  { organisation, by, now, demo }: KeptBy,
  chain: Chain,
  work: (k: Keeping) => Promise<T>,
  known: ReadonlySet<string> = new Set(),
): Promise<T> {
  const free = new Set(known);
  const said = new Map<string, { table: CoveredTable; key: string }>();
  const changed: Keeping['changed'] = (table, key) => void said.set(`${table} ${key}`, { table, key });
  const made: Keeping['made'] = async (table, id) => {
    if (!free.delete(id)) await mustBeFree(c, id);
    changed(table, id);
  };
  const isFree = (id: string) => free.has(id);
  const result = await work({ c, organisation, now, changed, made, isFree });
  const held = new Map<string, HeldRow[]>();
  for (const { table, key } of said.values()) {
    const raw = await rawRow(c, table, key);
    if (!raw) throw new Error(`no row ${key} in ${table}`);
    const chain = chainOf(table, raw);
    const all = held.get(chain) ?? [];
    all.push(heldRow(table, key, raw));
    held.set(chain, all);
  }
  for (const [of, all] of held) {
    const own = of === organisation ? chain : await lockHead(c, of);
    const isOfDemo = of === organisation && demo !== undefined ? demo : await isDemo(c, of);
    for (let from = 0; from < all.length; from += MOST_IN_ONE)
      await appendRows(c, own, by, now, { rows: all.slice(from, from + MOST_IN_ONE), demo: isOfDemo });
  }
  return result;
}

function heldRow(table: CoveredTable, key: string, raw: Raw): HeldRow {
  const { [SEALED]: sealed, ...values } = heldOf(table, raw);
  return { table, key, values, ...(sealed !== undefined && { sealed: sealed as string | null }) };
}

async function appendRows(c: Connection, chain: Chain, by: string, now: Date, body: RowsBody) {
  const { organisation, head } = chain;
  const id = derivedId(`${organisation} rows ${head.sequence + 1} ${head.sha256}`);
  const draft = { id, organisation, kind: 'rows', recorded_at: now.toISOString(), recorded_by: by, body };
  await append(c, chain, draft as Parameters<typeof append>[2], contentHash(body));
}

export async function isDemo(c: Database | Connection, organisation: string): Promise<boolean> {
  const [o] = await rows<{ demo: number }>(c, 'SELECT demo FROM organisations WHERE id = ?', [organisation]);
  return Boolean(o?.demo);
}

/** Work on rows in a transaction of its own, the chain held from its beginning. @throws not-found for an organisation that is not there */
export const keeping = <T>(db: Database, of: KeptBy, work: (k: Keeping) => Promise<T>): Promise<T> =>
  inTransaction(db, async (c) => {
    const chain = await lockHead(c, of.organisation);
    return keepingRows(c, of, chain, work);
  });
/** The same of the program itself, for what belongs to no organisation. */
export const keepingOfProgram = <T>(db: Database, now: Date, work: (k: Keeping) => Promise<T>): Promise<T> =>
  keeping(db, { organisation: PROGRAM, by: PROGRAM, now }, work);
/** The same for whoever asks. */
export const keepingFor = <T>(
  { db, recordingDb, now }: { readonly db: Database; readonly recordingDb?: Database; readonly now: () => Date },
  who: { readonly id: string; readonly organisation: string },
  work: (k: Keeping) => Promise<T>,
): Promise<T> => keeping(recordingDb ?? db, { organisation: who.organisation, by: who.id, now: now() }, work);
