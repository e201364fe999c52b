/**
 * Prepares a database for the application: account, migrations, shipped profiles, demo data into an empty
 * one. Run by scripts/start.mjs and scripts/test.mjs. Prints one JSON line: { url, migrations, people }.
 */
import { join } from 'node:path';
import { NewerDataError } from './migrate';
import { prepareAll } from './preparing';

const env = process.env;
try {
  const migrations = env['IDIOM_MIGRATIONS'] ?? join(import.meta.dirname, 'migrations');
  const demoAt = env['IDIOM_DEMO'] === '0' ? null : new Date(env['IDIOM_DEMO_NOW'] ?? Date.now());
  const prepared = await prepareAll(env['IDIOM_DATABASE_ADMIN_URL']!, env['IDIOM_DATABASE_URL']!, migrations, demoAt);
  console.log(JSON.stringify(prepared));
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
