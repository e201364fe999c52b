/** Plants the demo into an empty database, through the same code that records real checks. */
import { rulesOf, shippedProfile, type ShippedProfileId } from '../../core/profiles';
import type { FaultId } from '../../core/knots/facts/faultTable';
import { knotById } from '../../core/knots/catalogue/catalogue';
import { walkFor } from '../../core/inspect/judging';
import type { NewCheck } from '../../contract';
import { newCheckBody } from '../../contract';
import type { Database } from '../database';
import { keeping, keepingOfProgram } from '../record/keeping';
import { hashPassword, TryLimiter } from '../plugins/session';
import { endTiedKnot } from '../tables/tiedKnots';
import { recordCheck, recordCorrection, recordFindingClosed, recordSignature } from '../recording';
import { insertOrganisation } from '../tables/organisations';
import { insertPerson } from '../tables/people';
import { insertRope } from '../tables/ropes';
import { insertJob } from '../tables/jobs';
import type { SessionPerson } from '../tables/sessions';
import { contentHash } from '../canonical';
import { demoId } from './ids';
import { Story } from './story';
import { plantRopeEvents, plantRounds, plantSignOffs } from './lives';
import { DEMO_JOB, DEMO_ORGANISATION, DEMO_PASSWORD, DEMO_PEOPLE, DEMO_PIN, DEMO_PLACES, DEMO_ROPES } from './scenario';

export { demoId } from './ids';

interface Told {
  readonly checker: string;
  readonly tiedBy: string;
  readonly knot: string;
  readonly profile: ShippedProfileId;
  readonly rope: string;
  readonly place: string;
  readonly fault?: FaultId;
  readonly tail_mm: number;
  readonly signer?: string;
  readonly unseen?: true;
}

/** Day before now of each of the sixty checks: twelve weeks, thicker on the course days. */
const CHECKS = 60;
/** the one of them at which the second person found another tail */
const DIFFERS = 37;

function storyOf(i: number): Told {
  const pick = <T>(list: readonly T[], salt: number): T =>
    list[(i * 7 + salt * 5 + Math.floor(i / list.length)) % list.length]!;
  const scene = i % 5;
  const crag = {
    profile: 'sport-crag' as const,
    rope: pick(['NL-07', 'NL-08', 'NL-09', 'NL-15'], 1),
    place: pick([DEMO_PLACES[4], DEMO_PLACES[5], DEMO_PLACES[6]], 2),
  };
  const access = {
    profile: 'rope-access' as const,
    rope: pick(['NL-03', 'NL-04', 'NL-05', 'NL-06'], 1),
    place: pick([DEMO_PLACES[0], DEMO_PLACES[1], DEMO_PLACES[2], DEMO_PLACES[3]], 2),
  };
  const rescue = { profile: 'rescue-team' as const, rope: pick(['NL-10', 'NL-11', 'NL-12'], 1), place: DEMO_PLACES[8] };
  const where = scene === 3 ? rescue : scene % 2 === 0 ? access : crag;
  const knot = where.profile === 'sport-crag' && i % 3 === 0 ? 'bowline-locked' : 'figure-eight-follow-through';
  const tiedBy = pick(['bridie', 'joss', 'anse', 'sunniva', 'corin', 'oskar', 'pell'], 3);
  const checker = pick(['tove', 'rask', 'imre', 'dagny', 'maelle'], 4);
  const signer = ['rask', 'tove', 'dagny', 'maelle', 'imre'].find((h) => h !== checker && h !== tiedBy)!;
  const tail_mm = where.profile === 'rope-access' ? 118 + ((i * 13) % 60) : 112 + ((i * 17) % 70);
  const signed = where.profile === 'rope-access' ? i % 9 !== 4 : i % 4 === 1;
  return {
    checker,
    tiedBy,
    knot,
    ...where,
    tail_mm,
    ...(signed ? { signer } : {}),
  };
}

/** What makes some of the sixty worth telling. */
const TWISTS: Readonly<Record<number, Partial<Told>>> = {
  6: { tail_mm: 72 },
  11: { fault: 'loose' },
  17: { knot: 'figure-eight-follow-through', fault: 'half-finished', tiedBy: 'anse' },
  23: { fault: 'pair-crossed', knot: 'figure-eight-follow-through' },
  29: { unseen: true },
  33: { fault: 'eye-too-large' },
  40: { tail_mm: 88 },
  46: {
    knot: 'bowline-locked',
    profile: 'sport-crag',
    rope: 'NL-08',
    place: DEMO_PLACES[5],
    fault: undefined as never,
    tail_mm: 236,
  },
  55: {
    knot: 'figure-eight-follow-through',
    profile: 'sport-crag',
    rope: 'NL-09',
    place: DEMO_PLACES[4],
    fault: 'wrong-lane',
    tiedBy: 'joss',
    checker: 'tove',
  },
  59: {
    knot: 'figure-eight-follow-through',
    profile: 'rope-access',
    rope: 'NL-05',
    place: DEMO_PLACES[0],
    tiedBy: 'corin',
    checker: 'tove',
    tail_mm: 131,
  },
};

export async function plantDemo(db: Database, now: Date): Promise<void> {
  const organisation = demoId('organisation');
  const founded = new Date(now.getTime() - 100 * 86_400_000);
  const pin_hash = await hashPassword(DEMO_PIN);
  const hashes = await Promise.all(DEMO_PEOPLE.map(() => hashPassword(DEMO_PASSWORD)));
  await keepingOfProgram(db, founded, async (k) => {
    await insertOrganisation(k, organisation, DEMO_ORGANISATION, true);
    for (const [i, p] of DEMO_PEOPLE.entries())
      await insertPerson(k, {
        id: demoId(p.handle),
        organisation,
        handle: p.handle,
        name: p.name,
        password_hash: hashes[i]!,
        pin_hash,
        roles: p.roles,
        about: p.about,
        ...(p.fist_mm ? { fist_mm: p.fist_mm } : {}),
        ...(p.arm_mm ? { arm_mm: p.arm_mm } : {}),
        ...(p.length_unit ? { length_unit: p.length_unit } : {}),
      });
  });
  const own = (by: string, at: Date) => ({ organisation, by: demoId(by), now: at });
  await keeping(db, own('tove', founded), async (k) => {
    for (const r of DEMO_ROPES)
      await insertRope(k, {
        id: demoId(r.tag),
        tag: r.tag,
        kind: r.kind,
        diameter_mm: r.diameter_mm,
        length_m: r.length_m,
        note: r.note,
        ...(r.thing && { thing: r.thing }),
        in_service_since: new Date(now.getTime() - 400 * 86_400_000).toISOString().slice(0, 10),
      });
    await insertJob(
      k,
      {
        id: demoId('job'),
        name: 'Stacks, first pair',
        rope: demoId('NL-07'),
        job: DEMO_JOB,
        created_by: demoId('tove'),
      },
      contentHash(DEMO_JOB),
    );
  });

  const personOf = (handle: string): SessionPerson => {
    const p = DEMO_PEOPLE.find((x) => x.handle === handle)!;
    return {
      id: demoId(handle),
      organisation,
      organisation_name: DEMO_ORGANISATION,
      demo: true,
      must_change: false,
      person: {
        id: demoId(handle),
        handle,
        name: p.name,
        roles: [...p.roles],
        fist_mm: p.fist_mm ?? 100,
        arm_mm: p.arm_mm ?? null,
        hand_mm: null,
        foot_mm: null,
        calibrated: p.fist_mm !== undefined,
        has_pin: true,
        length_unit: p.length_unit ?? 'mm',
        hand: 'right',
        single_keys: true,
      },
    };
  };
  const limiter = new TryLimiter(() => now);
  await plantSignOffs(db, organisation, founded);
  const story = new Story();
  plantRopeEvents(story, db, now, personOf);
  for (let i = 0; i < CHECKS; i++) {
    const told: Told = { ...storyOf(i), ...TWISTS[i] };
    const daysAgo = 88 - Math.floor((i * 88) / CHECKS) + (i % 3 === 0 ? 0.1 : 0);
    const hour = 8 + ((i * 5) % 9);
    const at = new Date(now.getTime() - daysAgo * 86_400_000);
    at.setUTCHours(hour, (i * 23) % 60, (i * 11) % 60, 0);
    if (at > now) at.setTime(now.getTime() - 3_600_000);
    const rope = DEMO_ROPES.find((r) => r.tag === told.rope)!;
    const profile = shippedProfile(told.profile);
    const knot = knotById(told.knot).entry;
    const { points, companions } = walkFor(rulesOf(profile), knot, { use: 'tie-in' });
    const wrongAt = told.fault ? points.find((p) => p.wrong.some((w) => w.fault === told.fault))?.id : undefined;
    const who = personOf(told.checker);
    const body: NewCheck = {
      id: demoId(`check ${i}`),
      tied_knot: {
        id: demoId(`knot ${i}`),
        knot: told.knot,
        rope: demoId(told.rope),
        place: told.place,
        tied_by: demoId(told.tiedBy),
        tied_at: new Date(at.getTime() - 240_000).toISOString(),
      },
      profile: profile.id,
      profile_version: profile.version,
      rope_diameter_mm: rope.diameter_mm!,
      use: 'tie-in',
      companions: [...companions],
      fist_mm: who.person.fist_mm,
      hand: 'right',
      seen_at: at.toISOString(),
      answers: points.map((p) =>
        p.id === 'tail'
          ? { point: p.id, found: 'right', tail: { tail_mm: told.tail_mm, method: 'ruler', uncertainty_mm: 5 } }
          : {
              point: p.id,
              found: p.id === wrongAt ? told.fault! : told.unseen && p.id === 'back' ? 'cannot-see' : 'right',
            },
      ),
      ...(i > 55 &&
        told.rope === 'NL-09' && { despite_open_finding: 'the faulty tie-in is at the other end, out of use' }),
      note: told.unseen ? 'back against the rock, not turned' : '',
    };
    const context = {
      db,
      now: () => at,
      settings: { version: 'demo', ratePerMinute: 0, webRoot: null, setupToken: null, logLevel: 'silent' },
    };
    const later = (minutes: number) => ({
      ...context,
      now: () => new Date(Math.min(now.getTime(), at.getTime() + minutes * 60_000)),
    });
    story.tell(at, () => recordCheck(context, who, newCheckBody.parse(body)));
    if (told.signer && !told.fault && i !== 59) {
      const { answers } = newCheckBody.parse(body);
      // one looks again at the gear loop and finds another tail than the first
      const own =
        i === DIFFERS
          ? answers.map((a) =>
              a.point === 'tail'
                ? { ...a, tail: { tail_mm: told.tail_mm + 26, method: 'ruler' as const, uncertainty_mm: 5 } }
                : a,
            )
          : answers;
      const signature =
        i % 2 === 0 || i === DIFFERS
          ? { answers: own, seen_at: new Date(at.getTime() + 300_000).toISOString() }
          : { agrees: true };
      const signer = personOf(told.signer);
      const then = later(6);
      story.tell(then.now(), () =>
        recordSignature(then, signer, limiter, 'demo', body.id, {
          id: demoId(`signature ${i}`),
          ...signature,
          note: '',
        }),
      );
    }
    if (i === 17)
      story.tell(later(15).now(), () =>
        recordFindingClosed(later(15), personOf('tove'), body.id, {
          id: demoId('closed 17'),
          what_was_done: 'taken-out',
          note: 'taken out; tied again by another hand',
        }),
      );
    // what hung there on an earlier day is out of the rope
    if (!told.fault && now.getTime() - at.getTime() > 36 * 3_600_000)
      story.tell(later(600).now(), () =>
        keeping(db, own(told.checker, later(600).now()), (k) =>
          endTiedKnot(k, body.tied_knot.id, 'taken out at the end of the day'),
        ),
      );
    if (i === 40)
      story.tell(later(30).now(), () =>
        recordCorrection(later(30), who, body.id, {
          id: demoId('correction 40'),
          reason: 'read the ruler from the wrong end: 118 mm, not 88',
          answers: newCheckBody
            .parse(body)
            .answers.map((a) =>
              a.point === 'tail' ? { ...a, tail: { tail_mm: 118, method: 'ruler' as const, uncertainty_mm: 5 } } : a,
            ),
        }),
      );
  }
  plantRounds(story, db, organisation, now, personOf);
  await story.happen();
}
