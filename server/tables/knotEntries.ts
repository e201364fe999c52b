/** Versions of the knots' entries, each once under the hash of its canonical form: what a check was judged by. Never changed. */
import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { ENTRIES } from '../../core/knots/catalogue/entries';
import { canonicalBytes, sha256 } from '../canonical';
import { rows, run, type Database } from '../database';
import { keepingOfProgram } from '../record/keeping';

export interface StoredKnotEntry {
  readonly sha256: string;
  readonly knot: string;
  readonly content: string;
}

/** Entries of programs before this table was made. @param file gzip of a JSON object a line */
export const entriesBefore = (file: string): StoredKnotEntry[] =>
  gunzipSync(readFileSync(file))
    .toString('utf8')
    .split('\n')
    .filter((line) => line !== '')
    .map((line) => JSON.parse(line) as StoredKnotEntry);

/** Stores what is not there yet: the entries of now, and those from before. @param before file of those */
export async function storeKnotEntries(db: Database, now: Date, before: string | null): Promise<void> {
  const own = ENTRIES.map((entry): StoredKnotEntry => {
    const bytes = canonicalBytes(entry);
    return { sha256: sha256(bytes), knot: entry.id, content: bytes.toString('utf8') };
  });
  const there = new Set((await rows<{ sha256: string }>(db, 'SELECT sha256 FROM knot_entries')).map((r) => r.sha256));
  const missing = [...own, ...(before ? entriesBefore(before) : [])].filter((e) => !there.has(e.sha256));
  const once = [...new Map(missing.map((e) => [e.sha256, e])).values()];
  if (once.length === 0) return;
  await keepingOfProgram(db, now, async (k) => {
    for (const e of once) {
      await run(k.c, 'INSERT INTO knot_entries (sha256, knot, content, created_at) VALUES (?)', [
        [e.sha256, e.knot, e.content, now],
      ]);
      k.changed('knot_entries', e.sha256);
    }
  });
}

export const storedKnotEntries = (db: Database): Promise<StoredKnotEntry[]> =>
  rows<StoredKnotEntry>(db, 'SELECT sha256, knot, content FROM knot_entries');
