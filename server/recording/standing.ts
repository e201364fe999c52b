/** Where a check stands in the record, and judging its answers as it was judged. */
import { fault } from '../../core/errors';
import type { Judgement, PointAnswer } from '../../core/inspect/judging';
import { judgedBy } from '../../core/judgings';
import { practiceOf, shippedProfile } from '../../core/profiles';
import { askedBy, statusOf, type CheckBody } from '../../core/records';
import { entryById as knotEntryById } from '../../core/knots/catalogue/lookup';
import { constantHash } from '../canonical';
import type { Connection } from '../database';
import { checkEntries, entriesAbout } from '../tables/entries';

/** The check with its entries, inside the transaction that holds the chain. @throws not-found */
export async function checkInChain(c: Connection, organisation: string, id: string) {
  const entries = checkEntries(await entriesAbout(c, organisation, id));
  const status = statusOf(entries);
  const first = entries[0];
  if (!status || first?.kind !== 'check') throw fault('not-found');
  const corrections = entries.filter((e) => e.kind === 'correction');
  const answers = corrections.at(-1)?.body.answers ?? first.body.answers;
  const signedSince = entries
    .slice(entries.findLastIndex((e) => e.kind === 'correction') + 1)
    .some((e) => e.kind === 'signature');
  const judgement = corrections.at(-1)?.body.judgement ?? first.body.judgement;
  // whoever corrected it last speaks in what stands there, and is no second person to it
  const corrector = corrections.at(-1)?.recorded_by ?? null;
  return { entries, status, check: first.body, checker: first.recorded_by, corrector, answers, judgement, signedSince };
}

/** A judgement of a check's answers by the judging that the check was made by. @throws internal where this program does not know it */
export function judgeAgain(check: CheckBody, answers: readonly PointAnswer[], secondSigned: boolean): Judgement {
  const practice = check.common_practice ? practiceOf(check.common_practice.version) : null;
  const judgement = judgedBy(
    check.judging ?? 1,
    {
      profile: shippedProfile(`${check.profile}@${check.profile_version}`),
      entry: knotEntryById(check.knot),
      practice,
    },
    askedBy(check, answers, secondSigned),
  );
  if (judgement === null) throw fault('internal', { number: `judging ${check.judging}` });
  return judgement as Judgement;
}

/** By which judging, and which entry of the knot, an answer is judged now: kept with it, so that it can be computed again. */
export const judgedNow = (check: Pick<CheckBody, 'judging' | 'knot'>) => ({
  judging: check.judging ?? 1,
  knot_entry_sha256: constantHash(knotEntryById(check.knot)),
});
