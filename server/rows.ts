/** Rows of tables as the contract tells them. */
import type { StoredEntry } from './tables/entries';

export const storedEntryOf = (e: StoredEntry) => ({
  sequence: e.sequence,
  sha256: e.sha256,
  entry: JSON.parse(e.bytes.toString('utf8')) as Record<string, unknown>,
});
