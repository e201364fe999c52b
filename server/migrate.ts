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
    'sign_offs',
    'rounds',
    'round_walks',
    'imports',
  ],
  UPDATE: ['people', 'tied_knots', 'chain_heads', 'check_status', 'rope_status', 'round_walks'],
  DELETE: ['sessions'],
} as const;

export class NewerDataError extends Error {}

export async function migrate(admin: Connection, folder: string): Promise<number> {
  await admin.query(
    'CREATE TABLE IF NOT EXISTS schema_migrations (version INT NOT NULL PRIMARY KEY, name VARCHAR(200) NOT NULL, applied_at DATETIME(3) NOT NULL)',
  );
  const files = readdirSync(folder)
    .filter((f) => /^\d{4}_.*\.sql$/.test(f))
    .sort();
  const newest = Number(files.at(-1)!.slice(0, 4));
  const [rows] = await admin.query<mysql.RowDataPacket[]>('SELECT version FROM schema_migrations');
  const applied = new Set(rows.map((r) => r['version'] as number));
  const there = Math.max(0, ...applied);
  if (there > newest)
    throw new NewerDataError(
      `The data are of version ${there}, this program knows version ${newest}: start the newer program, or use another data folder.`,
    );
  let count = 0;
  for (const file of files) {
    const version = Number(file.slice(0, 4));
    if (applied.has(version)) continue;
    const statements = readFileSync(join(folder, file), 'utf8')
      .split('\n')
      .filter((l) => !l.startsWith('--'))
      .join('\n')
      .split(';')
      .map((s) => s.trim())
      .filter(Boolean);
    for (const s of statements) await admin.query(s);
    await admin.query('INSERT INTO schema_migrations (version, name, applied_at) VALUES (?, ?, UTC_TIMESTAMP(3))', [
      version,
      file,
    ]);
    count++;
  }
  return count;
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
export async function prepareDatabase(adminUrl: string, appUrl: string, folder: string): Promise<Prepared> {
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
    const migrations = await migrate(admin, folder);
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
