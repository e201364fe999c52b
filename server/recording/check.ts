/** Recording a check: the judgement is computed here, never taken from the device; names of people and ropes are ids that must belong to the organisation. */
import type { z } from 'zod';
import type { newCheckBody } from '../../contract';
import { fault } from '../../core/errors';
import { judge, tailNames, type Judgement, type PointAnswer } from '../../core/inspect/judging';
import { entryById } from '../../core/knots/catalogue/lookup';
import { CATALOGUE_VERSION } from '../../core/knots/catalogue/catalogue';
import type { KnotEntry } from '../../core/knots/facts/types';
import { usesToChoose, type Use } from '../../core/knots/facts/uses';
import { COMMON_PRACTICE, companionMeant, rulesOf } from '../../core/profiles';
import type { CheckBody } from '../../core/records';
import { constantHash, contentHash } from '../canonical';
import type { Context } from '../context';
import { knotIn, profileIn } from '../named';
import { isDuplicate, type Connection } from '../database';
import type { Keeping } from '../record/held';
import { openFindingsInRope, type Recorded } from '../tables/entries';
import { personById } from '../tables/people';
import { ropeInChain, type RopeInChain } from '../tables/ropes';
import { roundWalkById } from '../tables/rounds';
import { signedOffFor } from '../tables/signOffs';
import type { SessionPerson } from '../tables/sessions';
import { insertTiedKnot, storedTiedKnot } from '../tables/tiedKnots';
import { badField, notInTheFuture, notLongAgo, samePlace, recordEntry } from './entry';
import { JUDGING_VERSION } from '../../core/judgings';

type TiedKnotInput = z.output<typeof newCheckBody>['tied_knot'];

/** Stores the tied knot, or finds the same one again. @returns its rope as it stands. @throws bad-input, id-taken, unknown-knot */
export async function keepTiedKnot(keep: Keeping, k: TiedKnotInput): Promise<RopeInChain> {
  const { c, organisation, now } = keep;
  knotIn('tied_knot.knot', k.knot);
  const request = contentHash(k);
  const there = keep.isFree(k.id) ? null : await storedTiedKnot(c, k.id);
  if (there && (there.organisation !== organisation || there.request_sha256 !== request)) throw fault('id-taken');
  const rope = await ropeInChain(c, organisation, k.rope);
  if (!rope) throw badField('tied_knot.rope', 'is no rope of this organisation');
  if (rope.kind === null) throw badField('tied_knot.rope', `is no rope: ${rope.tag} is a ${rope.thing}`);
  if (there) return { ...rope, kind: rope.kind };
  if (k.tied_by !== undefined && !(await personById(c, organisation, k.tied_by)))
    throw badField('tied_knot.tied_by', 'is nobody of this organisation');
  notInTheFuture('tied_knot.tied_at', k.tied_at, now);
  const { tied_by = null, tied_by_outside, tied_by_unknown: _, ...tied } = k;
  try {
    await insertTiedKnot(keep, { ...tied, tied_by, tied_by_words: tied_by_outside?.words ?? null }, request);
  } catch (error) {
    if (isDuplicate(error)) throw fault('id-taken');
    throw error;
  }
  return { ...rope, kind: rope.kind };
}

export function asAnswers(given: z.output<typeof newCheckBody>['answers'], knot: string): PointAnswer[] {
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

/** What the knot was looked at for: asked where it is made for more than one thing. @throws bad-input */
function useOf(knot: KnotEntry, given: Use | undefined): Use {
  const uses = usesToChoose(knot);
  if (given !== undefined) return given;
  if (uses.length === 1) return uses[0]!;
  throw badField('use', `is needed: this knot is made for ${uses.join(', ')}`);
}

export async function recordCheck(
  context: Context,
  who: SessionPerson,
  body: z.output<typeof newCheckBody>,
): Promise<Recorded> {
  const knot = knotIn('tied_knot.knot', body.tied_knot.knot);
  const profile = profileIn('profile', body.profile);
  if (profile.version !== body.profile_version)
    throw fault('profile-superseded', { profile: `${body.profile}@${body.profile_version}` });
  notInTheFuture('seen_at', body.seen_at, context.now());
  notLongAgo('seen_at', body.seen_at, context.now());
  if (body.seen_at < body.tied_knot.tied_at) throw badField('seen_at', 'lies before the knot was tied');
  const answers = asAnswers(body.answers, knot.id);
  if (body.short && body.round) throw badField('short', 'at a stop of a round the whole knot is looked at');
  const rules = rulesOf(profile);
  const use = useOf(knot, body.use);
  const companions = body.companions ?? (body.stopper ? companionMeant(rules, knot, use) : []);
  const asked = { kind: 'check', id: body.id, request: { body, by: who.id }, brings: [body.tied_knot.id] } as const;
  return recordEntry(context, who, asked, async (k): Promise<CheckBody> => {
    const { c } = k;
    const rope = await keepTiedKnot(k, body.tied_knot);
    if (rope.diameter_mm !== null && rope.diameter_mm !== body.rope_diameter_mm)
      throw badField('rope_diameter_mm', `is not this rope's: ${rope.tag} has ${rope.diameter_mm} mm`);
    const { tied_by = null, tied_by_outside, tied_by_unknown } = body.tied_knot;
    const judgement = judge(profile, {
      knot: knot.id,
      use,
      companions,
      rope_kind: rope.kind,
      rope_diameter_mm: body.rope_diameter_mm,
      fist_mm: body.fist_mm,
      answers,
      secondSigned: false,
      rope_state: rope.state,
      tied_by_unknown,
      short: body.short,
    });
    await mayBeLookedAt(c, who.organisation, body, judgement);
    if (body.round) await mustBeStop(c, who.organisation, body.round, body.tied_knot.place);
    const may = await signedOffFor(c, who.organisation, knot.id, [who.id, ...(tied_by === null ? [] : [tied_by])]);
    return {
      tied_knot: body.tied_knot.id,
      knot: knot.id,
      knot_entry_sha256: constantHash(knot),
      catalogue_version: CATALOGUE_VERSION,
      judging: JUDGING_VERSION,
      rope: body.tied_knot.rope,
      rope_diameter_mm: body.rope_diameter_mm,
      place: body.tied_knot.place,
      tied_by,
      ...(tied_by_outside && { tied_by_outside: tied_by_outside.words }),
      // nobody knows who tied it: who looks says that it was not them
      ...(tied_by_unknown && { tied_by_unknown, not_tied_by_me: true }),
      tied_at: body.tied_knot.tied_at,
      seen_at: body.seen_at,
      profile: profile.id,
      profile_version: profile.version,
      profile_sha256: constantHash(profile),
      stopper: companions.length > 0,
      use,
      companions,
      rope_kind: rope.kind,
      common_practice: { version: COMMON_PRACTICE.version, sha256: constantHash(COMMON_PRACTICE) },
      ...(body.short && { short: true }),
      fist_mm: body.fist_mm,
      hand: body.hand,
      answers,
      judgement,
      alone: tied_by === who.id,
      ...(rope.state !== 'in-service' && { rope_state: rope.state }),
      ...(body.despite_open_finding && { despite_open_finding: body.despite_open_finding }),
      ...(body.round && { round: body.round }),
      ...(may && {
        signed_off: {
          // of somebody outside nobody here has said that they may
          to_tie: tied_by !== null && may(tied_by, 'tie'),
          to_check: may(who.id, 'check'),
        },
      }),
      note: body.note,
      demo: who.demo,
    };
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
