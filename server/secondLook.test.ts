/** The second person: a look of their own before the first one's answers, by a session of theirs or by a PIN on the first one's device. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { ENDPOINTS } from '../contract';
import { JUDGING_VERSION } from '../core/judgings';
import {
  call,
  checkBody,
  member,
  organisation,
  PASSWORD,
  testbed,
  type Answer,
  type Member,
  type Testbed,
} from './testing/harness';
import { PIN_TRIES } from './tables/wrongPins';
import { verifyOrganisation } from './verify';

let t: Testbed;
let org: string, rope: string;
let tier: Member, first: Member, second: Member, instructor: Member, learner: Member;
const PIN = '7305';

beforeAll(async () => {
  t = await testbed('second');
  ({ id: org, rope } = await organisation(t, 'Loft'));
  [tier, first, second, instructor, learner] = await Promise.all([
    member(t, org, ['owner']),
    member(t, org, ['inspector']),
    member(t, org, ['inspector']),
    member(t, org, ['instructor']),
    member(t, org, ['learner']),
  ]);
  for (const m of [tier, first, second, learner])
    expect((await call(t, 'POST', '/people/me/pin', m, { password: PASSWORD, pin: PIN })).status).toBe(200);
});
afterAll(() => t.close());

const record = async (change: Record<string, unknown> = {}) => {
  const body = checkBody({ tier: tier.id, rope }, change);
  expect((await call(t, 'POST', '/checks', first, body)).status).toBe(200);
  return body;
};
const own = (answers: unknown, change: Record<string, unknown> = {}) => ({
  id: randomUUID(),
  answers,
  seen_at: '2026-05-14T09:50:00.000Z',
  note: '',
  ...change,
});
const look = (check: string, body: Record<string, unknown>, as = second): Promise<Answer> =>
  call(t, 'POST', `/checks/${check}/signatures`, as, body);
const shown = async (check: string) =>
  (await call(t, 'GET', `/checks/${check}`, first)).body as unknown as {
    row: Record<string, unknown>;
    entries: { entry: { body: Record<string, unknown> } }[];
  };
const withFound = (answers: Record<string, unknown>[], point: string, found: string) =>
  answers.map((a) => (a['point'] === point ? { point, found } : a));

describe('an own look', () => {
  test('begins without anything the first one found', async () => {
    const body = await record({ note: 'left-handed tier' });
    const a = await call(t, 'GET', `/checks/${body.id}/to-look-at`, second);
    expect(ENDPOINTS.toLookAt.reply.safeParse(a.body).success).toBe(true);
    expect(a.text).not.toMatch(/answers|judgement|verdict|tail|found|left-handed/);
    await look(body.id, own(body.answers));
    expect((await call(t, 'GET', `/checks/${body.id}/to-look-at`, instructor)).body.code).toBe('already-signed');
  });

  test('that finds the same completes the check', async () => {
    const body = await record();
    expect((await look(body.id, own(body.answers))).body['verdict']).toBe('meets-the-rule');
    const { row, entries } = await shown(body.id);
    expect(row).toMatchObject({ verdict: 'meets-the-rule', signer: second.id, differs: false });
    expect(entries[1]!.entry.body).toMatchObject({ agrees: true, differences: [], proved_by: 'session' });
  });

  test('that finds something else is kept beside the first one’s, and the worse stands', async () => {
    const body = await record();
    expect((await look(body.id, own(withFound(body.answers, 'name', 'half-finished')))).body['verdict']).toBe(
      'take-out-and-retie',
    );
    const { row, entries } = await shown(body.id);
    expect(row).toMatchObject({
      points_verdict: 'take-out-and-retie',
      open_finding: true,
      differs: true,
      faults: ['half-finished'],
    });
    expect((entries[1]!.entry.body['differences'] as { point: string }[]).map((d) => d.point)).toEqual(['name']);
    expect((entries[0]!.entry.body['answers'] as unknown[]).length).toBe(body.answers.length);
  });

  test('that differs without being worse leaves it not judged, until they have settled it', async () => {
    const body = await record();
    const longer = body.answers.map((a) =>
      a['point'] === 'tail' ? { ...a, tail: { tail_mm: 190, method: 'ruler', uncertainty_mm: 5 } } : a,
    );
    expect((await look(body.id, own(longer))).body['verdict']).toBe('not-judged');
    expect((await shown(body.id)).row).toMatchObject({ differs: true, open_finding: false });
  });

  test('that could not see all of it is not judged there', async () => {
    const body = await record();
    expect((await look(body.id, own(withFound(body.answers, 'back', 'cannot-see')))).body['verdict']).toBe(
      'not-judged',
    );
  });

  test('may be of the very moment it was tied, not of a moment before; how long each point took is kept where it is said', async () => {
    const body = await record();
    const tied = Date.parse(String(body.tied_knot['tied_at']));
    const at = (ms: number) => ({ seen_at: new Date(tied + ms).toISOString() });
    expect((await look(body.id, own(body.answers, at(-1)))).body.errors![0]!.path).toBe('seen_at');
    const timed = body.answers.map((a) => (a['point'] === 'front' ? { ...a, seconds: 4.5 } : a));
    expect((await look(body.id, own(timed, at(0)))).status).toBe(200);
    const kept = (await shown(body.id)).entries.at(-1)!.entry.body['answers'] as Record<string, unknown>[];
    expect(kept.map((a) => a['seconds'])).toEqual(kept.map((a) => (a['point'] === 'front' ? 4.5 : undefined)));
  });

  test('is neither the tier’s nor the first one’s, has a time, and is either answers or agreement', async () => {
    const body = await record();
    expect((await look(body.id, own(body.answers), tier)).body.code).toBe('signer-not-second');
    expect((await look(body.id, own(body.answers), first)).body.code).toBe('signer-not-second');
    expect((await look(body.id, { ...own(body.answers), seen_at: undefined })).status).toBe(400);
    expect((await look(body.id, { ...own(body.answers), agrees: true })).status).toBe(400);
    expect(
      (await look(body.id, own(body.answers, { seen_at: '2026-05-14T08:00:00.000Z' }))).body.errors![0]!.path,
    ).toBe('seen_at');
    expect((await look(body.id, own(withFound(body.answers, 'set', 'granny')))).status).toBe(400);
    const sent = own(body.answers);
    expect([(await look(body.id, sent)).status, (await look(body.id, sent)).body['again']]).toEqual([200, true]);
  });
});

describe('on the first one’s device', () => {
  const by = (person: string, pin: string) => ({ signer: { person, pin } });
  test('the second person signs by their PIN', async () => {
    const body = await record();
    expect((await look(body.id, own(body.answers, by(second.id, PIN)), first)).body['verdict']).toBe('meets-the-rule');
    expect((await shown(body.id)).entries[1]!.entry).toMatchObject({
      recorded_by: first.id,
      body: { signer: second.id, proved_by: 'pin' },
    });
  });

  test('somebody without a PIN, a learner and somebody of elsewhere do not', async () => {
    const body = await record();
    expect((await look(body.id, own(body.answers, by(instructor.id, PIN)), first)).body.code).toBe('no-pin');
    expect((await look(body.id, own(body.answers, by(learner.id, PIN)), first)).body.code).toBe('role-missing');
    const other = await member(t, (await organisation(t, 'Quay')).id, ['inspector']);
    expect((await look(body.id, own(body.answers, by(other.id, PIN)), first)).body.code).toBe('wrong-pin');
  });

  test('wrong PINs are recorded and limited, side by side too and over a new start; later one is taken again', async () => {
    const victim = await member(t, org, ['inspector']);
    await call(t, 'POST', '/people/me/pin', victim, { password: PASSWORD, pin: PIN });
    const body = await record();
    const tries = await Promise.all(
      Array.from({ length: PIN_TRIES + 4 }, () => look(body.id, own(body.answers, by(victim.id, '4821')), first)),
    );
    expect(tries.filter((a) => a.body.code === 'wrong-pin')).toHaveLength(PIN_TRIES);
    expect(
      tries.filter((a) => a.body.code === 'pin-locked' && a.status === 429 && Number(a.headers['retry-after']) > 0),
    ).toHaveLength(4);
    const locked = await look(body.id, own(body.answers, by(victim.id, PIN)), first);
    expect([locked.body.code, locked.body['detail'], locked.headers['retry-after']]).toEqual([
      'pin-locked',
      'Wait 900 s, or sign on a device of one’s own. The wrong ones are recorded.',
      '900',
    ]);
    // the person and an instructor see them, others do not
    const told = async (as: Member) =>
      ((await call(t, 'GET', `/people/${victim.id}`, as)).body['wrong_pins'] as { on_device_of_name: string }[]).length;
    expect([await told(victim), await told(instructor), await told(second)]).toEqual([PIN_TRIES, PIN_TRIES, 0]);
    const now = t.clock.now;
    t.clock.now = new Date(now.getTime() + 15 * 60_000 - 1000);
    expect((await look(body.id, own(body.answers, by(victim.id, PIN)), first)).body['detail']).toMatch(/^Wait 1 s/);
    t.clock.now = new Date(now.getTime() + 15 * 60_000 + 1000);
    expect((await look(body.id, own(body.answers, by(victim.id, PIN)), first)).status).toBe(200);
    t.clock.now = now;
    const [rows] = await t.db.query('SELECT pin_hash FROM people WHERE id = ?', [victim.id]);
    expect(JSON.stringify(rows)).not.toContain(PIN);
  });

  test('a PIN that is guessed easily is refused, and setting one needs the password', async () => {
    for (const pin of ['1111', '1234', '987654', '12', 'abcd', '123456789'])
      expect([pin, (await call(t, 'POST', '/people/me/pin', second, { password: PASSWORD, pin })).status]).toEqual([
        pin,
        400,
      ]);
    expect(
      (await call(t, 'POST', '/people/me/pin', second, { password: 'not-the-password', pin: '8842' })).body.code,
    ).toBe('wrong-password');
  });
});

test('a correction makes the second look void, and the record is as written', async () => {
  const body = await record();
  await look(body.id, own(withFound(body.answers, 'set', 'loose')));
  await call(t, 'POST', `/checks/${body.id}/corrections`, first, {
    id: randomUUID(),
    reason: 'set it, looked again',
    answers: body.answers,
  });
  expect((await shown(body.id)).row).toMatchObject({
    signer: null,
    differs: false,
    faults: [],
    verdict: 'not-judged',
    points_verdict: 'meets-the-rule',
  });
  expect((await look(body.id, own(body.answers))).body['verdict']).toBe('meets-the-rule');
  // each that judges says by which judging and which entry of the knot, so that it can be computed again
  const judging = (await shown(body.id)).entries.map(({ entry }) => entry.body);
  for (const b of judging.filter((e) => e['judgement']))
    expect(b).toMatchObject({ judging: JUDGING_VERSION, knot_entry_sha256: judging[0]!['knot_entry_sha256'] });
  expect(judging.filter((e) => e['judgement']).length).toBeGreaterThan(2);
  expect((await verifyOrganisation(t.db, org)).faults).toEqual([]);
});

describe('people', () => {
  test('are signed off to tie and, apart, to check; a check says whether they were; taken back it no longer holds', async () => {
    const person = await member(t, org, ['inspector']);
    const give = (may: string, given = true, as = instructor) =>
      call(t, 'POST', `/people/${person.id}/sign-offs`, as, {
        id: randomUUID(),
        knot: 'figure-eight-follow-through',
        may,
        given,
      });
    const entryOf = async (id: string) => (await shown(id)).entries[0]!.entry.body;
    // where nobody is signed off yet, nothing is said of it
    const before = checkBody({ tier: tier.id, rope });
    await call(t, 'POST', '/checks', person, before);
    expect(await entryOf(before.id)).not.toHaveProperty('signed_off');
    expect(((await give('tie')).body['signed_off'] as { may: string }[]).map((s) => s.may)).toEqual(['tie']);
    await give('check');
    const body = checkBody({ tier: tier.id, rope });
    await call(t, 'POST', '/checks', person, body);
    expect((await entryOf(body.id))['signed_off']).toEqual({ to_tie: false, to_check: true });
    t.clock.now = new Date(t.clock.now.getTime() + 1000);
    expect(((await give('check', false)).body['signed_off'] as { may: string }[]).map((s) => s.may)).toEqual(['tie']);
    expect(
      (
        await call(t, 'POST', `/people/${instructor.id}/sign-offs`, instructor, {
          id: randomUUID(),
          knot: 'bowline',
          may: 'tie',
          given: true,
        })
      ).status,
    ).toBe(400);
    expect((await give('tie', true, tier)).status).toBe(403);
  });

  test('get other roles and a new first password; the last instructor stays one', async () => {
    const person = await member(t, org, ['learner']);
    const a = await call(t, 'PATCH', `/people/${person.id}`, instructor, {
      roles: ['owner', 'inspector'],
      password: 'another-long-one',
    });
    expect(ENDPOINTS.changePerson.reply.safeParse(a.body).success).toBe(true);
    expect((a.body['person'] as { roles: string[] }).roles.sort()).toEqual(['inspector', 'owner']);
    // sessions under the old password are over
    expect((await call(t, 'GET', '/people', person)).status).toBe(401);
    expect((await call(t, 'PATCH', `/people/${instructor.id}`, instructor, { roles: ['owner'] })).body.code).toBe(
      'last-instructor',
    );
  });
});
