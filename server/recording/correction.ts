/** Recording a correction: a new entry that points at the check. */
import { recordEntry } from './entry';
import type { z } from 'zod';
import type { newCorrectionBody } from '../../contract';
import { CORRECTING_ROLES } from '../../contract/roles';
import { fault } from '../../core/errors';
import type { Context } from '../context';
import { type Recorded } from '../tables/entries';
import type { SessionPerson } from '../tables/sessions';
import { asAnswers } from './check';
import { checkInChain, judgeAgain, judgedNow } from './standing';
import type { CorrectionBody } from '../../core/records';

export async function recordCorrection(
  context: Context,
  who: SessionPerson,
  check: string,
  body: z.output<typeof newCorrectionBody>,
): Promise<Recorded> {
  const asked = { kind: 'correction', id: body.id, request: { check, body, by: who.id } } as const;
  return recordEntry(context, who, asked, async ({ c }): Promise<CorrectionBody> => {
    const found = await checkInChain(c, who.organisation, check);
    const answers = asAnswers(body.answers, found.check.knot);
    if (found.checker !== who.id && !CORRECTING_ROLES.some((r) => who.person.roles.includes(r)))
      throw fault('role-missing', { roles: `the first checker, ${CORRECTING_ROLES.join(', ')}` });
    const judgement = judgeAgain(found.check, answers, false);
    return {
      check,
      tied_knot: found.check.tied_knot,
      reason: body.reason,
      answers,
      judgement,
      ...judgedNow(found.check),
      verdict_after: judgement.verdict,
      demo: who.demo,
    };
  });
}
