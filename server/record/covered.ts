/**
 * Which columns of which tables the record holds. What a page, a file or a computation reads follows from entries, or is held by an entry that says
 * how the row stands; what is left out stands here with its reason. A new table or column that is in none of them fails a test.
 */
import type { RowValue } from '../../core/records';
import { contentHash, sha256 } from '../canonical';
import { rows, type Connection, type Database } from '../database';

/** The chain of what belongs to no organisation. No organisation has this id. */
export const PROGRAM = '00000000-0000-0000-0000-000000000000';

interface Table {
  /** what a row is found by */
  readonly key: readonly string[];
  /** its column that says whose it is; null where it is nobody's */
  readonly of: 'organisation' | null;
  /** columns that no entry holds, each with why */
  readonly leftOut?: Readonly<Record<string, string>>;
  /** columns that are held only as one hash with the salt beside them, so that they can be erased */
  readonly sealed?: { readonly columns: readonly string[]; readonly salt: string };
}

/** Tables whose rows are entries when they are made and changed. */
export const COVERED = {
  organisations: { key: ['id'], of: null },
  profile_versions: { key: ['profile', 'version'], of: null },
  knot_entries: { key: ['sha256'], of: null },
  signing_keys: { key: ['id'], of: null },
  people: {
    key: ['id'],
    of: 'organisation',
    leftOut: {
      password_hash: 'a secret; that and by whom it was set is in credential_events',
      pin_hash: 'a secret; that it was set is in credential_events',
      name_salt: 'it opens the seal: without it the seal does not fit',
    },
    sealed: { columns: ['handle', 'name', 'about'], salt: 'name_salt' },
  },
  ropes: { key: ['id'], of: 'organisation' },
  jobs: { key: ['id'], of: 'organisation' },
  passing_trials: { key: ['id'], of: 'organisation' },
  passing_trial_withdrawals: { key: ['id'], of: 'organisation' },
  tied_knots: {
    key: ['id'],
    of: 'organisation',
    leftOut: {
      due_at:
        'worked out from entries and rows; npm run verify works it out again of knots that hang, of others nothing reads it',
    },
  },
  knot_events: { key: ['id'], of: 'organisation' },
  sign_offs: { key: ['id'], of: 'organisation' },
  rounds: { key: ['id'], of: 'organisation' },
  round_walks: { key: ['id'], of: 'organisation' },
  imports: { key: ['id'], of: 'organisation' },
  wrong_pins: { key: ['id'], of: 'organisation' },
  credential_events: { key: ['id'], of: 'organisation' },
  passkeys: {
    key: ['id'],
    of: 'organisation',
    leftOut: {
      counter: 'how often the device used it; each sign-in changes it, and nothing but the next one reads it',
    },
  },
} as const satisfies Readonly<Record<string, Table>>;
export type CoveredTable = keyof typeof COVERED;
export const COVERED_TABLES = Object.keys(COVERED) as CoveredTable[];

/** Tables that npm run verify makes again from the entries, column by column. */
export const DERIVED = ['entries', 'chain_heads', 'check_status', 'rope_status', 'signed_heads'] as const;

/** Tables that no entry holds, each with why. */
export const LEFT_OUT: Readonly<Record<string, string>> = {
  sessions: 'who is signed in at the moment; nothing of it is shown or judged by',
  schema_migrations: 'which steps the tables have been brought through; the start command reads it, no page',
  schema_steps: 'as schema_migrations',
  to_make_anew: 'what the next start has still to do',
};

const tableOf = (table: CoveredTable): Table => COVERED[table];

/** A row as the database gives it. */
export type Raw = Readonly<Record<string, unknown>>;

/** A longer text is held by its hash. */
const LONGEST_TEXT = 400;
function valueOf(v: unknown): RowValue {
  if (v === null || v === undefined) return null;
  if (v instanceof Date) return Number.isNaN(v.getTime()) ? 'no time' : v.toISOString();
  if (typeof v === 'number') return v;
  if (typeof v === 'boolean') return v ? 1 : 0;
  const text = Buffer.isBuffer(v) ? v.toString('hex') : typeof v === 'string' ? v : JSON.stringify(v);
  return text.length > LONGEST_TEXT ? `sha256:${sha256(text)}` : text;
}

/** What stands where a name was erased. */
export const ERASED_NAME = 'a person, erased';
const isErased = (raw: Raw): boolean =>
  raw['name'] === ERASED_NAME && raw['about'] === '' && /^erased-[0-9a-f]{8}$/.test(String(raw['handle']));

/** The seal of a row's names; null where they were erased, `none` where there are names and nothing seals them. */
function sealOf(table: CoveredTable, raw: Raw): string | null {
  const { sealed } = tableOf(table);
  const salt = sealed && (raw[sealed.salt] as Buffer | null);
  if (!salt && !isErased(raw)) return 'none';
  return salt
    ? sha256(Buffer.concat([salt, Buffer.from(contentHash(sealed.columns.map((c) => valueOf(raw[c]))))]))
    : null;
}

export const SEALED = 'sealed';
export const isSealed = (table: CoveredTable): boolean => tableOf(table).sealed !== undefined;

/** What the record holds of a row: its columns but for those left out, and the seal in place of what is sealed. */
export function heldOf(table: CoveredTable, raw: Raw): Record<string, RowValue> {
  const { leftOut = {}, sealed } = tableOf(table);
  const held = Object.fromEntries(
    Object.entries(raw)
      .filter(([column]) => !(column in leftOut) && !sealed?.columns.includes(column))
      .map(([column, v]) => [column, valueOf(v)]),
  );
  return sealed ? { ...held, [SEALED]: sealOf(table, raw) } : held;
}
export const keyOf = (table: CoveredTable, raw: Raw): string =>
  tableOf(table)
    .key.map((k) => String(raw[k]))
    .join('@');
/** Whose chain a row stands in. */
export function chainOf(table: CoveredTable, raw: Raw): string {
  const { of } = tableOf(table);
  return of === null ? PROGRAM : String(raw[of]);
}

/** SHA-256 of some of what the record holds of a row. */
export const heldHash = (held: Readonly<Record<string, RowValue>>, columns: readonly string[]): string =>
  contentHash(columns.map((c) => held[c] ?? null));

export async function rawRow(c: Database | Connection, table: CoveredTable, key: string): Promise<Raw | null> {
  const columns = tableOf(table).key;
  const parts =
    columns.length === 1 ? [key] : [key.slice(0, key.lastIndexOf('@')), key.slice(key.lastIndexOf('@') + 1)];
  const [r] = await rows<Record<string, unknown>>(
    c,
    `SELECT * FROM ${table} WHERE ${columns.map((k) => `${k} = ?`).join(' AND ')}`,
    parts,
  );
  return r ?? null;
}

const AT_ONCE = 1000;
/** Every row of a table that stands in a chain, so many at a time. */
export async function* rawRows(db: Database | Connection, table: CoveredTable, chain: string): AsyncGenerator<Raw[]> {
  const { key, of } = tableOf(table);
  if (of === null && chain !== PROGRAM) return;
  const order = key.join(', ');
  for (let after: readonly unknown[] | null = null; ;) {
    const where = [...(of === null ? [] : [`${of} = ?`]), ...(after ? [`(${order}) > (?)`] : [])];
    const found: Raw[] = await rows<Record<string, unknown>>(
      db,
      `SELECT * FROM ${table}${where.length > 0 ? ` WHERE ${where.join(' AND ')}` : ''} ORDER BY ${order} LIMIT ${AT_ONCE}`,
      [...(of === null ? [] : [chain]), ...(after ? [after] : [])],
    );
    if (found.length > 0) yield found;
    if (found.length < AT_ONCE) return;
    const last: Raw = found.at(-1)!;
    after = key.map((k) => last[k]);
  }
}

/** Every chain that anything belongs to: organisations there are, and those that rows or entries name. */
export async function chainsNamed(db: Database): Promise<string[]> {
  const of = [
    'SELECT id AS chain FROM organisations',
    ...DERIVED.map((t) => `SELECT DISTINCT organisation AS chain FROM ${t}`),
    ...COVERED_TABLES.filter((t) => tableOf(t).of !== null).map(
      (t) => `SELECT DISTINCT organisation AS chain FROM ${t}`,
    ),
  ];
  const found = await rows<{ chain: string }>(db, of.join(' UNION '));
  return [...new Set([PROGRAM, ...found.map((r) => r.chain)])];
}
