/**
 * Making entries of the record from what a person sent: the judgement is computed here, never taken from
 * the device; names of people and ropes are ids that must belong to the organisation.
 */
import type { z } from 'zod';
import type {
  finishRoundWalkBody,
  newCheckBody,
  newCorrectionBody,
  newFindingClosedBody,
  newRopeEventBody,
  newSignatureBody,
} from '../contract';
import { RECORDING_ROLES } from '../contract';
import { fault, IdiomError } from '../core/errors';
import { judge, tailNames, worse, type Judgement, type PointAnswer, type Verdict } from '../core/inspect/judging';
import { entryById } from '../core/knots/catalogue/lookup';
import { CATALOGUE_VERSION } from '../core/knots/catalogue/catalogue';
import { shippedProfile } from '../core/profiles';
import {
  differencesBetween,
  refusedEvent,
  statusOf,
  type CheckBody,
  type RoundFinishedBody,
  type SignatureBody,
} from '../core/records';
import { contentHash } from './canonical';
import type { Context } from './context';
import { knotIn, profileIn } from './named';
import { inTransaction, isDuplicate, type Connection } from './database';
import { checkPassword, type TryLimiter } from './plugins/session';
import { checkPin } from './plugins/pin';
import {
  append,
  checkEntries,
  entriesAbout,
  lockChain,
  openFindingsInRope,
  ropeEntries,
  statusesInChain,
  statusesOfRoundWalk,
  type Recorded,
} from './tables/entries';
import { personById } from './tables/people';
import { firstLengthOf, lifeOf, ropeById } from './tables/ropes';
import { finishRoundWalk, roundWalkById } from './tables/rounds';
import { signedOff, signOffsInUse } from './tables/signOffs';
import type { SessionPerson } from './tables/sessions';
import { endTiedKnot, insertTiedKnot, storedTiedKnot } from './tables/tiedKnots';

const badField = (path: string, message: string) => new IdiomError('bad-input', {}, [{ path, message }]);
/** A device's clock may run ahead by this much; more is refused. */
const CLOCK_AHEAD_MS = 10 * 60_000;

const isRecorded = (x: object): x is Recorded => 'again' in x;

type TiedKnotInput = z.output<typeof newCheckBody>['tied_knot'];

/** Stores the tied knot, or finds the same one again. @throws bad-input, id-taken, unknown-knot */
export async function keepTiedKnot(
  c: Connection,
  context: Context,
  organisation: string,
  k: TiedKnotInput,
): Promise<void> {
  knotIn('tied_knot.knot', k.knot);
  const request = contentHash(k);
  const there = await storedTiedKnot(c, k.id);
  if (there) {
    if (there.organisation !== organisation || there.request_sha256 !== request) throw fault('id-taken');
    return;
  }
  const rope = await ropeById(c, organisation, k.rope);
  if (!rope) throw badField('tied_knot.rope', 'is no rope of this organisation');
  if (rope.kind === null) throw badField('tied_knot.rope', `is no rope: ${rope.tag} is a ${rope.thing}`);
  if (!(await personById(c, organisation, k.tied_by)))
    throw badField('tied_knot.tied_by', 'is nobody of this organisation');
  if (new Date(k.tied_at).getTime() > context.now().getTime() + CLOCK_AHEAD_MS)
    throw badField('tied_knot.tied_at', 'lies in the future');
  try {
    await insertTiedKnot(c, organisation, k, request);
  } catch (error) {
    if (isDuplicate(error)) throw fault('id-taken');
    throw error;
  }
}

function asAnswers(given: z.output<typeof newCheckBody>['answers'], knot: string): PointAnswer[] {
  const tails = tailNames(entryById(knot)).length;
  return given.map((a) => {
    if (a.more_tails && (!a.tail || a.more_tails.length >= tails))
      throw badField(
        'answers.tail.more_tails',
        tails === 1 ? 'this knot has one tail' : `this knot has ${tails} tails`,
      );
    if (a.point === 'tail' && a.found === 'right' && !a.tail)
      throw badField('answers.tail', 'a tail is measured, not judged by eye alone: give its length');
    if (a.point !== 'tail' && a.tail) throw badField(`answers.${a.point}.tail`, 'belongs to the point "tail"');
    if (a.point === 'tail' && a.found !== 'right' && a.found !== 'cannot-see')
      throw badField('answers.tail.found', 'is "right" with a measure, or "cannot-see"');
    return {
      point: a.point,
      found: a.found as PointAnswer['found'],
      ...(a.tail && { tail: a.tail }),
      ...(a.more_tails && { more_tails: a.more_tails }),
      ...(a.seconds !== undefined && { seconds: a.seconds }),
      ...(a.lane && { lane: a.lane }),
      ...(a.touched && { touched: a.touched }),
    };
  });
}

export async function recordCheck(
  context: Context,
  who: SessionPerson,
  body: z.output<typeof newCheckBody>,
): Promise<Recorded> {
  const request = contentHash({ body, by: who.id });
  const knot = knotIn('tied_knot.knot', body.tied_knot.knot);
  const profile = profileIn('profile', body.profile);
  if (profile.version !== body.profile_version)
    throw fault('profile-superseded', { profile: `${body.profile}@${body.profile_version}` });
  const now = context.now();
  if (new Date(body.seen_at).getTime() > now.getTime() + CLOCK_AHEAD_MS)
    throw badField('seen_at', 'lies in the future: is the clock of the device right?');
  if (body.seen_at < body.tied_knot.tied_at) throw badField('seen_at', 'lies before the knot was tied');
  const answers = asAnswers(body.answers, knot.id);
  return inTransaction(context.db, async (c) => {
    const head = await lockChain(c, who.organisation, body.id, request);
    if (isRecorded(head)) return head;
    await keepTiedKnot(c, context, who.organisation, body.tied_knot);
    const rope = (await ropeById(c, who.organisation, body.tied_knot.rope))!;
    if (rope.diameter_mm !== null && rope.diameter_mm !== body.rope_diameter_mm)
      throw badField('rope_diameter_mm', `is not this rope's: ${rope.tag} has ${rope.diameter_mm} mm`);
    const judgement = judge(profile, {
      knot: knot.id,
      rope_diameter_mm: body.rope_diameter_mm,
      stopper: body.stopper,
      fist_mm: body.fist_mm,
      answers,
      secondSigned: false,
      rope_state: rope.state,
    });
    await mayBeLookedAt(c, who.organisation, body, judgement);
    if (body.round) await mustBeStop(c, who.organisation, body.round, body.tied_knot.place);
    const used = await signOffsInUse(c, who.organisation);
    const may = async (person: string, what: 'tie' | 'check') =>
      (await signedOff(c, who.organisation, person)).some((x) => x.knot === knot.id && x.may === what);
    const checkBody: CheckBody = {
      tied_knot: body.tied_knot.id,
      knot: knot.id,
      knot_entry_sha256: contentHash(knot),
      catalogue_version: CATALOGUE_VERSION,
      rope: body.tied_knot.rope,
      rope_diameter_mm: body.rope_diameter_mm,
      place: body.tied_knot.place,
      tied_by: body.tied_knot.tied_by,
      tied_at: body.tied_knot.tied_at,
      seen_at: body.seen_at,
      profile: profile.id,
      profile_version: profile.version,
      profile_sha256: contentHash(profile),
      stopper: body.stopper,
      fist_mm: body.fist_mm,
      hand: body.hand,
      answers,
      judgement,
      alone: body.tied_knot.tied_by === who.id,
      ...(rope.state !== 'in-service' && { rope_state: rope.state }),
      ...(body.despite_open_finding && { despite_open_finding: body.despite_open_finding }),
      ...(body.round && { round: body.round }),
      ...(used && {
        signed_off: { to_tie: await may(body.tied_knot.tied_by, 'tie'), to_check: await may(who.id, 'check') },
      }),
      note: body.note,
      demo: who.demo,
    };
    return append(
      c,
      head,
      {
        id: body.id,
        organisation: who.organisation,
        kind: 'check',
        recorded_at: now.toISOString(),
        recorded_by: who.id,
        body: checkBody,
      },
      request,
    );
  });
}

/**
 * A knot with an open *Take out and retie* is not looked at again: tied anew it is a new one. Where another knot in the rope has one, the rest of
 * it meets a rule only with a written reason; what is wrong is always taken down.
 * @throws finding-open, reason-needed
 */
async function mayBeLookedAt(
  c: Connection,
  organisation: string,
  body: z.output<typeof newCheckBody>,
  judgement: Judgement,
): Promise<void> {
  const open = await openFindingsInRope(c, organisation, body.tied_knot.rope);
  if (open.some((f) => f.tied_knot === body.tied_knot.id)) throw fault('finding-open');
  const elsewhere = open.filter((f) => !samePlace(f.place, body.tied_knot.place));
  if (elsewhere.length > 0 && judgement.points_verdict === 'meets-the-rule' && !body.despite_open_finding)
    throw fault('reason-needed', {
      places: elsewhere
        .slice(0, 3)
        .map((f) => f.place)
        .join('; '),
    });
}

/** @throws bad-input, round-finished */
async function mustBeStop(
  c: Connection,
  organisation: string,
  round: { walk: string; stop: number },
  place: string,
): Promise<void> {
  const walk = await roundWalkById(c, round.walk);
  if (!walk || walk.organisation !== organisation)
    throw badField('round.walk', 'is no round of this organisation that was begun');
  if (walk.row.finished_at) throw fault('round-finished');
  const stop = walk.row.stops[round.stop];
  if (!stop) throw badField('round.stop', `this round has ${walk.row.stops.length} stops`);
  if (!samePlace(stop.place, place)) throw badField('tied_knot.place', `the round's stop is ${stop.place}`);
}

/** The check with its entries, inside the transaction that holds the chain. @throws not-found */
async function checkInChain(c: Connection, organisation: string, id: string) {
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

const judgeAgain = (check: CheckBody, answers: readonly PointAnswer[], secondSigned: boolean) =>
  judge(shippedProfile(`${check.profile}@${check.profile_version}`), {
    knot: check.knot,
    rope_diameter_mm: check.rope_diameter_mm,
    stopper: check.stopper,
    fist_mm: check.fist_mm,
    answers,
    secondSigned,
    rope_state: check.rope_state,
  });

/** Who signs: the person of the session, or somebody else on this device by their PIN or password. @throws wrong-pin, wrong-password, pin-locked, no-pin, role-missing */
async function signerOf(
  context: Context,
  who: SessionPerson,
  limiter: TryLimiter,
  ip: string,
  given: z.output<typeof newSignatureBody>['signer'],
): Promise<{ signer: string; proved_by: NonNullable<SignatureBody['proved_by']> }> {
  if (!given) return { signer: who.id, proved_by: 'session' };
  const other = await personById(context.db, who.organisation, given.person);
  if (given.pin !== undefined) await checkPin(context, who, other, given.pin);
  else await checkPassword(limiter, `sign|${given.person}|${ip}`, other?.password_hash, given.password!);
  if (!RECORDING_ROLES.some((r) => other!.roles.includes(r)))
    throw fault('role-missing', { roles: RECORDING_ROLES.join(', ') });
  return { signer: other!.id, proved_by: given.pin !== undefined ? 'pin' : 'password' };
}

export async function recordSignature(
  context: Context,
  who: SessionPerson,
  limiter: TryLimiter,
  ip: string,
  check: string,
  body: z.output<typeof newSignatureBody>,
): Promise<Recorded> {
  const own = body.answers && { answers: body.answers, seen_at: body.seen_at };
  const request = contentHash({
    check,
    id: body.id,
    ...(body.agrees !== undefined && { agrees: body.agrees }),
    ...own,
    note: body.note,
    signer: body.signer?.person ?? who.id,
  });
  const { signer, proved_by } = await signerOf(context, who, limiter, ip, body.signer);
  const now = context.now();
  if (body.seen_at && new Date(body.seen_at).getTime() > now.getTime() + CLOCK_AHEAD_MS)
    throw badField('seen_at', 'lies in the future: is the clock of the device right?');
  return inTransaction(context.db, async (c) => {
    const head = await lockChain(c, who.organisation, body.id, request);
    if (isRecorded(head)) return head;
    const found = await checkInChain(c, who.organisation, check);
    if (signer === found.check.tied_by || signer === found.checker || signer === found.corrector)
      throw fault('signer-not-second');
    if (found.signedSince) throw fault('already-signed');
    if (body.seen_at && body.seen_at < found.check.tied_at) throw badField('seen_at', 'lies before the knot was tied');
    const judged = judgeAgain(found.check, found.answers, true);
    const looked = body.answers && secondLook(found, asAnswers(body.answers, found.check.knot));
    const agrees = looked ? looked.differences.length === 0 : body.agrees!;
    // two people who disagree have not settled it; what is worse stands
    const together = looked ? worse(judged.points_verdict, looked.judgement.points_verdict) : judged.points_verdict;
    const verdict_after: Verdict =
      together === 'meets-the-rule' && !agrees ? 'not-judged' : looked ? together : judged.verdict;
    return append(
      c,
      head,
      {
        id: body.id,
        organisation: who.organisation,
        kind: 'signature',
        recorded_at: now.toISOString(),
        recorded_by: who.id,
        body: {
          check,
          tied_knot: found.check.tied_knot,
          signer,
          agrees,
          note: body.note,
          verdict_after,
          proved_by,
          ...(looked && { seen_at: body.seen_at!, ...looked }),
          demo: who.demo,
        },
      },
      request,
    );
  });
}

/** The second person's own look, and where it differs from the first one's. */
function secondLook(
  found: Awaited<ReturnType<typeof checkInChain>>,
  answers: PointAnswer[],
): Required<Pick<SignatureBody, 'answers' | 'judgement' | 'differences'>> {
  const judgement = judgeAgain(found.check, answers, true);
  return { answers, judgement, differences: differencesBetween(found, { judgement, answers }) };
}

export async function recordCorrection(
  context: Context,
  who: SessionPerson,
  check: string,
  body: z.output<typeof newCorrectionBody>,
): Promise<Recorded> {
  const request = contentHash({ check, body, by: who.id });
  return inTransaction(context.db, async (c) => {
    const head = await lockChain(c, who.organisation, body.id, request);
    if (isRecorded(head)) return head;
    const found = await checkInChain(c, who.organisation, check);
    const answers = asAnswers(body.answers, found.check.knot);
    const may =
      found.checker === who.id || who.person.roles.includes('instructor') || who.person.roles.includes('inspector');
    if (!may) throw fault('role-missing', { roles: 'the first checker, instructor, inspector' });
    const judgement = judgeAgain(found.check, answers, false);
    return append(
      c,
      head,
      {
        id: body.id,
        organisation: who.organisation,
        kind: 'correction',
        recorded_at: context.now().toISOString(),
        recorded_by: who.id,
        body: {
          check,
          tied_knot: found.check.tied_knot,
          reason: body.reason,
          answers,
          judgement,
          verdict_after: judgement.verdict,
          demo: who.demo,
        },
      },
      request,
    );
  });
}

/** A place is typed: capitals and spaces at its ends say nothing. */
const samePlace = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();

/** Tied again closes a finding only with a later check of that rope at that place that meets the rule, by someone other than who tied it. @throws bad-input */
async function mustBeLaterCheck(
  c: Connection,
  organisation: string,
  found: Awaited<ReturnType<typeof checkInChain>>,
  later: string | undefined,
): Promise<void> {
  const wrong = (message: string) => badField('later_check', message);
  if (later === undefined) throw wrong('tied again it stays open until someone else has looked at it: name that check');
  const [status] = await statusesInChain(c, organisation, later);
  if (!status) throw wrong('is no check of this organisation');
  if (
    status.sequence <= found.status.sequence ||
    status.rope !== found.check.rope ||
    !samePlace(status.place, found.check.place)
  )
    throw wrong('is no later check of a knot in that rope at that place');
  if (status.points_verdict !== 'meets-the-rule') throw wrong('does not meet the rule');
  if (status.alone) throw wrong('was made by who tied it');
}

export async function recordFindingClosed(
  context: Context,
  who: SessionPerson,
  check: string,
  body: z.output<typeof newFindingClosedBody>,
): Promise<Recorded> {
  const request = contentHash({ check, body, by: who.id });
  return inTransaction(context.db, async (c) => {
    const head = await lockChain(c, who.organisation, body.id, request);
    if (isRecorded(head)) return head;
    const found = await checkInChain(c, who.organisation, check);
    if (found.status.points_verdict !== 'take-out-and-retie') throw fault('nothing-open');
    if (!found.status.open_finding) throw fault('already-closed');
    if (body.what_was_done === 'retied') await mustBeLaterCheck(c, who.organisation, found, body.later_check);
    const now = context.now();
    const recorded = await append(
      c,
      head,
      {
        id: body.id,
        organisation: who.organisation,
        kind: 'finding-closed',
        recorded_at: now.toISOString(),
        recorded_by: who.id,
        body: {
          check,
          tied_knot: found.check.tied_knot,
          what_was_done: body.what_was_done,
          ...(body.what_was_done === 'retied' && { later_check: body.later_check! }),
          note: body.note,
          demo: who.demo,
        },
      },
      request,
    );
    await endTiedKnot(c, who.organisation, found.check.tied_knot, now, body.what_was_done);
    return recorded;
  });
}

/** What happened to a rope. @throws not-found, bad-input */
export async function recordRopeEvent(
  context: Context,
  who: SessionPerson,
  rope: string,
  body: z.output<typeof newRopeEventBody>,
): Promise<Recorded> {
  const request = contentHash({ rope, body, by: who.id });
  const now = context.now();
  const { id, note, ...event } = body;
  return inTransaction(context.db, async (c) => {
    const head = await lockChain(c, who.organisation, id, request);
    if (isRecorded(head)) return head;
    const there = await ropeById(c, who.organisation, rope);
    if (!there) throw fault('not-found');
    if (new Date(body.happened_at).getTime() > now.getTime() + CLOCK_AHEAD_MS)
      throw badField('happened_at', 'lies in the future');
    const life = lifeOf(await firstLengthOf(c, rope), ropeEntries(await entriesAbout(c, who.organisation, rope)));
    const refused =
      there.state === 'retired' && !life.retired
        ? { path: 'event', message: 'it is retired: nothing more is noted of it' }
        : refusedEvent(life, present(event));
    if (refused) throw badField(refused.path, refused.message);
    return append(
      c,
      head,
      {
        id,
        organisation: who.organisation,
        kind: 'rope-event',
        recorded_at: now.toISOString(),
        recorded_by: who.id,
        body: { rope, ...present(event), note, demo: who.demo },
      },
      request,
    );
  });
}
/** Without what was left out: bytes hold no fields without a value. */
function present<T extends object>(
  given: T,
): { [K in keyof T as T[K] extends undefined ? never : K]: Exclude<T[K], undefined> } {
  return Object.fromEntries(Object.entries(given).filter(([, v]) => v !== undefined)) as never;
}

/** Ends a walk of a round: each stop with the last check made there, or not reached. @throws not-found, round-finished, bad-input */
export async function recordRoundFinished(
  context: Context,
  who: SessionPerson,
  walk: string,
  body: z.output<typeof finishRoundWalkBody>,
): Promise<Recorded> {
  const request = contentHash({ walk, body, by: who.id });
  const now = context.now();
  return inTransaction(context.db, async (c) => {
    const head = await lockChain(c, who.organisation, body.id, request);
    if (isRecorded(head)) return head;
    const found = await roundWalkById(c, walk);
    if (!found || found.organisation !== who.organisation) throw fault('not-found');
    if (found.row.finished_at) throw fault('round-finished');
    const { row } = found;
    const beyond = body.why_not.find((w) => w.stop >= row.stops.length);
    if (beyond) throw badField('why_not', `this round has ${row.stops.length} stops`);
    const checks = await statusesOfRoundWalk(c, walk);
    const stops: RoundFinishedBody['stops'] = row.stops.map((s, i) => {
      const check = checks.findLast((x) => x.round_stop === i);
      return {
        place: s.place,
        knot: s.knot,
        rope: s.rope,
        check: check?.check_id ?? null,
        verdict: check?.verdict ?? 'not-judged',
        why_not: check ? '' : (body.why_not.find((w) => w.stop === i)?.why ?? ''),
      };
    });
    const recorded = await append(
      c,
      head,
      {
        id: body.id,
        organisation: who.organisation,
        kind: 'round-finished',
        recorded_at: now.toISOString(),
        recorded_by: who.id,
        body: {
          walk,
          round: row.round,
          name: row.name,
          begun_by: row.begun_by,
          begun_at: row.begun_at,
          stops,
          note: body.note,
          demo: who.demo,
        },
      },
      request,
    );
    await finishRoundWalk(c, walk, now);
    return recorded;
  });
}
