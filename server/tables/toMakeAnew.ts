/** What has to be made anew from the entries before it may be shown. Marked before anything is changed, and until it is made. */
import { rows, run, type Database } from '../database';

/** `lists`: what they show follows from the entries; `rows`: what no entry says anything of is taken into the record. */
export type ToMake = 'lists' | 'rows';

export async function isToMakeAnew(db: Database, what: ToMake): Promise<boolean> {
  return (await rows<{ what: string }>(db, 'SELECT what FROM to_make_anew WHERE what = ?', [what])).length > 0;
}
export async function madeAnew(db: Database, what: ToMake): Promise<void> {
  await run(db, 'DELETE FROM to_make_anew WHERE what = ?', [what]);
}
