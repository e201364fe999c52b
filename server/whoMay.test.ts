/** Who may do what, route by role by organisation, against a table of its own. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { ROUTES } from '../contract/routes';
import { ROLES, type Role } from '../contract/roles';
import { call, checkBody, member, organisation, PASSWORD, testbed, type Member, type Testbed } from './testing/harness';
import { ROLE_OF, WHO_MAY } from './testing/whoMay';

let t: Testbed;
const people = {} as Record<Role, Member>;
let elsewhere: Member;
const ids: Record<string, string> = {};

beforeAll(async () => {
  t = await testbed('who_may');
  const [ours, theirs] = [await organisation(t, 'Loft'), await organisation(t, 'Quay')];
  for (const role of ROLES) people[role] = await member(t, ours.id, [role]);
  elsewhere = await member(t, theirs.id, ROLES);
  const body = checkBody({ tier: people.learner.id, rope: ours.rope });
  await call(t, 'POST', '/checks', people.assessor, body);
  const [round, walk, job] = [randomUUID(), randomUUID(), randomUUID()];
  await call(t, 'POST', '/rounds', people.instructor, {
    id: round,
    name: 'Gallery',
    stops: [{ place: 'mast foot', knot: 'clove-hitch', rope: ours.rope }],
  });
  await call(t, 'POST', '/round-walks', people.instructor, { id: walk, round });
  const trial = randomUUID();
  await call(t, 'POST', '/passing-trials', people.instructor, {
    id: trial,
    knot: 'offset-overhand',
    device: 'ring',
    rope_diameter_mm: 11,
    result: 'stuck',
  });
  Object.assign(ids, {
    '/passing-trials': trial,
    '/tied-knots': body.tied_knot.id,
    '/ropes': ours.rope,
    '/people': people.learner.id,
    '/rounds': round,
    '/round-walks': walk,
    '/checks': body.id,
    '/jobs': job,
  });
});
afterAll(() => t.close());

const [everyRole, rows] = [Object.keys(ROLE_OF).join(''), WHO_MAY.filter(([, roles]) => roles !== 'open')];
const parts = (route: string) => {
  const [method, path] = route.split(' ') as [string, string];
  const id = ids[`/${path.split('/')[1]!}`] ?? 'none';
  return { method, path: path.replace(':id', id).replace(':code', 'ABCD').replace(':way', 'retrace') };
};
const asked = (route: string, who: Member | null) => {
  const { method, path } = parts(route);
  return call(t, method as 'GET', path, who, method === 'GET' ? undefined : {});
};

test('the table has every route, and no other', () => {
  const routes = Object.values(ROUTES).map((r) => `${r.method} ${r.path}`);
  expect(WHO_MAY.map(([route]) => route).sort()).toEqual(routes.sort());
});

describe.each(rows)('%s: %s', (route, roles) => {
  test('closed without signing in', async () => {
    const a = await asked(route, null);
    expect([a.status, a.body.code]).toEqual([401, 'not-signed-in']);
  });

  test.each([...everyRole] as (keyof typeof ROLE_OF)[])('%s', async (letter) => {
    const a = await asked(route, people[ROLE_OF[letter]]);
    // what is let in may still be refused for what it sent; it is never told that its role is missing
    expect([letter, a.status === 403 && a.body.code === 'role-missing']).toEqual([letter, !roles.includes(letter)]);
  });
});

describe('of another organisation nothing is there', () => {
  /** What is otherwise right, so that nothing but whose it is can be refused. */
  const RIGHT: Readonly<Record<string, () => object>> = {
    'PATCH /people/:id': () => ({ password: PASSWORD }),
    'POST /passing-trials/:id/withdrawals': () => ({ id: randomUUID(), reason: 'tried with another rope' }),
    'POST /people/:id/confirmations': () => ({ id: randomUUID() }),
    'POST /people/:id/sign-offs': () => ({ id: randomUUID(), knot: 'bowline', may: 'tie', given: true }),
    'POST /ropes/:id/events': () => ({
      id: randomUUID(),
      event: 'hard-fall',
      happened_at: '2026-05-14T09:00:00.000Z',
      note: '',
    }),
    'POST /round-walks/:id/finish': () => ({ id: randomUUID(), note: '' }),
    'POST /tied-knots/:id/end': () => ({ why: 'out' }),
    'POST /tied-knots/:id/events': () => ({ id: randomUUID(), kind: 'moved' }),
    'POST /checks/:id/signatures': () => ({ id: randomUUID(), agrees: true, note: '' }),
    'POST /checks/:id/corrections': () => ({ id: randomUUID(), reason: 'x', answers: [] }),
    'POST /checks/:id/finding-closed': () => ({ id: randomUUID(), what_was_done: 'retied', note: '' }),
  };
  test.each(WHO_MAY.filter(([, , whose]) => whose === 'own').map(([route]) => route))('%s', async (route) => {
    const { method, path } = parts(route);
    const a = await call(t, method as 'GET', path, elsewhere, RIGHT[route]?.());
    expect([a.status, a.body.code]).toEqual([404, 'not-found']);
  });
});

describe('what a role may beyond its route', () => {
  const person = () => ({
    id: randomUUID(),
    name: 'Una Marsh',
    handle: `una-${randomUUID().slice(0, 8)}`,
    password: PASSWORD,
    roles: ['learner'],
  });

  test('people are added by instructors alone', async () => {
    for (const role of ROLES)
      expect([role, (await call(t, 'POST', '/people', people[role], person())).status]).toEqual([
        role,
        role === 'instructor' ? 200 : 403,
      ]);
  });

  test('a new password is given by instructors alone', async () => {
    const target = await member(t, people.learner.organisation, ['learner']);
    for (const role of ROLES) {
      const a = await call(t, 'PATCH', `/people/${target.id}`, people[role], { password: 'another-long-password' });
      expect([role, a.status]).toEqual([role, role === 'instructor' ? 200 : 403]);
    }
  });

  test('a check is corrected by whoever made it, by instructors and by inspectors', async () => {
    const { rope } = await organisation(t, 'Spare').then(() => ({ rope: ids['/ropes']! }));
    for (const [role, may] of [
      ['owner', false],
      ['assessor', true],
      ['instructor', true],
      ['inspector', true],
    ] as const) {
      const body = checkBody({ tier: people.learner.id, rope });
      // the assessor corrects her own, the others somebody else's
      expect((await call(t, 'POST', '/checks', people.assessor, body)).status).toBe(200);
      const a = await call(t, 'POST', `/checks/${body.id}/corrections`, people[role], {
        id: randomUUID(),
        reason: 'read again',
        answers: body.answers,
      });
      expect([role, a.status, a.body.code ?? null]).toEqual([role, may ? 200 : 403, may ? null : 'role-missing']);
    }
  });
});
