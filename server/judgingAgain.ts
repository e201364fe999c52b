/** Computes every recorded judgement again, by the version of judging, the rule set and the entry of the knot that it was made by. */
import { judgedBy, type JudgedWith } from '../core/judgings';
import { COMMON_PRACTICE } from '../core/profiles';
import { askedBy, type CheckBody, type CheckEntry } from '../core/records';
import { contentHash, sha256 } from './canonical';
import type { Database } from './database';
import { storedKnotEntries } from './tables/knotEntries';
import type { StoredProfile } from './tables/profiles';

/** 'same'; 'cannot' where what it was made by is not there; else what is wrong, in words. */
export type JudgedAgain = string;

export interface JudgingAgain {
  /** stored entries of knots whose content was altered */
  readonly faults: readonly string[];
  /** @param check the body of the check that the entry belongs to */
  readonly again: (entry: CheckEntry, check: CheckBody | undefined) => JudgedAgain;
}

/** @param profiles by `id@version` */
export async function judgingAgain(db: Database, profiles: ReadonlyMap<string, StoredProfile>): Promise<JudgingAgain> {
  const faults: string[] = [];
  const entries = new Map<string, JudgedWith['entry']>();
  for (const e of await storedKnotEntries(db)) {
    if (sha256(e.content) === e.sha256) entries.set(e.sha256, JSON.parse(e.content) as JudgedWith['entry']);
    else faults.push(`the stored entry ${e.sha256.slice(0, 12)} of ${e.knot}: its content was altered`);
  }
  const rules = new Map([...profiles].map(([key, p]) => [key, JSON.parse(p.content) as unknown]));

  const again = (entry: CheckEntry, check: CheckBody | undefined): JudgedAgain => {
    if (entry.kind === 'finding-closed' || !entry.body.judgement || !entry.body.answers) return 'same';
    if (!check) return 'cannot';
    const { body } = entry;
    const knot = entries.get(body.knot_entry_sha256 ?? check.knot_entry_sha256);
    const profile = rules.get(`${check.profile}@${check.profile_version}`) as JudgedWith['profile'] | undefined;
    if (!knot || !profile) return 'cannot';
    const practice = check.common_practice
      ? ((rules.get(`${COMMON_PRACTICE.id}@${check.common_practice.version}`) as JudgedWith['practice']) ?? null)
      : null;
    const judgement = judgedBy(
      body.judging ?? check.judging ?? 1,
      { profile, entry: knot, practice },
      askedBy(check, body.answers!, entry.kind === 'signature'),
    );
    if (judgement === null) return 'cannot';
    return contentHash(judgement) === contentHash(body.judgement)
      ? 'same'
      : 'judged again from its answers, its judgement is another';
  };
  return { faults, again };
}
