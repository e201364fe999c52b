/** Where a check stands in the record, and judging its answers as it was judged. */
import { fault } from '../../core/errors';
import { judge, type PointAnswer } from '../../core/inspect/judging';
import { JUDGING_VERSION } from '../../core/judgings';
import { shippedProfile } from '../../core/profiles';
import { statusOf, type CheckBody } from '../../core/records';
import { entryById as knotEntryById } from '../../core/knots/catalogue/lookup';
import { contentHash } from '../canonical';
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

export const judgeAgain = (check: CheckBody, answers: readonly PointAnswer[], secondSigned: boolean) =>
  judge(shippedProfile(`${check.profile}@${check.profile_version}`), {
    knot: check.knot,
    rope_diameter_mm: check.rope_diameter_mm,
    stopper: check.stopper,
    fist_mm: check.fist_mm,
    answers,
    secondSigned,
    rope_state: check.rope_state,
  });

/** By which judging, and which entry of the knot, an answer is judged now: kept with it, so that it can be computed again. */
export const judgedNow = (knot: string) => ({
  judging: JUDGING_VERSION,
  knot_entry_sha256: contentHash(knotEntryById(knot)),
});
