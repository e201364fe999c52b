/**
 * Making entries of the record from what a person sent: the judgement is computed here, never taken from
 * the device; names of people and ropes are ids that must belong to the organisation.
 */
import type { z } from 'zod';
import type { newCheckBody, newCorrectionBody, newFindingClosedBody, newSignatureBody } from '../contract';
import { RECORDING_ROLES } from '../contract';
import { fault, IdiomError } from '../core/errors';
import { judge, type PointAnswer, type Verdict } from '../core/inspect';
import { CATALOGUE_VERSION } from '../core/knots/catalogue';
import { shippedProfile } from '../core/profiles';
import { statusOf, type CheckBody } from '../core/records';
import { contentHash } from './canonical';
import type { Context } from './context';
import { knotIn, profileIn } from './named';
import { inTransaction, isDuplicate, type Connection } from './database';
import { checkPassword, type TryLimiter } from './plugins/session';
import { append, entriesOfCheck, statusesInChain, lockChain, parsedEntries, type Recorded } from './tables/entries';
import { personById } from './tables/people';
import { ropeById } from './tables/ropes';
import type { SessionPerson } from './tables/sessions';
import { endTiedKnot, insertTiedKnot, storedTiedKnot } from './tables/tiedKnots';

const badField = (path: string, message: string) => new IdiomError('bad-input', {}, [{ path, message }]);
/** A device's clock may run ahead by this much; more is refused. */
const CLOCK_AHEAD_MS = 10 * 60_000;

const isRecorded = (x: object): x is Recorded => 'again' in x;

type TiedKnotInput = z.output<typeof newCheckBody>['tied_knot'];

/** Stores the tied knot, or finds the same one again. @throws bad-input, id-taken, unknown-knot */
export async function keepTiedKnot(c: Connection, context: Context, organisation: string, k: TiedKnotInput): Promise<void> {
  knotIn('tied_knot.knot', k.knot);
  const request = contentHash(k);
  const there = await storedTiedKnot(c, k.id);
  if (there) {
    if (there.organisation !== organisation || there.request_sha256 !== request) throw fault('id-taken');
    return;
  }
  if (!(await ropeById(c, organisation, k.rope))) throw badField('tied_knot.rope', 'is no rope of this organisation');
  if (!(await personById(c, organisation, k.tied_by))) throw badField('tied_knot.tied_by', 'is nobody of this organisation');
  if (new Date(k.tied_at).getTime() > context.now().getTime() + CLOCK_AHEAD_MS) throw badField('tied_knot.tied_at', 'lies in the future');
  try {
    await insertTiedKnot(c, organisation, k, request);
  } catch (error) {
    if (isDuplicate(error)) throw fault('id-taken');
    throw error;
  }
}

function asAnswers(given: z.output<typeof newCheckBody>['answers']): PointAnswer[] {
  return given.map((a) => {
    if (a.point === 'tail' && a.found === 'right' && !a.tail) throw badField('answers.tail', 'a tail is measured, not judged by eye alone: give its length');
    if (a.point !== 'tail' && a.tail) throw badField(`answers.${a.point}.tail`, 'belongs to the point "tail"');
    if (a.point === 'tail' && a.found !== 'right' && a.found !== 'cannot-see') throw badField('answers.tail.found', 'is "right" with a measure, or "cannot-see"');
    return { point: a.point, found: a.found as PointAnswer['found'], ...(a.tail && { tail: a.tail }), ...(a.seconds !== undefined && { seconds: a.seconds }), ...(a.lane && { lane: a.lane }), ...(a.touched && { touched: a.touched }) };
  });
}

export async function recordCheck(context: Context, who: SessionPerson, body: z.output<typeof newCheckBody>): Promise<Recorded> {
  const request = contentHash({ body, by: who.id });
  const knot = knotIn('tied_knot.knot', body.tied_knot.knot);
  const profile = profileIn('profile', body.profile);
  if (profile.version !== body.profile_version) throw fault('profile-superseded', { profile: `${body.profile}@${body.profile_version}` });
  const now = context.now();
  if (new Date(body.seen_at).getTime() > now.getTime() + CLOCK_AHEAD_MS) throw badField('seen_at', 'lies in the future: is the clock of the device right?');
  if (body.seen_at < body.tied_knot.tied_at) throw badField('seen_at', 'lies before the knot was tied');
  const answers = asAnswers(body.answers);
  const judgement = judge(profile, { knot: knot.id, rope_diameter_mm: body.rope_diameter_mm, stopper: body.stopper, fist_mm: body.fist_mm, answers, secondSigned: false });
  const checkBody: CheckBody = {
    tied_knot: body.tied_knot.id, knot: knot.id, knot_entry_sha256: contentHash(knot), catalogue_version: CATALOGUE_VERSION, rope: body.tied_knot.rope,
    rope_diameter_mm: body.rope_diameter_mm, place: body.tied_knot.place, tied_by: body.tied_knot.tied_by, tied_at: body.tied_knot.tied_at, seen_at: body.seen_at,
    profile: profile.id, profile_version: profile.version, profile_sha256: contentHash(profile), stopper: body.stopper, fist_mm: body.fist_mm, hand: body.hand,
    answers, judgement, alone: body.tied_knot.tied_by === who.id, note: body.note, demo: who.demo,
  };
  return inTransaction(context.db, async (c) => {
    const head = await lockChain(c, who.organisation, body.id, request);
    if (isRecorded(head)) return head;
    await keepTiedKnot(c, context, who.organisation, body.tied_knot);
    const rope = await ropeById(c, who.organisation, body.tied_knot.rope);
    if (rope!.diameter_mm !== body.rope_diameter_mm) throw badField('rope_diameter_mm', `is not this rope's: ${rope!.tag} has ${rope!.diameter_mm} mm`);
    return append(c, head, { id: body.id, organisation: who.organisation, kind: 'check', recorded_at: now.toISOString(), recorded_by: who.id, body: checkBody }, request);
  });
}

/** The check with its entries, inside the transaction that holds the chain. @throws not-found */
async function checkInChain(c: Connection, organisation: string, id: string) {
  const entries = parsedEntries(await entriesOfCheck(c, organisation, id));
  const status = statusOf(entries);
  const first = entries[0];
  if (!status || first?.kind !== 'check') throw fault('not-found');
  const corrections = entries.filter((e) => e.kind === 'correction');
  const answers = corrections.at(-1)?.body.answers ?? first.body.answers;
  const signedSince = entries.slice(entries.findLastIndex((e) => e.kind === 'correction') + 1).some((e) => e.kind === 'signature');
  return { entries, status, check: first.body, checker: first.recorded_by, answers, signedSince };
}

const judgeAgain = (check: CheckBody, answers: readonly PointAnswer[], secondSigned: boolean) =>
  judge(shippedProfile(`${check.profile}@${check.profile_version}`), { knot: check.knot, rope_diameter_mm: check.rope_diameter_mm, stopper: check.stopper, fist_mm: check.fist_mm, answers, secondSigned });

export async function recordSignature(context: Context, who: SessionPerson, limiter: TryLimiter, ip: string, check: string, body: z.output<typeof newSignatureBody>): Promise<Recorded> {
  const request = contentHash({ check, id: body.id, agrees: body.agrees, note: body.note, signer: body.signer?.person ?? who.id });
  let signer = who.id;
  if (body.signer) {
    const other = await personById(context.db, who.organisation, body.signer.person);
    await checkPassword(limiter, `sign|${body.signer.person}|${ip}`, other?.password_hash, body.signer.password);
    if (!RECORDING_ROLES.some((r) => other!.roles.includes(r))) throw fault('role-missing', { roles: RECORDING_ROLES.join(', ') });
    signer = other!.id;
  }
  return inTransaction(context.db, async (c) => {
    const head = await lockChain(c, who.organisation, body.id, request);
    if (isRecorded(head)) return head;
    const found = await checkInChain(c, who.organisation, check);
    if (signer === found.check.tied_by || signer === found.checker) throw fault('signer-not-second');
    if (found.signedSince) throw fault('already-signed');
    const judged = judgeAgain(found.check, found.answers, true);
    // two people who disagree have not settled it; what is worse stands
    const verdict_after: Verdict = body.agrees || judged.points_verdict !== 'meets-the-rule' ? judged.verdict : 'not-judged';
    return append(c, head, {
      id: body.id, organisation: who.organisation, kind: 'signature', recorded_at: context.now().toISOString(), recorded_by: who.id,
      body: { check, tied_knot: found.check.tied_knot, signer, agrees: body.agrees, note: body.note, verdict_after, demo: who.demo },
    }, request);
  });
}

export async function recordCorrection(context: Context, who: SessionPerson, check: string, body: z.output<typeof newCorrectionBody>): Promise<Recorded> {
  const request = contentHash({ check, body, by: who.id });
  const answers = asAnswers(body.answers);
  return inTransaction(context.db, async (c) => {
    const head = await lockChain(c, who.organisation, body.id, request);
    if (isRecorded(head)) return head;
    const found = await checkInChain(c, who.organisation, check);
    const may = found.checker === who.id || who.person.roles.includes('instructor') || who.person.roles.includes('inspector');
    if (!may) throw fault('role-missing', { roles: 'the first checker, instructor, inspector' });
    const judgement = judgeAgain(found.check, answers, false);
    return append(c, head, {
      id: body.id, organisation: who.organisation, kind: 'correction', recorded_at: context.now().toISOString(), recorded_by: who.id,
      body: { check, tied_knot: found.check.tied_knot, reason: body.reason, answers, judgement, verdict_after: judgement.verdict, demo: who.demo },
    }, request);
  });
}

/** A place is typed: capitals and spaces at its ends say nothing. */
const samePlace = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();

/** Tied again closes a finding only with a later check of that rope at that place that meets the rule, by someone other than who tied it. @throws bad-input */
async function mustBeLaterCheck(c: Connection, organisation: string, found: Awaited<ReturnType<typeof checkInChain>>, later: string | undefined): Promise<void> {
  const wrong = (message: string) => badField('later_check', message);
  if (later === undefined) throw wrong('tied again it stays open until someone else has looked at it: name that check');
  const [status] = await statusesInChain(c, organisation, later);
  if (!status) throw wrong('is no check of this organisation');
  if (status.sequence <= found.status.sequence || status.rope !== found.check.rope || !samePlace(status.place, found.check.place)) throw wrong('is no later check of a knot in that rope at that place');
  if (status.points_verdict !== 'meets-the-rule') throw wrong('does not meet the rule');
  if (status.alone) throw wrong('was made by who tied it');
}

export async function recordFindingClosed(context: Context, who: SessionPerson, check: string, body: z.output<typeof newFindingClosedBody>): Promise<Recorded> {
  const request = contentHash({ check, body, by: who.id });
  return inTransaction(context.db, async (c) => {
    const head = await lockChain(c, who.organisation, body.id, request);
    if (isRecorded(head)) return head;
    const found = await checkInChain(c, who.organisation, check);
    if (found.status.points_verdict !== 'take-out-and-retie') throw fault('nothing-open');
    if (!found.status.open_finding) throw fault('already-closed');
    if (body.what_was_done === 'retied') await mustBeLaterCheck(c, who.organisation, found, body.later_check);
    const now = context.now();
    const recorded = await append(c, head, {
      id: body.id, organisation: who.organisation, kind: 'finding-closed', recorded_at: now.toISOString(), recorded_by: who.id,
      body: { check, tied_knot: found.check.tied_knot, what_was_done: body.what_was_done, ...(body.what_was_done === 'retied' && { later_check: body.later_check! }), note: body.note, demo: who.demo },
    }, request);
    await endTiedKnot(c, who.organisation, found.check.tied_knot, now, body.what_was_done);
    return recorded;
  });
}
