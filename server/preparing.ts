/** What a database needs before the application runs on it: account, migrations, what ships with the program, demo data into an empty one. */
import { join } from 'node:path';
import mysql from 'mysql2/promise';
import { openPool, poolOptions, type Database } from './database';
import { allOrNothing } from './demo/allOrNothing';
import { plantDemo } from './demo/plant';
import { listsAnew } from './listsAnew';
import { sealNames, writeBaselines } from './record/baseline';
import { pendingMigrations, prepareDatabase, type AtStep } from './migrate';
import { storeKnotEntries } from './tables/knotEntries';
import { organisationIds } from './tables/organisations';
import { countPeople } from './tables/people';
import { storeShippedProfiles } from './tables/profiles';
import { isToMakeAnew, madeAnew } from './tables/toMakeAnew';
import { workOutUnknown } from './tables/tiedKnots';
import { chainsToVerify, verifyOrganisation } from './verify';

export interface Prepared {
  /** the application's own */
  readonly url: string;
  /** done now */
  readonly migrations: number;
  readonly people: number;
  /** what looking through the record afterwards found; null where it was not asked for */
  readonly faults: readonly string[] | null;
}

export interface Preparing {
  /** told what is being done, a line each */
  readonly say?: (line: string) => void;
  /** the record is looked through afterwards */
  readonly verified?: boolean;
  readonly at?: AtStep;
}

/** Which migrations are to be done on data that are there; none where there are no data. @throws NewerDataError */
export async function pendingOn(
  adminUrl: string,
  url: string,
  migrations: string,
): Promise<{ pending: readonly number[] }> {
  const admin = await mysql.createConnection({ ...poolOptions(adminUrl), database: undefined as never });
  try {
    const [found] = await admin.query<mysql.RowDataPacket[]>(
      "SELECT COUNT(*) AS n FROM information_schema.tables WHERE table_schema = ? AND table_name = 'people'",
      [poolOptions(url).database],
    );
    if (found[0]!['n'] === 0) return { pending: [] };
    await admin.query('USE ??', [poolOptions(url).database]);
    return { pending: await pendingMigrations(admin, migrations) };
  } finally {
    await admin.end();
  }
}

/**
 * Stopped anywhere, it is run again and goes on.
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
  { say = () => {}, verified = false, at }: Preparing = {},
): Promise<Prepared> {
  const prepared = await prepareDatabase(adminUrl, url, migrations, at);
  const db = openPool(poolOptions(prepared.url));
  try {
    await storeShippedProfiles(db, new Date());
    await storeKnotEntries(db, new Date(), join(migrations, 'entries-before-0006.jsonl.gz'));
    // a newer program may show more of each entry than the one that wrote it
    if (await isToMakeAnew(db, 'lists')) {
      await listsAnew(db, say);
      await madeAnew(db, 'lists');
    }
    for (const { id } of await organisationIds(db)) await workOutUnknown(db, id);
    if (await isToMakeAnew(db, 'rows')) {
      await sealNames(db);
      await writeBaselines(db, new Date(), say);
      await madeAnew(db, 'rows');
    }
    if (demoAt && (await countPeople(db)) === 0) await allOrNothing(db, (one) => plantDemo(one, demoAt));
    const faults = verified ? await lookedThrough(db, say) : null;
    return { ...prepared, people: await countPeople(db), faults };
  } finally {
    await db.end();
  }
}

async function lookedThrough(db: Database, say: (line: string) => void): Promise<string[]> {
  const faults: string[] = [];
  for (const o of await chainsToVerify(db)) {
    say(`looking through the record of ${o.name}`);
    faults.push(...(await verifyOrganisation(db, o.id)).faults.map((f) => `${o.name}: ${f}`));
  }
  return faults;
}
