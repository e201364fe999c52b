/** Who can sign as somebody is no second person to them: by entries, not by word. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { confirmAtTheMachine } from './confirm';
import { PROGRAM } from './record/covered';
import { call, checkBody, member, organisation, PASSWORD, testbed, type Member, type Testbed } from './testing/harness';

let t: Testbed;
let org: string;
let rope: string;
/** two instructors who owe each other nothing, and who ties */
let first: Member;
let other: Member;
let tier: Member;
beforeAll(async () => {
  t = await testbed('credentials');
  ({ id: org, rope } = await organisation(t, 'Loft'));
  first = await member(t, org, ['instructor']);
  other = await member(t, org, ['instructor']);
  tier = await member(t, org, ['owner']);
});
afterAll(() => t.close());

const signIn = async (handle: string, password: string, of: string): Promise<Member> => {
  const a = await call(t, 'POST', '/session', null, { handle, password });
  expect(a.status).toBe(200);
  return { id: of, cookie: String(a.headers['set-cookie']).split(';')[0]!, organisation: org };
};
const OWN = 'chosen by oneself';
/** A person whom an instructor makes, or gives a new password; and who then took one of their own. */
async function madeBy(by: Member, roles = ['inspector']): Promise<Member & { handle: string }> {
  const [id, handle] = [randomUUID(), `m${randomUUID().slice(0, 8)}`];
  const made = await call(t, 'POST', '/people', by, { id, name: 'Made', handle, password: PASSWORD, roles });
  expect(made.status).toBe(200);
  const m = await signIn(handle, PASSWORD, id);
  expect((await call(t, 'POST', '/people/me/password', m, { password: PASSWORD, new_password: OWN })).status).toBe(200);
  return { ...m, handle };
}
/** What comes of it where a check by somebody is seconded by another. */
async function seconded(checker: Member, second: Member, tied = tier): Promise<string> {
  const body = checkBody({ tier: tied.id, rope });
  expect((await call(t, 'POST', '/checks', checker, body)).status).toBe(200);
  const a = await call(t, 'POST', `/checks/${body.id}/signatures`, second, {
    id: randomUUID(),
    agrees: true,
    note: '',
  });
  return a.status === 200 ? String(a.body['verdict']) : String(a.body.code);
}
const confirm = (by: Member, of: string) => call(t, 'POST', `/people/${of}/confirmations`, by, { id: randomUUID() });
const newPassword = (by: Member, of: string) => call(t, 'PATCH', `/people/${of}`, by, { password: PASSWORD });

describe('a first password', () => {
  test('opens nothing but its own change; then all is open, and other sessions have ended', async () => {
    const [id, handle] = [randomUUID(), 'newcomer'];
    await call(t, 'POST', '/people', first, { id, name: 'New', handle, password: PASSWORD, roles: ['inspector'] });
    const m = await signIn(handle, PASSWORD, id);
    const elsewhere = await signIn(handle, PASSWORD, id);
    expect((await call(t, 'GET', '/session', m)).body['must_change_password']).toBe(true);
    for (const [method, path] of [
      ['GET', '/today'],
      ['GET', '/people'],
      ['POST', '/checks'],
      ['POST', '/people/me/pin'],
    ] as const)
      expect([path, (await call(t, method, path, m, method === 'GET' ? undefined : {})).body.code]).toEqual([
        path,
        'first-password',
      ]);
    const change = (body: object) => call(t, 'POST', '/people/me/password', m, body);
    expect((await change({ password: 'not-the-password', new_password: OWN })).body.code).toBe('wrong-password');
    expect((await change({ password: PASSWORD, new_password: PASSWORD })).body.errors![0]!.path).toBe('new_password');
    expect((await change({ password: PASSWORD, new_password: '          ' })).body.errors![0]!.path).toBe(
      'new_password',
    );
    expect((await change({ password: PASSWORD, new_password: OWN })).body['must_change_password']).toBe(false);
    expect((await call(t, 'GET', '/today', m)).status).toBe(200);
    expect((await call(t, 'GET', '/today', elsewhere)).body.code).toBe('not-signed-in');
    expect((await call(t, 'POST', '/session', null, { handle, password: PASSWORD })).body.code).toBe('wrong-password');
  });
  test('one’s own is not changed past the one until now', async () => {
    expect((await call(t, 'PATCH', `/people/${first.id}`, first, { password: OWN })).body.errors![0]!.path).toBe(
      'password',
    );
  });
});

describe('who was made, or given a password, by somebody', () => {
  test('is no second person to them, as first checker or as who tied it; to others they are', async () => {
    const m = await madeBy(first);
    expect(await seconded(first, m)).toBe('signer-depends');
    expect(await seconded(other, m, first)).toBe('signer-depends');
    expect(await seconded(other, m)).toBe('meets-the-rule');
  });
  test('also when it was another’s own account before', async () => {
    const m = await madeBy(other);
    expect(await seconded(first, m)).toBe('meets-the-rule');
    await newPassword(first, m.id);
    const taken = await signIn(m.handle, PASSWORD, m.id);
    await call(t, 'POST', '/people/me/password', taken, { password: PASSWORD, new_password: OWN });
    expect(await seconded(first, taken)).toBe('signer-depends');
    // signed on another device by the password that was set
    const body = checkBody({ tier: tier.id, rope });
    await call(t, 'POST', '/checks', first, body);
    const signer = { person: m.id, password: OWN };
    const a = await call(t, 'POST', `/checks/${body.id}/signatures`, first, {
      id: randomUUID(),
      agrees: true,
      note: '',
      signer,
    });
    expect(a.body.code).toBe('signer-depends');
  });
  test('is a second person again once another instructor has confirmed them; a later reset begins it anew', async () => {
    const m = await madeBy(first);
    // neither they themselves nor who made them
    expect((await confirm(m, m.id)).status).toBe(403);
    await confirm(first, m.id);
    expect(await seconded(first, m)).toBe('signer-depends');
    expect((await confirm(other, m.id)).status).toBe(200);
    expect(await seconded(first, m)).toBe('meets-the-rule');
    await newPassword(first, m.id);
    const again = await signIn(m.handle, PASSWORD, m.id);
    await call(t, 'POST', '/people/me/password', again, { password: PASSWORD, new_password: OWN });
    expect(await seconded(first, again)).toBe('signer-depends');
  });
  test('an instructor made for it confirms nobody for who made them; given at the machine it counts', async () => {
    const [m, straw] = [await madeBy(first), await madeBy(first, ['instructor'])];
    const second = await madeBy(straw, ['instructor']);
    await confirm(straw, m.id);
    await confirm(second, m.id);
    await confirm(straw, second.id);
    await confirm(second, m.id);
    expect(await seconded(first, m)).toBe('signer-depends');
    expect(await confirmAtTheMachine(t.db, straw.handle, t.clock.now)).toMatch(/is confirmed/);
    // what they said before they were confirmed themselves still does not count
    expect(await seconded(first, m)).toBe('signer-depends');
    await confirm(straw, m.id);
    expect(await seconded(first, m)).toBe('meets-the-rule');
    await expect(confirmAtTheMachine(t.db, 'nobody', t.clock.now)).rejects.toThrow('nobody signs in as');
  });
});

test('what was set stands on the person’s page and in the list of all, newest first, with who did it; and in the record', async () => {
  const m = await madeBy(first);
  await call(t, 'PATCH', `/people/${m.id}`, first, { name: 'Renamed' });
  await call(t, 'PATCH', `/people/${m.id}`, other, { roles: ['assessor'] });
  await newPassword(other, m.id);
  const page = (await call(t, 'GET', `/people/${m.id}`, first)).body as unknown as {
    settings: { what: string; by_name: string; roles: string[] | null }[];
    depends_on: { id: string }[];
  };
  expect(page.settings.map((s) => s.what)).toEqual(['password', 'roles', 'renamed', 'own-password', 'made']);
  expect(page.settings[1]!.roles).toEqual(['assessor']);
  expect(new Set(page.depends_on.map((d) => d.id))).toEqual(new Set([first.id, other.id]));
  const found: string[] = [];
  let cursor = '';
  do {
    const a = await call(t, 'GET', `/credentials?limit=3${cursor}`, first);
    const items = a.body['items'] as { id: string; person: string }[];
    found.push(...items.map((i) => i.id));
    cursor = a.body['next'] === null ? '' : `&cursor=${a.body['next'] as string}`;
  } while (cursor !== '');
  expect(new Set(found).size).toBe(found.length);
  expect(found.length).toBeGreaterThan(20);
  await confirmAtTheMachine(t.db, m.handle, t.clock.now);
  const [{ n }] = (
    await t.db.query("SELECT COUNT(*) AS n FROM entries WHERE organisation = ? AND kind = 'rows' AND recorded_by = ?", [
      org,
      PROGRAM,
    ])
  )[0] as unknown as [{ n: number }];
  expect(n).toBeGreaterThan(0);
});
