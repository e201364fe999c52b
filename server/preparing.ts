/** What a database needs before the application runs on it: account, migrations, what ships with the program, demo data into an empty one. */
import { join } from 'node:path';
import { openPool, poolOptions } from './database';
import { plantDemo } from './demo/plant';
import { listsAnew } from './listsAnew';
import { prepareDatabase } from './migrate';
import { storeKnotEntries } from './tables/knotEntries';
import { organisationIds } from './tables/organisations';
import { countPeople } from './tables/people';
import { storeShippedProfiles } from './tables/profiles';
import { workOutUnknown } from './tables/tiedKnots';

export interface Prepared {
  /** the application's own */
  readonly url: string;
  /** done now */
  readonly migrations: number;
  readonly people: number;
}

/**
 * @param adminUrl of an account that may make databases and accounts
 * @param url of the application's account and database
 * @param migrations the folder they are in
 * @param demoAt the moment about which demo data are planted; null plants none
 * @throws NewerDataError, and what the database answers
 */
export async function prepareAll(
  adminUrl: string,
  url: string,
  migrations: string,
  demoAt: Date | null,
): Promise<Prepared> {
  const prepared = await prepareDatabase(adminUrl, url, migrations);
  const db = openPool(poolOptions(prepared.url));
  try {
    await storeShippedProfiles(db, new Date());
    await storeKnotEntries(db, new Date(), join(migrations, 'entries-before-0006.jsonl.gz'));
    // a newer program may show more of each entry than the one that wrote it
    if (prepared.migrations > 0) await listsAnew(db);
    for (const { id } of await organisationIds(db)) await workOutUnknown(db, id);
    if (demoAt && (await countPeople(db)) === 0) await plantDemo(db, demoAt);
    return { ...prepared, people: await countPeople(db) };
  } finally {
    await db.end();
  }
}
