/**
 * Prepares a database for the application: account, migrations, shipped profiles, demo data into an empty
 * one. Run by scripts/start.mjs and scripts/test.mjs. Prints one JSON line: { url, migrations, people }.
 */
import { join } from 'node:path';
import { openPool, poolOptions } from './database';
import { plantDemo } from './demo/plant';
import { NewerDataError, prepareDatabase } from './migrate';
import { countPeople } from './tables/people';
import { listsAnew } from './listsAnew';
import { organisationIds } from './tables/organisations';
import { workOutUnknown } from './tables/tiedKnots';
import { storeKnotEntries } from './tables/knotEntries';
import { storeShippedProfiles } from './tables/profiles';

const env = process.env;
try {
  const migrations = env['IDIOM_MIGRATIONS'] ?? join(import.meta.dirname, 'migrations');
  const prepared = await prepareDatabase(env['IDIOM_DATABASE_ADMIN_URL']!, env['IDIOM_DATABASE_URL']!, migrations);
  const db = openPool(poolOptions(prepared.url));
  await storeShippedProfiles(db, new Date());
  await storeKnotEntries(db, new Date(), join(migrations, 'entries-before-0006.jsonl.gz'));
  // a newer program may show more of each entry than the one that wrote it
  if (prepared.migrations > 0) await listsAnew(db);
  for (const { id } of await organisationIds(db)) await workOutUnknown(db, id);
  if (env['IDIOM_DEMO'] !== '0' && (await countPeople(db)) === 0)
    await plantDemo(db, new Date(env['IDIOM_DEMO_NOW'] ?? Date.now()));
  const people = await countPeople(db);
  await db.end();
  console.log(JSON.stringify({ ...prepared, people }));
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
