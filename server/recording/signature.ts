/** Recording what a second person found: an own look, or an agreement. */
import type { z } from 'zod';
import { type newSignatureBody, RECORDING_ROLES } from '../../contract';
import { fault } from '../../core/errors';
import { worse, type PointAnswer, type Verdict } from '../../core/inspect/judging';
import { differencesBetween, type SignatureBody } from '../../core/records';
import type { Context } from '../context';
import { checkPassword, type TryLimiter } from '../plugins/session';
import { checkPin } from '../plugins/pin';
import { dependsOn } from '../tables/credentials';
import { entryById, statuses, type Recorded } from '../tables/entries';
import { personById } from '../tables/people';
import type { SessionPerson } from '../tables/sessions';
import { badField, notInTheFuture, notLongAgo, recordEntry } from './entry';
import { asAnswers } from './check';
import { checkInChain, judgeAgain, judgedNow } from './standing';

/** Who signs: the person of the session, or somebody else on this device by their PIN or password. @throws wrong-pin, wrong-password, pin-locked, no-pin, role-missing */
async function signerOf(
  context: Context,
  who: SessionPerson,
  limiter: TryLimiter,
  address: string,
  given: z.output<typeof newSignatureBody>['signer'],
): Promise<{ signer: string; proved_by: NonNullable<SignatureBody['proved_by']> }> {
  if (!given) return { signer: who.id, proved_by: 'session' };
  const other = await personById(context.db, who.organisation, given.person);
  if (given.pin !== undefined) await checkPin(context, who, other, given.pin);
  else await checkPassword(limiter, { person: given.person, address }, other?.password_hash, given.password!);
  if (!RECORDING_ROLES.some((r) => other!.roles.includes(r)))
    throw fault('role-missing', { roles: RECORDING_ROLES.join(', ') });
  return { signer: other!.id, proved_by: given.pin !== undefined ? 'pin' : 'password' };
}

/** @throws not-found, already-signed */
async function mayBeSigned(context: Context, who: SessionPerson, check: string, id: string): Promise<void> {
  const [status] = await statuses(context.db, who.organisation, { check }, 1);
  if (!status) throw fault('not-found');
  // the same request again is answered as before
  if (status.signer !== null && !(await entryById(context.db, id))) throw fault('already-signed');
}

export async function recordSignature(
  context: Context,
  who: SessionPerson,
  limiter: TryLimiter,
  address: string,
  check: string,
  body: z.output<typeof newSignatureBody>,
): Promise<Recorded> {
  const own = body.answers && { answers: body.answers, seen_at: body.seen_at };
  const request = {
    check,
    id: body.id,
    ...(body.agrees !== undefined && { agrees: body.agrees }),
    ...own,
    note: body.note,
    signer: body.signer?.person ?? who.id,
  };
  // a PIN is tried for a check that can be signed alone: there is nothing else to learn by it
  await mayBeSigned(context, who, check, body.id);
  const { signer, proved_by } = await signerOf(context, who, limiter, address, body.signer);
  if (body.seen_at) notInTheFuture('seen_at', body.seen_at, context.now());
  if (body.seen_at) notLongAgo('seen_at', body.seen_at, context.now());
  return recordEntry(
    context,
    who,
    { kind: 'signature', id: body.id, request },
    async ({ c }): Promise<SignatureBody> => {
      const found = await checkInChain(c, who.organisation, check);
      if (signer === found.check.tied_by || signer === found.checker || signer === found.corrector)
        throw fault('signer-not-second');
      for (const other of [found.check.tied_by, found.checker, found.corrector])
        if (other !== null && other !== signer && (await dependsOn(c, signer, other)))
          throw fault('signer-depends', {
            signer: (await personById(c, who.organisation, signer))!.name,
            other: (await personById(c, who.organisation, other))!.name,
          });
      if (found.signedSince) throw fault('already-signed');
      if (body.seen_at && body.seen_at < found.check.tied_at)
        throw badField('seen_at', 'lies before the knot was tied');
      const judged = judgeAgain(found.check, found.answers, true);
      const looked = body.answers && secondLook(found, asAnswers(body.answers, found.check.knot));
      const agrees = looked ? looked.differences.length === 0 : body.agrees!;
      // two people who disagree have not settled it; what is worse stands
      const together = looked ? worse(judged.points_verdict, looked.judgement.points_verdict) : judged.points_verdict;
      const verdict_after: Verdict =
        together === 'meets-the-rule' && !agrees ? 'not-judged' : looked ? together : judged.verdict;
      return {
        check,
        tied_knot: found.check.tied_knot,
        signer,
        agrees,
        note: body.note,
        verdict_after,
        proved_by,
        ...(looked && { seen_at: body.seen_at!, ...looked, ...judgedNow(found.check) }),
        demo: who.demo,
      };
    },
  );
}

/** The second person's own look, and where it differs from the first one's. */
function secondLook(
  found: Awaited<ReturnType<typeof checkInChain>>,
  answers: PointAnswer[],
): Required<Pick<SignatureBody, 'answers' | 'judgement' | 'differences'>> {
  const judgement = judgeAgain(found.check, answers, true);
  return { answers, judgement, differences: differencesBetween(found, { judgement, answers }) };
}
