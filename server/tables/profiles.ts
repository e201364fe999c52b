import { PRACTICES, SHIPPED_VERSIONS } from '../../core/profiles';
import { canonicalBytes, sha256 } from '../canonical';
import { rows, run, type Database } from '../database';

export interface StoredProfile {
  readonly profile: string;
  readonly version: number;
  readonly content: string;
  readonly sha256: string;
}
/** Stores the shipped profile versions that are not there yet, and common practice beside them. A version once stored is never changed. */
export async function storeShippedProfiles(db: Database, now: Date): Promise<void> {
  for (const p of [...SHIPPED_VERSIONS, ...PRACTICES]) {
    const bytes = canonicalBytes(p);
    await run(
      db,
      'INSERT IGNORE INTO profile_versions (profile, version, organisation, content, sha256, created_at) VALUES (?)',
      [[p.id, p.version, null, bytes.toString('utf8'), sha256(bytes), now]],
    );
  }
}
export async function storedProfiles(db: Database): Promise<StoredProfile[]> {
  return rows<StoredProfile>(
    db,
    'SELECT profile, version, content, sha256 FROM profile_versions ORDER BY profile, version',
  );
}
