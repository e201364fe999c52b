import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { ENDPOINTS } from '../contract';
import { call, checkBody, member, organisation, testbed, type Member, type Testbed } from './testing/harness';
import { verifyOrganisation } from './verify';

let t: Testbed;
let org: string, rope: string;
let tier: Member, walker: Member;
const STOPS = [
  { place: 'Mast foot', knot: 'figure-eight-follow-through' },
  { place: 'Gallery rail', knot: 'clove-hitch' },
  { place: 'Third bolt', knot: 'bowline' },
];

beforeAll(async () => {
  t = await testbed('rounds', { alters: true });
  ({ id: org, rope } = await organisation(t, 'Loft'));
  [tier, walker] = await Promise.all([member(t, org, ['owner']), member(t, org, ['inspector'])]);
});
afterAll(() => t.close());

const newRound = async () => {
  const id = randomUUID();
  const a = await call(t, 'POST', '/rounds', walker, {
    id,
    name: 'North light',
    stops: STOPS.map((s) => ({ ...s, rope })),
  });
  expect([a.status, ENDPOINTS.newRound.reply.safeParse(a.body).success]).toEqual([200, true]);
  return id;
};
const begin = async (round: string) => {
  const id = randomUUID();
  expect((await call(t, 'POST', '/round-walks', walker, { id, round })).status).toBe(200);
  return id;
};
const walk = async (id: string) => {
  const a = await call(t, 'GET', `/round-walks/${id}`, walker);
  expect(ENDPOINTS.roundWalk.reply.safeParse(a.body).error?.issues ?? []).toEqual([]);
  return a.body as unknown as {
    reached: number;
    finished_at: string | null;
    finished: { sequence: number } | null;
    stops: {
      place: string;
      check: { id: string; verdict: string } | null;
      hangs_there: { id: string } | null;
      why_not: string;
    }[];
  };
};
const checkAt = (id: string, stop: number, change: Record<string, unknown> = {}) => {
  const base = checkBody({ tier: tier.id, rope });
  return call(t, 'POST', '/checks', walker, {
    ...base,
    profile: 'sport-crag',
    profile_version: 3,
    tied_knot: { ...base.tied_knot, place: STOPS[stop]!.place },
    round: { walk: id, stop },
    ...change,
  }).then((answer) => ({ base, answer }));
};

test('a round waits unfinished, and at its end says what was not reached: that is not judged', async () => {
  const id = await begin(await newRound());
  expect((await checkAt(id, 0)).answer.status).toBe(200);
  expect((await walk(id)).reached).toBe(1);
  expect((await call(t, 'GET', '/today', walker)).body['rounds_waiting']).toMatchObject([
    { id, reached: 1, stops_count: 3 },
  ]);
  expect((await call(t, 'GET', '/round-walks?open=yes', walker)).body['items']).toHaveLength(1);
  const finish = { id: randomUUID(), why_not: [{ stop: 1, why: 'sea over the rail' }], note: 'swell' };
  const done = await call(t, 'POST', `/round-walks/${id}/finish`, walker, finish);
  expect([done.status, done.body['again']]).toEqual([200, false]);
  expect((await call(t, 'POST', `/round-walks/${id}/finish`, walker, finish)).body['again']).toBe(true);
  expect((await call(t, 'POST', `/round-walks/${id}/finish`, walker, { ...finish, id: randomUUID() })).body.code).toBe(
    'round-finished',
  );
  const w = await walk(id);
  expect(w.stops.map((s) => [s.check?.verdict ?? null, s.why_not])).toEqual([
    ['meets-the-rule', ''],
    [null, 'sea over the rail'],
    [null, ''],
  ]);
  const [[stored]] = (await t.db.query("SELECT bytes FROM entries WHERE about = ? AND kind = 'round-finished'", [
    id,
  ])) as unknown as [[{ bytes: Buffer }]];
  const entry = JSON.parse(stored.bytes.toString()) as {
    kind: string;
    body: { stops: { check: string | null; verdict: string }[] };
  };
  expect([entry.kind, entry.body.stops.map((s) => s.verdict)]).toEqual([
    'round-finished',
    ['meets-the-rule', 'not-judged', 'not-judged'],
  ]);
  expect((await checkAt(id, 1)).answer.body.code).toBe('round-finished');
  expect((await call(t, 'GET', '/today', walker)).body['rounds_waiting']).toEqual([]);
  const csv = await call(t, 'GET', `/round-walks/${id}.csv`, walker);
  expect(csv.text.trim().split('\r\n')).toHaveLength(4);
  expect(csv.text).toContain('not reached');
});

test('a check at a stop is of that place; what is known to hang there is offered; the last check there counts', async () => {
  const id = await begin(await newRound());
  expect(
    (await checkAt(id, 0, { tied_knot: { ...checkBody({ tier: tier.id, rope }).tied_knot, place: 'somewhere else' } }))
      .answer.body.errors![0]!.path,
  ).toBe('tied_knot.place');
  expect((await checkAt(id, 0, { round: { walk: id, stop: 9 } })).answer.body.errors![0]!.path).toBe('round.stop');
  expect((await checkAt(id, 0, { round: { walk: randomUUID(), stop: 0 } })).answer.body.errors![0]!.path).toBe(
    'round.walk',
  );
  // a knot that was tied there before this walk
  const hanging = {
    id: randomUUID(),
    knot: 'bowline',
    rope,
    place: 'Third bolt ',
    tied_by: tier.id,
    tied_at: '2026-05-14T08:00:00.000Z',
  };
  await call(t, 'POST', '/tied-knots', walker, hanging);
  expect((await walk(id)).stops[2]!.hangs_there).toMatchObject({ id: hanging.id });
  const worse = checkBody({ tier: tier.id, rope }).answers.map((a) =>
    a['point'] === 'set' ? { point: 'set', found: 'loose' } : a,
  );
  await checkAt(id, 0, { answers: worse });
  const second = await checkAt(id, 0);
  expect((await walk(id)).stops[0]!.check).toMatchObject({ id: second.base.id, verdict: 'meets-the-rule' });
});

test('a round needs known knots and ropes, is kept once, and is found by its page', async () => {
  const body = { id: randomUUID(), name: 'X', stops: [{ place: 'here', knot: 'granny', rope: null }] };
  expect((await call(t, 'POST', '/rounds', walker, body)).body.errors![0]!.path).toBe('stops.0.knot');
  expect(
    (
      await call(t, 'POST', '/rounds', walker, {
        ...body,
        stops: [{ place: 'here', knot: 'bowline', rope: randomUUID() }],
      })
    ).body.errors![0]!.path,
  ).toBe('stops.0.rope');
  expect((await call(t, 'POST', '/rounds', walker, { ...body, stops: [] })).status).toBe(400);
  const good = { ...body, stops: [{ place: 'here', knot: 'bowline', rope: null }] };
  expect((await call(t, 'POST', '/rounds', walker, good)).status).toBe(200);
  expect((await call(t, 'POST', '/rounds', walker, good)).status).toBe(200);
  expect((await call(t, 'POST', '/rounds', walker, { ...good, name: 'Y' })).body.code).toBe('id-taken');
  const page = (await call(t, 'GET', '/rounds?limit=1', walker)).body as unknown as {
    items: { id: string }[];
    next: string;
  };
  expect((await call(t, 'GET', `/rounds?limit=1&cursor=${page.next}`, walker)).body['items']).toHaveLength(1);
});

test('the record is as written; a walk that was opened again behind its back is found', async () => {
  expect((await verifyOrganisation(t.db, org)).faults).toEqual([]);
  await t.db.query('UPDATE round_walks SET finished_at = NULL WHERE organisation = ?', [org]);
  expect((await verifyOrganisation(t.db, org)).faults.join()).toMatch(/walked round .* was altered/);
});
