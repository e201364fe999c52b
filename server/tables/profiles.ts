import { PRACTICES, SHIPPED_VERSIONS } from '../../core/profiles';
import { canonicalBytes, sha256 } from '../canonical';
import { rows, run, type Database } from '../database';
import { keepingOfProgram } from '../record/keeping';

export interface StoredProfile {
  readonly profile: string;
  readonly version: number;
  readonly content: string;
  readonly sha256: string;
}
/** Stores the shipped profile versions that are not there yet, and common practice beside them. A version once stored is never changed. */
export async function storeShippedProfiles(db: Database, now: Date): Promise<void> {
  const there = new Set((await storedProfiles(db)).map((p) => `${p.profile}@${p.version}`));
  const missing = [...SHIPPED_VERSIONS, ...PRACTICES].filter((p) => !there.has(`${p.id}@${p.version}`));
  if (missing.length === 0) return;
  await keepingOfProgram(db, now, async (k) => {
    for (const p of missing) {
      const bytes = canonicalBytes(p);
      await run(
        k.c,
        'INSERT INTO profile_versions (profile, version, organisation, content, sha256, created_at) VALUES (?)',
        [[p.id, p.version, null, bytes.toString('utf8'), sha256(bytes), now]],
      );
      k.changed('profile_versions', `${p.id}@${p.version}`);
    }
  });
}
export async function storedProfiles(db: Database): Promise<StoredProfile[]> {
  return rows<StoredProfile>(
    db,
    'SELECT profile, version, content, sha256 FROM profile_versions ORDER BY profile, version',
  );
}
