import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { ENDPOINTS, type Endpoint } from '../contract';
import { run } from './database';
import {
  call,
  checkBody,
  member,
  organisation,
  PASSWORD,
  sessionToken,
  testbed,
  type Member,
  type Testbed,
} from './testing/harness';

let t: Testbed;
let ours: Member, theirs: Member, learner: Member;
let ropeOurs: string, ropeTheirs: string;
let check: string, tied: string, round: string, walk: string;

beforeAll(async () => {
  t = await testbed('access');
  const [a, b] = [await organisation(t, 'Loft'), await organisation(t, 'Quay')];
  ropeOurs = a.rope;
  ropeTheirs = b.rope;
  [ours, theirs, learner] = await Promise.all([
    member(t, a.id, ['instructor']),
    member(t, b.id, ['instructor', 'inspector', 'assessor', 'owner']),
    member(t, a.id, ['learner']),
  ]);
  const body = checkBody({ tier: learner.id, rope: ropeOurs });
  await call(t, 'POST', '/checks', ours, body);
  check = body.id;
  tied = body.tied_knot.id;
  [round, walk] = [randomUUID(), randomUUID()];
  await call(t, 'POST', '/rounds', ours, {
    id: round,
    name: 'Gallery',
    stops: [{ place: 'mast foot', knot: 'clove-hitch', rope: ropeOurs }],
  });
  await call(t, 'POST', '/round-walks', ours, { id: walk, round });
});
afterAll(() => t.close());

const all = Object.values(ENDPOINTS) as readonly Endpoint[];
const ID_OF: readonly (readonly [string, () => string])[] = [
  ['/tied-knots', () => tied],
  ['/knots', () => 'bowline'],
  ['/ropes', () => ropeOurs],
  ['/people', () => ours.id],
  ['/rounds', () => round],
  ['/round-walks', () => walk],
  ['/', () => check],
];
const filled = (e: Endpoint) =>
  e.path.replace(':id', ID_OF.find(([start]) => e.path.startsWith(start))![1]()).replace(':way', 'retrace');

describe('without a session', () => {
  test.each(all.filter((e) => e.access !== 'open').map((e) => [`${e.method} ${e.path}`, e] as const))(
    '%s is closed',
    async (_n, e) => {
      const a = await call(t, e.method, filled(e), null, e.method === 'GET' ? undefined : {});
      expect([a.status, a.body.code]).toEqual([401, 'not-signed-in']);
    },
  );
});

describe('another organisation', () => {
  test.each(
    all.filter((e) => e.access !== 'open' && e.path.includes(':id')).map((e) => [`${e.method} ${e.path}`, e] as const),
  )('%s finds nothing', async (_n, e) => {
    const bodies: Record<string, unknown> = {
      sign: { id: randomUUID(), agrees: true, note: '' },
      correct: { id: randomUUID(), reason: 'x', answers: [] },
      closeFinding: { id: randomUUID(), what_was_done: 'retied', note: '' },
      endTiedKnot: { why: 'out' },
      newKnotEvent: { id: randomUUID(), kind: 'moved' },
      changePerson: { name: 'X' },
      withdrawTrial: { id: randomUUID(), reason: 'tried with another rope' },
      newConfirmation: { id: randomUUID() },
      newSignOff: { id: randomUUID(), knot: 'bowline', may: 'tie', given: true },
      newRopeEvent: { id: randomUUID(), event: 'hard-fall', happened_at: '2026-05-14T09:00:00.000Z', note: '' },
      finishRoundWalk: { id: randomUUID(), note: '' },
    };
    const name = Object.entries(ENDPOINTS).find(([, x]) => x === e)![0];
    const a = await call(t, e.method, filled(e), theirs, bodies[name]);
    expect([a.status, a.body.code]).toEqual([404, 'not-found']);
  });

  test('lists hold none of our things, and our ids cannot be used in theirs', async () => {
    for (const path of ['/checks', '/tied-knots', '/jobs', '/rounds', '/round-walks'])
      expect((await call(t, 'GET', path, theirs)).body['items']).toEqual([]);
    expect((await call(t, 'GET', `/checks?rope=${ropeOurs}`, theirs)).body['items']).toEqual([]);
    expect((await call(t, 'GET', '/checks.csv', theirs)).text.trim().split('\n')).toHaveLength(1);
    const ids = (b: unknown) => (b as { id: string }[]).map((x) => x.id);
    expect(ids((await call(t, 'GET', '/ropes', theirs)).body)).toEqual([ropeTheirs]);
    expect(ids((await call(t, 'GET', '/people', theirs)).body)).toEqual([theirs.id]);
    expect((await call(t, 'GET', '/today', theirs)).body['counts']).toEqual({
      checks: 0,
      open_findings: 0,
      waiting_signatures: 0,
    });
    const own = (await call(t, 'GET', '/record/head', theirs)).body;
    expect([own['organisation'], own['count']]).toEqual([theirs.organisation, 2]);
    const withOurRope = await call(t, 'POST', '/checks', theirs, checkBody({ tier: theirs.id, rope: ropeOurs }));
    expect(withOurRope.body.errors![0]!.path).toBe('tied_knot.rope');
    const withOurKnot = checkBody({ tier: theirs.id, rope: ropeTheirs });
    expect(
      (await call(t, 'POST', '/checks', theirs, { ...withOurKnot, tied_knot: { ...withOurKnot.tied_knot, id: tied } }))
        .body.code,
    ).toBe('id-taken');
    expect(
      (await call(t, 'POST', '/checks', theirs, { ...checkBody({ tier: theirs.id, rope: ropeTheirs }), id: check }))
        .body.code,
    ).toBe('id-taken');
    expect(
      (
        await call(t, 'POST', `/checks/${check}/signatures`, ours, {
          id: randomUUID(),
          agrees: true,
          note: '',
          signer: { person: theirs.id, password: PASSWORD },
        })
      ).body.code,
    ).toBe('wrong-password');
  });
});

test('one id sent by two organisations at the same moment belongs to one of them', async () => {
  const id = checkBody({ tier: ours.id, rope: ropeOurs }).id;
  const both = await Promise.all([
    call(t, 'POST', '/checks', ours, { ...checkBody({ tier: learner.id, rope: ropeOurs }), id }),
    call(t, 'POST', '/checks', theirs, { ...checkBody({ tier: theirs.id, rope: ropeTheirs }), id }),
  ]);
  expect(both.map((a) => a.status).sort()).toEqual([200, 409]);
});

describe('roles', () => {
  test.each(all.filter((e) => Array.isArray(e.access)).map((e) => [`${e.method} ${e.path}`, e] as const))(
    'a learner may not %s',
    async (_n, e) => {
      const a = await call(t, e.method, filled(e), learner, {});
      expect([a.status, a.body.code]).toEqual([403, 'role-missing']);
    },
  );

  test('an instructor adds people and ropes; the new person can sign in', async () => {
    const id = randomUUID();
    const added = await call(t, 'POST', '/people', ours, {
      id,
      name: 'Una Marsh',
      handle: 'una',
      password: PASSWORD,
      roles: ['owner'],
    });
    expect(added.status).toBe(200);
    expect(JSON.stringify(added.body)).not.toContain('argon');
    expect(
      (
        await call(t, 'POST', '/people', ours, {
          id: randomUUID(),
          name: 'Other',
          handle: 'una',
          password: PASSWORD,
          roles: ['owner'],
        })
      ).body.errors,
    ).toEqual([{ path: 'handle', message: 'is taken' }]);
    expect(
      (await call(t, 'POST', '/session', null, { handle: 'UNA', password: PASSWORD })).body['person'],
    ).toMatchObject({ id });
    const rope = { id: randomUUID(), tag: 'Q-2', kind: 'low-stretch', diameter_mm: 11, length_m: null, note: '' };
    expect((await call(t, 'POST', '/ropes', ours, rope)).status).toBe(200);
    expect((await call(t, 'POST', '/ropes', ours, { ...rope, id: randomUUID() })).body.errors![0]!.path).toBe('tag');
  });

  test('only own measures are changed', async () => {
    const a = await call(t, 'PATCH', '/people/me', ours, { fist_mm: 93, length_unit: 'fist' });
    expect(a.body).toMatchObject({ id: ours.id, fist_mm: 93, length_unit: 'fist', calibrated: true });
    expect((await call(t, 'PATCH', '/people/me', ours, { roles: ['instructor'] })).body.errors).toEqual([
      { path: 'roles', message: 'is not known here' },
    ]);
    expect((await call(t, 'PATCH', '/people/me', ours, { fist_mm: 20 })).status).toBe(400);
  });
});

describe('sessions', () => {
  test('a cookie of a closed session, or one that has run out, opens nothing', async () => {
    const m = await member(t, ours.organisation, ['owner']);
    expect((await call(t, 'GET', '/session', m)).body['person']).toMatchObject({ id: m.id });
    await call(t, 'DELETE', '/session', m);
    expect((await call(t, 'GET', '/ropes', m)).status).toBe(401);
    const late = await member(t, ours.organisation, ['owner']);
    t.clock.now = new Date(t.clock.now.getTime() + 8 * 86_400_000);
    expect((await call(t, 'GET', '/ropes', late)).status).toBe(401);
    t.clock.now = new Date('2026-05-14T10:00:00.000Z');
  });

  test('the database holds no token that would open a session', async () => {
    const [rows] = await t.db.query('SELECT token_sha256 FROM sessions');
    expect(JSON.stringify(rows)).not.toContain(sessionToken(ours));
  });

  test('wrong passwords are limited, for known and unknown names alike, also side by side', async () => {
    for (const handle of ['una', 'nobody-at-all']) {
      const tries = await Promise.all(
        Array.from({ length: 12 }, () => call(t, 'POST', '/session', null, { handle, password: 'wrong-password' })),
      );
      expect(tries.filter((a) => a.status === 401)).toHaveLength(8);
      const limited = tries.find((a) => a.status === 429)!;
      expect([limited.body.code, Number(limited.headers['retry-after']) > 0]).toEqual(['too-many-tries', true]);
    }
    expect((await call(t, 'POST', '/session', null, { handle: 'una', password: PASSWORD })).status).toBe(429);
  });

  test('another site may not use a visitor’s cookie to write', async () => {
    const a = await call(t, 'PATCH', '/people/me', ours, { fist_mm: 80 }, { origin: 'https://elsewhere.example' });
    expect([a.status, a.body.code]).toEqual([403, 'cross-site']);
    expect(
      (await call(t, 'PATCH', '/people/me', ours, { fist_mm: 93 }, { origin: 'http://localhost:80' })).status,
    ).toBe(200);
  });
});

test('past the rate a client is told when to come back', async () => {
  const limited = await testbed('rate', { settings: { ratePerMinute: 5 } });
  const answers = [];
  for (let i = 0; i < 7; i++) answers.push(await call(limited, 'GET', '/knots'));
  expect(answers.map((a) => a.status)).toEqual([200, 200, 200, 200, 200, 429, 429]);
  expect([
    answers[6]!.body.code,
    answers[6]!.headers['content-type'],
    Number(answers[6]!.headers['retry-after']) > 0,
  ]).toEqual(['too-many-requests', 'application/problem+json; charset=utf-8', true]);
  await limited.close();
});

test('a session ends after seven days, and where it is ended; what is no token is nobody', async () => {
  const who = await member(t, ours.organisation, ['inspector']);
  const person = async (cookie: string) =>
    (await call(t, 'GET', '/session', { ...who, cookie })).body['person'] as { id: string } | null;
  const now = t.clock.now;
  t.clock.now = new Date(now.getTime() + 7 * 86_400_000 - 1000);
  expect((await person(who.cookie))?.id).toBe(who.id);
  t.clock.now = new Date(now.getTime() + 7 * 86_400_000 + 1000);
  expect(await person(who.cookie)).toBeNull();
  t.clock.now = now;
  expect(await person(`${who.cookie}0`)).toBeNull();
  expect((await person(who.cookie))?.id).toBe(who.id);
  const ended = await call(t, 'DELETE', '/session', who);
  expect(String(ended.headers['set-cookie'])).toMatch(/idiom_session=;.*Path=\//);
  expect(await person(who.cookie)).toBeNull();
});

test('who lacks the role is told which would do', async () => {
  const refused = await call(t, 'POST', '/people', learner, {});
  expect([refused.status, refused.body.code]).toEqual([403, 'role-missing']);
  const endpoint = Object.values(ENDPOINTS as Record<string, Endpoint>).find(
    (e) => e.path === '/people' && e.method === 'POST',
  )!;
  expect(refused.body['detail']).toContain((endpoint.access as readonly string[]).join(', '));
});

test('the cookie of a session cannot be read by scripts, nor sent from another site', async () => {
  const payload = { handle: `p${ours.id.slice(0, 8)}`, password: PASSWORD };
  const r = await t.app.inject({ method: 'POST', url: '/api/v1/session', payload });
  const cookie = String(r.headers['set-cookie']);
  expect(cookie).toMatch(/; HttpOnly/);
  expect(cookie).toMatch(/; SameSite=Strict/);
  expect(cookie).toMatch(/; Path=\/;/);
  // as long as the session itself
  const expires = Date.parse(/; Expires=([^;]*)/.exec(cookie)![1]!);
  expect(Math.abs(expires - t.clock.now.getTime() - 7 * 86_400_000)).toBeLessThan(60_000);
});

test.each(['entries', 'wrong_pins', 'knot_entries', 'profile_versions', 'sign_offs'])(
  'of %s the application may change and take away nothing',
  async (table) => {
    await expect(run(t.db, `DELETE FROM ${table}`, [])).rejects.toMatchObject({ code: 'ER_TABLEACCESS_DENIED_ERROR' });
    const column = table === 'entries' || table === 'knot_entries' || table === 'profile_versions' ? 'sha256' : 'id';
    await expect(run(t.db, `UPDATE ${table} SET ${column} = 'x'`, [])).rejects.toMatchObject({
      code: 'ER_TABLEACCESS_DENIED_ERROR',
    });
  },
);
