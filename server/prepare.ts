/**
 * Prepares a database for the application: account, migrations, shipped profiles, demo data into an empty
 * one. Run by scripts/start.mjs and scripts/test.mjs. Prints one JSON line: { url, migrations, people }; with --pending only which
 * migrations are to be done on data that are there. What it is at goes to the file descriptor IDIOM_SAY, a line each.
 */
import { writeSync } from 'node:fs';
import { join } from 'node:path';
import { NewerDataError } from './migrate';
import { pendingOn, prepareAll } from './preparing';

const env = process.env;
const fd = Number(env['IDIOM_SAY'] ?? 0);
const say = (line: string) => void (fd > 2 && writeSync(fd, `${line}\n`));
try {
  const migrations = env['IDIOM_MIGRATIONS'] ?? join(import.meta.dirname, 'migrations');
  const [admin, app] = [env['IDIOM_DATABASE_ADMIN_URL']!, env['IDIOM_DATABASE_URL']!];
  if (process.argv.includes('--pending')) console.log(JSON.stringify(await pendingOn(admin, app, migrations)));
  else {
    const demoAt = env['IDIOM_DEMO'] === '0' ? null : new Date(env['IDIOM_DEMO_NOW'] ?? Date.now());
    const verified = env['IDIOM_VERIFY_AFTER'] === '1';
    console.log(JSON.stringify(await prepareAll(admin, app, migrations, demoAt, { say, verified })));
  }
} catch (error) {
  const e = error as { code?: string; message: string };
  if (error instanceof NewerDataError) console.error(e.message);
  else if (e.code === 'ER_ACCESS_DENIED_ERROR' || e.code === 'ER_DBACCESS_DENIED_ERROR')
    console.error(`The database refuses the account of IDIOM_DATABASE_ADMIN_URL: ${e.message}`);
  else if (/disk full|No space left|errno: 28/i.test(e.message))
    console.error('The disk is full: make room in the data folder and start again. Nothing was changed.');
  else console.error(`The database could not be prepared: ${e.message}`);
  process.exit(error instanceof NewerDataError ? 5 : 6);
}
