/** The demo's ropes with their lives, its rounds, and what its people are signed off for; through the same code that records real ones. */
import { finishRoundWalkBody, newCheckBody, newRopeEventBody, type NewCheck } from '../../contract';
import { walkFor } from '../../core/inspect/judging';
import { knotById } from '../../core/knots/catalogue/catalogue';
import { rulesOf, shippedProfile } from '../../core/profiles';
import { contentHash } from '../canonical';
import type { Context } from '../context';
import type { Database } from '../database';
import { recordCheck, recordRopeEvent, recordRoundFinished } from '../recording';
import { keeping } from '../record/keeping';
import { insertRound, insertRoundWalk } from '../tables/rounds';
import { insertSignOff } from '../tables/signOffs';
import type { SessionPerson } from '../tables/sessions';
import { demoId } from './ids';
import type { Story } from './story';
import { DEMO_ROPE_EVENTS, DEMO_ROPES, DEMO_ROUND, DEMO_SIGN_OFFS } from './scenario';

const DAY_MS = 86_400_000;
const SETTINGS = { version: 'demo', ratePerMinute: 0, webRoot: null, setupToken: null, logLevel: 'silent' };
const contextAt = (db: Database, at: Date): Context => ({ db, now: () => at, settings: SETTINGS });

/** What happened to the ropes up to so many days ago, in its order. */
export function plantRopeEvents(
  story: Story,
  db: Database,
  now: Date,
  personOf: (handle: string) => SessionPerson,
): void {
  for (const [i, { tag, by, daysAgo, ...event }] of DEMO_ROPE_EVENTS.entries()) {
    const at = new Date(now.getTime() - daysAgo * DAY_MS);
    const { of, ...rest } = event;
    const body = newRopeEventBody.parse({
      id: demoId(`rope event ${i}`),
      happened_at: at.toISOString(),
      ...rest,
      ...(of !== undefined && { damage: demoId(`rope event ${of}`) }),
    });
    story.tell(at, () => recordRopeEvent(contextAt(db, at), personOf(by), demoId(tag), body));
  }
}

export async function plantSignOffs(db: Database, organisation: string, at: Date): Promise<void> {
  for (const { handle, knots, may, by } of DEMO_SIGN_OFFS)
    for (const knot of knots)
      await keeping(db, { organisation, by: demoId(by), now: at }, (k) =>
        insertSignOff(
          k,
          {
            id: demoId(`sign-off ${handle} ${knot} ${may}`),
            person: demoId(handle),
            knot,
            may,
            given: true,
            signed_by: demoId(by),
          },
          contentHash({ handle, knot, may }),
        ),
      );
}

/** A round walked yesterday, one place not reached; and one begun today that waits. */
export function plantRounds(
  story: Story,
  db: Database,
  organisation: string,
  now: Date,
  personOf: (handle: string) => SessionPerson,
): void {
  const round = demoId('round');
  const stops = DEMO_ROUND.stops.map(({ place, knot, use, tag }) => ({ place, knot, use, rope: demoId(tag) }));
  const by = (at: Date) => ({ organisation, by: demoId('rask'), now: at });
  const made = new Date(now.getTime() - 30 * DAY_MS);
  story.tell(made, () =>
    keeping(db, by(made), (k) =>
      insertRound(k, { id: round, name: DEMO_ROUND.name, stops, created_by: demoId('rask') }, contentHash(DEMO_ROUND)),
    ),
  );
  const profile = shippedProfile('rope-access');
  const rask = personOf('rask');
  const walkOf = (name: string, begun: Date, reached: readonly number[]): string => {
    const id = demoId(`round walk ${name}`);
    story.tell(begun, () =>
      keeping(db, by(begun), (k) => insertRoundWalk(k, { id, round, begun_by: rask.id }, contentHash({ name }))),
    );
    for (const [k, i] of reached.entries()) {
      const stop = DEMO_ROUND.stops[i]!;
      const at = new Date(begun.getTime() + (k + 1) * 240_000);
      const { entry } = knotById(stop.knot);
      const body: NewCheck = {
        id: demoId(`round check ${name} ${i}`),
        tied_knot: {
          id: demoId(`round knot ${name} ${i}`),
          knot: stop.knot,
          rope: demoId(stop.tag),
          place: stop.place,
          tied_by: demoId('pell'),
          tied_at: new Date(begun.getTime() - 3_600_000).toISOString(),
        },
        profile: profile.id,
        profile_version: profile.version,
        rope_diameter_mm: DEMO_ROPES.find((r) => r.tag === stop.tag)!.diameter_mm!,
        use: stop.use,
        fist_mm: rask.person.fist_mm,
        hand: 'right',
        seen_at: at.toISOString(),
        round: { walk: id, stop: i },
        answers: walkFor(rulesOf(profile), entry, { use: stop.use }).points.map((p) =>
          p.id === 'tail'
            ? {
                point: p.id,
                found: 'right',
                tail: { tail_mm: 132 + 9 * i, method: 'ruler', uncertainty_mm: 5 },
                seconds: 14,
              }
            : { point: p.id, found: 'right', seconds: 6 + i },
        ),
        note: '',
      };
      story.tell(at, () => recordCheck(contextAt(db, at), rask, newCheckBody.parse(body)));
    }
    return id;
  };
  const yesterday = new Date(now.getTime() - 1.1 * DAY_MS);
  const first = walkOf('yesterday', yesterday, [0, 1, 3]);
  const finish = finishRoundWalkBody.parse({
    id: demoId('round finished'),
    why_not: [{ stop: 2, why: 'sea over the landing' }],
    note: 'swell from the north-west',
  });
  const finished = new Date(yesterday.getTime() + 1_800_000);
  story.tell(finished, () => recordRoundFinished(contextAt(db, finished), rask, first, finish));
  walkOf('today', new Date(now.getTime() - 1_800_000), [0, 1]);
}
