/** Forward-only migrations, run with the administrator's account; then the application's account and its rights. */
import { randomBytes } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import mysql, { type Connection } from 'mysql2/promise';
import { poolOptions } from './database';

/** What the application may do. On `entries` it may read and add, nothing else. */
export const RIGHTS = {
  INSERT: [
    'organisations',
    'people',
    'sessions',
    'ropes',
    'profile_versions',
    'knot_entries',
    'jobs',
    'passing_trials',
    'passing_trial_withdrawals',
    'tied_knots',
    'knot_events',
    'entries',
    'chain_heads',
    'check_status',
    'rope_status',
    'wrong_pins',
    'signing_keys',
    'signed_heads',
    'credential_events',
    'passkeys',
    'sign_offs',
    'rounds',
    'round_walks',
    'imports',
  ],
  UPDATE: ['people', 'tied_knots', 'chain_heads', 'check_status', 'rope_status', 'round_walks', 'passkeys'],
  DELETE: ['sessions', 'to_make_anew'],
} as const;

export class NewerDataError extends Error {}

/** One statement of a migration. Each can be repeated: it may have been done and not written down. */
export interface Step {
  readonly version: number;
  /** its place in its file, from 1 */
  readonly step: number;
  readonly statement: string;
}

/** Every step that ships, in order. @throws what reading the folder throws */
export function stepsIn(folder: string): {
  readonly steps: readonly Step[];
  readonly names: ReadonlyMap<number, string>;
} {
  const files = readdirSync(folder)
    .filter((f) => /^\d{4}_.*\.sql$/.test(f))
    .sort();
  const steps = files.flatMap((file) =>
    readFileSync(join(folder, file), 'utf8')
      .split('\n')
      .filter((l) => !l.startsWith('--'))
      .join('\n')
      .split(';')
      .map((s) => s.trim())
      .filter(Boolean)
      .map((statement, k): Step => ({ version: Number(file.slice(0, 4)), step: k + 1, statement })),
  );
  return { steps, names: new Map(files.map((f) => [Number(f.slice(0, 4)), f])) };
}

/** Called before a step, between its doing and its being written down, and after. A test throws there, as a kill would. */
export type AtStep = (when: 'before' | 'done' | 'noted', step: Step) => void | Promise<void>;

const BOOKS = [
  'CREATE TABLE IF NOT EXISTS schema_migrations (version INT NOT NULL PRIMARY KEY, name VARCHAR(200) NOT NULL, applied_at DATETIME(3) NOT NULL)',
  'CREATE TABLE IF NOT EXISTS schema_steps (version INT NOT NULL, step INT NOT NULL, done_at DATETIME(3) NOT NULL, PRIMARY KEY (version, step))',
  // what is shown beside the entries and has to be made anew from them; taken out once it is
  'CREATE TABLE IF NOT EXISTS to_make_anew (what VARCHAR(40) CHARACTER SET ascii NOT NULL PRIMARY KEY, since DATETIME(3) NOT NULL)',
];

const tablesOf = async (admin: Connection): Promise<Set<string>> =>
  new Set(
    (
      await admin.query<mysql.RowDataPacket[]>(
        'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()',
      )
    )[0].map((r) => String(r['name'])),
  );

/** The migrations that are still to be done on the database of the connection; it is not changed. @throws NewerDataError */
export async function pendingMigrations(admin: Connection, folder: string): Promise<readonly number[]> {
  const { names } = stepsIn(folder);
  const newest = Math.max(...names.keys());
  if (!(await tablesOf(admin)).has('schema_migrations')) return [...names.keys()];
  const [found] = await admin.query<mysql.RowDataPacket[]>('SELECT version FROM schema_migrations');
  const applied = new Set(found.map((r) => r['version'] as number));
  const there = Math.max(0, ...applied);
  if (there > newest)
    throw new NewerDataError(
      `The data are of version ${there}, this program knows version ${newest}: start the newer program, or use another data folder.`,
    );
  return [...names.keys()].filter((v) => !applied.has(v));
}

/**
 * Brings the tables up to date, step by step. Stopped anywhere, the next run goes on: a step that was done and not written down is done again.
 * What lists show is marked as to be made anew before the first step is done; whoever has made it anew takes the mark away.
 * @returns how many migrations were done
 */
export async function migrate(admin: Connection, folder: string, at: AtStep = () => {}): Promise<number> {
  const pending = await pendingMigrations(admin, folder);
  const isOld = (await tablesOf(admin)).has('entries');
  // data of a program that wrote down no steps may have been left in the middle: their lists are made anew once
  const hasSteps = (await tablesOf(admin)).has('schema_steps');
  for (const s of BOOKS) await admin.query(s);
  if (isOld && (pending.length > 0 || !hasSteps))
    await admin.query("INSERT IGNORE INTO to_make_anew VALUES ('lists', UTC_TIMESTAMP(3)), ('rows', UTC_TIMESTAMP(3))");
  const [noted] = await admin.query<mysql.RowDataPacket[]>('SELECT version, step FROM schema_steps');
  const done = new Set(noted.map((r) => `${r['version']} ${r['step']}`));
  const { steps, names } = stepsIn(folder);
  for (const version of pending) {
    for (const step of steps.filter((s) => s.version === version)) {
      if (done.has(`${version} ${step.step}`)) continue;
      await at('before', step);
      await admin.query(step.statement);
      await at('done', step);
      await admin.query('INSERT INTO schema_steps VALUES (?, ?, UTC_TIMESTAMP(3))', [version, step.step]);
      await at('noted', step);
    }
    await admin.query(
      'INSERT IGNORE INTO schema_migrations (version, name, applied_at) VALUES (?, ?, UTC_TIMESTAMP(3))',
      [version, names.get(version)!],
    );
  }
  return pending.length;
}

const quoted = (name: string) => '`' + name.replaceAll('`', '``') + '`';

export interface Prepared {
  readonly migrations: number;
  readonly url: string;
}

/**
 * Makes the database, the account of the application with just its rights, and the tables.
 * @param adminUrl mysql:// URL of an account that may do that; its path is not used
 * @param appUrl mysql:// URL of the application's account; `null` makes a password
 */
export async function prepareDatabase(
  adminUrl: string,
  appUrl: string,
  folder: string,
  at: AtStep = () => {},
): Promise<Prepared> {
  const app = poolOptions(appUrl);
  const database = app.database!;
  const password = app.password && app.password.length > 0 ? app.password : randomBytes(24).toString('hex');
  const admin = await mysql.createConnection({
    ...poolOptions(adminUrl),
    database: undefined as never,
    multipleStatements: false,
    timezone: 'Z',
    charset: 'utf8mb4',
  });
  try {
    await admin.query(
      `CREATE DATABASE IF NOT EXISTS ${quoted(database)} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`,
    );
    await admin.query(`USE ${quoted(database)}`);
    // two that prepare one database follow one another
    await admin.query("SELECT GET_LOCK('idiom-prepare', 600)");
    const migrations = await migrate(admin, folder, at);
    const hosts = app.socketPath
      ? ['localhost']
      : ['127.0.0.1', 'localhost', '::1'].includes(app.host ?? '')
        ? ['127.0.0.1', 'localhost']
        : ['%'];
    for (const host of hosts) {
      const user = `${admin.escape(app.user)}@${admin.escape(host)}`;
      await admin.query(`CREATE USER IF NOT EXISTS ${user} IDENTIFIED BY ${admin.escape(password)}`);
      await admin.query(`ALTER USER ${user} IDENTIFIED BY ${admin.escape(password)}`);
      await admin.query(`GRANT SELECT ON ${quoted(database)}.* TO ${user}`);
      for (const [right, tables] of Object.entries(RIGHTS))
        for (const table of tables)
          await admin.query(`GRANT ${right} ON ${quoted(database)}.${quoted(table)} TO ${user}`);
    }
    const url = new URL(appUrl);
    url.password = password;
    return { migrations, url: url.toString() };
  } finally {
    await admin.end();
  }
}
