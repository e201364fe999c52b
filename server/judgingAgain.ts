/** Computes every recorded judgement again, by the version of judging, the rule set and the entry of the knot that it was made by. */
import { judgedBy, type EntryV1, type ProfileV1 } from '../core/judgings';
import type { CheckBody, CheckEntry } from '../core/records';
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
  const entries = new Map<string, EntryV1>();
  for (const e of await storedKnotEntries(db)) {
    if (sha256(e.content) === e.sha256) entries.set(e.sha256, JSON.parse(e.content) as EntryV1);
    else faults.push(`the stored entry ${e.sha256.slice(0, 12)} of ${e.knot}: its content was altered`);
  }
  const rules = new Map([...profiles].map(([key, p]) => [key, JSON.parse(p.content) as ProfileV1]));

  const again = (entry: CheckEntry, check: CheckBody | undefined): JudgedAgain => {
    if (entry.kind === 'finding-closed' || !entry.body.judgement || !entry.body.answers) return 'same';
    if (!check) return 'cannot';
    const { body } = entry;
    const knot = entries.get(body.knot_entry_sha256 ?? check.knot_entry_sha256);
    const profile = rules.get(`${check.profile}@${check.profile_version}`);
    if (!knot || !profile) return 'cannot';
    const judgement = judgedBy(body.judging ?? check.judging ?? 1, profile, knot, {
      knot: check.knot,
      rope_diameter_mm: check.rope_diameter_mm,
      stopper: check.stopper,
      fist_mm: check.fist_mm,
      answers: body.answers!,
      secondSigned: entry.kind === 'signature',
      rope_state: check.rope_state,
    });
    if (judgement === null) return 'cannot';
    return contentHash(judgement) === contentHash(body.judgement)
      ? 'same'
      : 'judged again from its answers, its judgement is another';
  };
  return { faults, again };
}
