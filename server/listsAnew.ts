/** Makes what lists show anew from the entries, of every organisation. Changes no entry; run after migrations. */
import type { Entry } from '../core/records';
import type { Database } from './database';
import { bringUpToDate, entriesFrom } from './tables/entries';
import { organisationIds } from './tables/organisations';

const BATCH = 500;

/** @param say told how far it is */
export async function listsAnew(db: Database, say: (line: string) => void = () => {}): Promise<number> {
  let count = 0;
  for (const { id } of await organisationIds(db)) {
    for (let after = 0; ;) {
      const batch = await entriesFrom(db, id, after, BATCH);
      for (const stored of batch) {
        const entry = JSON.parse(stored.bytes.toString('utf8')) as Entry;
        await bringUpToDate(db, entry);
        count++;
      }
      if (batch.length < BATCH) break;
      say(`what lists show is made anew: ${count} entries so far`);
      after = batch.at(-1)!.sequence;
    }
  }
  return count;
}
