/** The append-only record: the only place that writes or reads entries, heads and check_status. */
import {
  aboutOf,
  FIRST_PREVIOUS,
  isOfCheck,
  statusOf,
  STORED_COLUMNS,
  YES_OR_NO,
  type CheckEntry,
  type CheckStatus,
  type Entry,
  type EntryOf,
  type JoinedColumn,
  type NamedStatus,
} from '../../core/records';
import { fault } from '../../core/errors';
import { canonicalBytes, sha256 } from '../canonical';
import { isDuplicate, rows, run, type Connection, type Database } from '../database';
import { takenOf } from './ids';
import { storeRopeStatus } from './ropes';
import { workOutDue } from './tiedKnots';

export interface StoredEntry {
  readonly organisation: string;
  readonly sequence: number;
  readonly id: string;
  readonly about: string;
  readonly kind: string;
  readonly bytes: Buffer;
  readonly sha256: string;
  readonly previous_sha256: string;
  readonly request_sha256: string;
  readonly recorded_at: Date;
  readonly recorded_by: string;
}
export interface Recorded {
  readonly id: string;
  readonly sequence: number;
  readonly sha256: string;
  readonly verdict: CheckStatus['verdict'] | null;
  /** the same request had been recorded before */
  readonly again: boolean;
}

const parse = (e: StoredEntry): Entry => JSON.parse(e.bytes.toString('utf8')) as Entry;

export async function entryById(db: Database | Connection, id: string): Promise<StoredEntry | null> {
  const [r] = await rows<StoredEntry>(db, 'SELECT * FROM entries WHERE id = ?', [id]);
  return r ?? null;
}
/** Entries about a check, a rope or a walked round, oldest first; what only says how a row stands is none of them. */
export async function entriesAbout(
  db: Database | Connection,
  organisation: string,
  about: string,
): Promise<StoredEntry[]> {
  return rows<StoredEntry>(
    db,
    "SELECT * FROM entries WHERE about = ? AND organisation = ? AND kind NOT IN ('rows', 'baseline') ORDER BY sequence",
    [about, organisation],
  );
}
/** What happened, newest first. @param before a number in the record */
export async function incidentsPage(
  db: Database,
  organisation: string,
  limit: number,
  before: number | null,
): Promise<{ readonly entry: EntryOf<'incident'>; readonly sha256: string }[]> {
  const found = await rows<StoredEntry>(
    db,
    `SELECT * FROM entries WHERE organisation = ? AND kind = 'incident'${before === null ? '' : ' AND sequence < ?'} ORDER BY sequence DESC LIMIT ?`,
    [organisation, ...(before === null ? [] : [before]), limit],
  );
  return found.map((e) => ({ entry: parse(e) as EntryOf<'incident'>, sha256: e.sha256 }));
}
/** Of stored entries those that a check consists of. */
export const checkEntries = (stored: readonly StoredEntry[]): CheckEntry[] => stored.map(parse).filter(isOfCheck);
/** Of stored entries those of a rope's life. */
export const ropeEntries = (stored: readonly StoredEntry[]): EntryOf<'rope-event'>[] =>
  stored.map(parse).filter((e) => e.kind === 'rope-event');

/**
 * Takes the organisation's chain (the row lock makes entries follow one another), and answers a request
 * that was recorded before without recording it again.
 * @param brings ids that come with it and may be new
 * @returns the chain, and which of those ids nothing has yet
 * @throws id-taken when the id stands for another request
 */
export async function lockChain(
  c: Connection,
  organisation: string,
  id: string,
  request_sha256: string,
  brings: readonly string[] = [],
): Promise<{ readonly chain: Chain; readonly free: ReadonlySet<string> } | Recorded> {
  const chain = await lockHead(c, organisation);
  const taken = await takenOf(c, [id, ...brings]);
  const by = taken.get(id);
  if (by === undefined) return { chain, free: new Set([id, ...brings].filter((x) => !taken.has(x))) };
  const there = by === 'entries' ? await entryById(c, id) : null;
  if (there?.organisation !== organisation || there.request_sha256 !== request_sha256) throw fault('id-taken');
  const status = statusOf(checkEntries(await entriesAbout(c, organisation, there.about)));
  return { id, sequence: there.sequence, sha256: there.sha256, verdict: status?.verdict ?? null, again: true };
}

export interface Head {
  readonly sequence: number;
  readonly sha256: string;
}
/** A chain that is held: where it stands in this transaction, moved on by what is appended. */
export interface Chain {
  readonly organisation: string;
  head: Head;
  /** when its last entry was recorded, null where there is none; undefined until somebody has looked */
  last?: string | null;
}
/** Takes a chain: who wants to add to it waits until this transaction has ended. @throws not-found */
export async function lockHead(c: Connection, organisation: string): Promise<Chain> {
  // alone and first: what is read after it is read as it stands once the chain is held
  const [head] = await rows<Head>(c, 'SELECT sequence, sha256 FROM chain_heads WHERE organisation = ? FOR UPDATE', [
    organisation,
  ]);
  if (!head) throw fault('not-found');
  return { organisation, head };
}

/** When the last entry of a locked chain was recorded; null where there is none. */
async function lastRecorded(c: Connection, { organisation, head }: Chain): Promise<string | null> {
  const [last] = await rows<{ recorded_at: Date }>(
    c,
    'SELECT recorded_at FROM entries WHERE organisation = ? AND sequence = ?',
    [organisation, head.sequence],
  );
  return last?.recorded_at.toISOString() ?? null;
}

/**
 * Appends an entry to a chain that is held, and brings the check's status up to it. Its time is never before that of the entry before: a clock that
 * was set back is noted beside it.
 */
export async function append(
  c: Connection,
  chain: Chain,
  draft: Omit<Entry, 'sequence' | 'previous_sha256' | 'format' | 'request_sha256' | 'clock_said'>,
  request_sha256: string,
): Promise<{ readonly recorded: Recorded; readonly recorded_at: string }> {
  const { head } = chain;
  const last = chain.last === undefined ? await lastRecorded(c, chain) : chain.last;
  const isBehind = last !== null && draft.recorded_at < last;
  const entry = {
    ...draft,
    ...(isBehind && { recorded_at: last, clock_said: draft.recorded_at }),
    format: 2,
    request_sha256,
    sequence: head.sequence + 1,
    previous_sha256: head.sequence === 0 ? FIRST_PREVIOUS : head.sha256,
  } as Entry;
  const bytes = canonicalBytes(entry);
  const hash = sha256(bytes);
  const about = aboutOf(entry);
  const values = [
    entry.organisation,
    entry.sequence,
    entry.id,
    about,
    entry.kind,
    bytes,
    hash,
    entry.previous_sha256,
    request_sha256,
    new Date(entry.recorded_at),
    entry.recorded_by,
  ];
  try {
    await run(
      c,
      'INSERT INTO entries (organisation, sequence, id, about, kind, bytes, sha256, previous_sha256, request_sha256, recorded_at, recorded_by) VALUES (?)',
      [values],
    );
  } catch (error) {
    // the lock is the organisation's: another one may have taken the same id in this moment
    if (isDuplicate(error)) throw fault('id-taken');
    throw error;
  }
  await run(c, 'UPDATE chain_heads SET sequence = ?, sha256 = ?, checks = checks + ? WHERE organisation = ?', [
    entry.sequence,
    hash,
    entry.kind === 'check' ? 1 : 0,
    entry.organisation,
  ]);
  chain.head = { sequence: entry.sequence, sha256: hash };
  chain.last = entry.recorded_at;
  // a check's first entry is all there is about it
  const status = await bringUpToDate(c, entry, entry.kind === 'check' ? [entry] : null);
  return {
    recorded: { id: entry.id, sequence: entry.sequence, sha256: hash, verdict: status?.verdict ?? null, again: false },
    recorded_at: entry.recorded_at,
  };
}

/** What lists show of the thing that an entry is about, made anew from its entries. @param known all of them, where that is known */
export async function bringUpToDate(
  c: Database | Connection,
  entry: Entry,
  known: readonly CheckEntry[] | null = null,
): Promise<CheckStatus | null> {
  if (entry.kind === 'rows' || entry.kind === 'baseline') return null;
  const stored = known ? [] : await entriesAbout(c, entry.organisation, aboutOf(entry));
  if (entry.kind === 'rope-event') {
    await storeRopeStatus(c, entry.organisation, entry.body.rope, ropeEntries(stored));
    // in a rope out of use every knot is due
    await workOutDue(c, { rope: entry.body.rope });
  }
  if (!isOfCheck(entry)) return null;
  const status = statusOf(known ?? checkEntries(stored))!;
  await storeStatus(c, status);
  await workOutDue(c, { knot: status.tied_knot });
  return status;
}

async function storeStatus(c: Database | Connection, s: CheckStatus): Promise<void> {
  const values = STORED_COLUMNS.map((k) => (k === 'seen_at' ? new Date(s.seen_at) : s[k]));
  const updates = STORED_COLUMNS.slice(1)
    .map((k) => `${k} = VALUES(${k})`)
    .join(', ');
  await run(
    c,
    `INSERT INTO check_status (${STORED_COLUMNS.join(', ')}) VALUES (?) ON DUPLICATE KEY UPDATE ${updates}`,
    [values],
  );
}

type RawStatus = Record<string, unknown> & { seen_at: Date };
const statusFromRow = (r: RawStatus): CheckStatus =>
  ({
    ...r,
    seen_at: r.seen_at.toISOString(),
    ...Object.fromEntries(YES_OR_NO.map((b) => [b, Boolean(r[b])])),
  }) as unknown as CheckStatus;

/** Where the names are read that a status is shown with. */
const JOINED: Readonly<Record<JoinedColumn, string>> = {
  rope_tag: 'r.tag',
  tied_by_name: "COALESCE(t.name, CONCAT(s.tied_by_words, ' (from outside)'), 'not known')",
  checker_name: 'c.name',
  signer_name: 'g.name',
};

export interface StatusFilter {
  readonly rope?: string | undefined;
  readonly person?: string | undefined;
  readonly verdict?: string | undefined;
  readonly open?: 'finding' | 'signature' | undefined;
  /** seen at or after, before */
  readonly from?: Date | undefined;
  readonly to?: Date | undefined;
  /** the page before this place: in the record's order, or by the time seen where days are asked for */
  readonly beforeSequence?: number | undefined;
  readonly before?: { readonly at: Date; readonly id: string } | undefined;
  readonly check?: string | undefined;
  readonly roundWalk?: string | undefined;
}

/** Whether the list is in the order of the time seen. */
export const isByTime = (filter: Pick<StatusFilter, 'from' | 'to'>): boolean =>
  filter.from !== undefined || filter.to !== undefined;

/** The three columns that name a person. */
const PERSON_COLUMNS = ['tied_by', 'checker', 'signer'] as const;

/**
 * The query of the checks list; the bench makes the same one. The rows of the page are found first, by an index alone, and only then
 * named. A person stands in one of three columns: each is asked by its own index, so that the time does not grow with the record.
 */
export function statusQuery(
  organisation: string,
  filter: StatusFilter,
  limit: number,
): { sql: string; values: unknown[] } {
  const where = ['organisation = ?'];
  const values: unknown[] = [organisation];
  const add = (sql: string, ...v: unknown[]) => {
    where.push(sql);
    values.push(...v);
  };
  if (filter.rope) add('rope = ?', filter.rope);
  if (filter.verdict) add('verdict = ?', filter.verdict);
  if (filter.open === 'finding') add('open_finding = TRUE');
  if (filter.open === 'signature') add('awaits_signature = TRUE');
  if (filter.from) add('seen_at >= ?', filter.from);
  if (filter.to) add('seen_at < ?', filter.to);
  // within days the order is that of the time seen: an index gives it, however far back they lie
  const byTime = isByTime(filter);
  const order = (of: string) => (byTime ? `${of}seen_at DESC, ${of}check_id DESC` : `${of}sequence DESC`);
  if (filter.before) add('(seen_at, check_id) < (?, ?)', filter.before.at, filter.before.id);
  if (filter.beforeSequence !== undefined) add('sequence < ?', filter.beforeSequence);
  if (filter.check) add('check_id = ?', filter.check);
  if (filter.roundWalk) add('round_walk = ?', filter.roundWalk);
  const page = (also: string) =>
    `(SELECT check_id, sequence, seen_at FROM check_status WHERE ${where.join(' AND ')}${also} ORDER BY ${order('')} LIMIT ?)`;
  const pages = filter.person ? PERSON_COLUMNS.map((c) => page(` AND ${c} = ?`)) : [page('')];
  const each = pages.flatMap(() => [...values, ...(filter.person ? [filter.person] : []), limit]);
  return {
    sql: `SELECT ${[...STORED_COLUMNS.map((k) => `s.${k}`), ...Object.entries(JOINED).map(([k, of]) => `${of} AS ${k}`)].join(', ')}
      FROM (${pages.join(' UNION ')} ORDER BY ${order('')} LIMIT ?) p
      JOIN check_status s ON s.check_id = p.check_id JOIN ropes r ON r.id = s.rope LEFT JOIN people t ON t.id = s.tied_by JOIN people c ON c.id = s.checker LEFT JOIN people g ON g.id = s.signer
      ORDER BY ${order('s.')}`,
    values: [...each, limit],
  };
}

export async function statuses(
  db: Database,
  organisation: string,
  filter: StatusFilter,
  limit: number,
): Promise<NamedStatus[]> {
  const { sql, values } = statusQuery(organisation, filter, limit);
  return (await rows<RawStatus>(db, sql, values)).map((r) => statusFromRow(r) as NamedStatus);
}

/** Where one check stands, inside a transaction; empty where there is none. */
export async function statusesInChain(c: Connection, organisation: string, check: string): Promise<CheckStatus[]> {
  return (
    await rows<RawStatus>(
      c,
      `SELECT ${STORED_COLUMNS.join(', ')} FROM check_status WHERE organisation = ? AND check_id = ?`,
      [organisation, check],
    )
  ).map(statusFromRow);
}

/** Checks of a rope whose finding is open. */
export async function openFindingsInRope(c: Connection, organisation: string, rope: string): Promise<CheckStatus[]> {
  return (
    await rows<RawStatus>(
      c,
      `SELECT ${STORED_COLUMNS.join(', ')} FROM check_status WHERE organisation = ? AND rope = ? AND open_finding = TRUE ORDER BY sequence`,
      [organisation, rope],
    )
  ).map(statusFromRow);
}
/** Checks made on a walk of a round, oldest first. */
export async function statusesOfRoundWalk(c: Connection, walk: string): Promise<CheckStatus[]> {
  return (
    await rows<RawStatus>(
      c,
      `SELECT ${STORED_COLUMNS.join(', ')} FROM check_status WHERE round_walk = ? ORDER BY sequence`,
      [walk],
    )
  ).map(statusFromRow);
}

export async function statusCounts(
  db: Database,
  organisation: string,
): Promise<{ checks: number; open_findings: number; waiting_signatures: number }> {
  const [r] = await rows<{ checks: number; open_findings: number; waiting_signatures: number }>(
    db,
    `SELECT (SELECT COALESCE(SUM(checks), 0) FROM chain_heads WHERE organisation = ?) AS checks,
      (SELECT COUNT(*) FROM check_status WHERE organisation = ? AND open_finding) AS open_findings,
      (SELECT COUNT(*) FROM check_status WHERE organisation = ? AND awaits_signature) AS waiting_signatures`,
    [organisation, organisation, organisation],
  );
  return { ...r!, checks: Number(r!.checks) };
}

export async function chainHead(
  db: Database | Connection,
  organisation: string,
): Promise<{ sequence: number; sha256: string }> {
  const [r] = await rows<{ sequence: number; sha256: string }>(
    db,
    'SELECT sequence, sha256 FROM chain_heads WHERE organisation = ?',
    [organisation],
  );
  return r ?? { sequence: 0, sha256: FIRST_PREVIOUS };
}

/** Whether a chain has a row that says where it ends. */
export async function hasHead(db: Database, organisation: string): Promise<boolean> {
  return (await rows(db, 'SELECT sequence FROM chain_heads WHERE organisation = ?', [organisation])).length > 0;
}
/** For verifying: entries in order, a bounded number at a time. */
export async function entriesFrom(
  db: Database | Connection,
  organisation: string,
  afterSequence: number,
  limit: number,
): Promise<StoredEntry[]> {
  return rows<StoredEntry>(
    db,
    'SELECT * FROM entries WHERE organisation = ? AND sequence > ? ORDER BY sequence LIMIT ?',
    [organisation, afterSequence, limit],
  );
}
/** How many checks the head says there are. */
export async function countedChecks(db: Database, organisation: string): Promise<number> {
  return (
    (await rows<{ checks: number }>(db, 'SELECT checks FROM chain_heads WHERE organisation = ?', [organisation]))[0]
      ?.checks ?? 0
  );
}
/** An entry by its place and hash: for who holds a printed page. */
export async function entryKnown(
  db: Database,
  organisation: string,
  sequence: number,
  hash: string,
): Promise<StoredEntry | null> {
  const [r] = await rows<StoredEntry>(
    db,
    'SELECT * FROM entries WHERE organisation = ? AND sequence = ? AND sha256 = ?',
    [organisation, sequence, hash],
  );
  return r ?? null;
}
export async function storedStatuses(db: Database, organisation: string): Promise<CheckStatus[]> {
  return (
    await rows<RawStatus>(db, `SELECT ${STORED_COLUMNS.join(', ')} FROM check_status WHERE organisation = ?`, [
      organisation,
    ])
  ).map(statusFromRow);
}
