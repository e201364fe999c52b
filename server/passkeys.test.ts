/** Passkeys: who holds the device signs in; nothing else does. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { rows } from './database';
import { Authenticator, type Says } from './testing/authenticator';
import {
  call,
  member,
  organisation,
  PASSWORD,
  testbed,
  type Answer,
  type Member,
  type Testbed,
} from './testing/harness';

const HOST = { host: 'loft.example:8080' };
const ORIGIN = 'http://loft.example:8080';

let t: Testbed;
let org: string;
let instructor: Member;
beforeAll(async () => {
  t = await testbed('passkeys');
  ({ id: org } = await organisation(t, 'Loft'));
  instructor = await member(t, org, ['instructor']);
});
afterAll(() => t.close());

interface Begun {
  readonly ceremony: string;
  readonly options: Record<string, unknown>;
}
const begun = (a: Answer): Begun => a.body as unknown as Begun;
const post = (path: string, as: Member | null, body?: object, headers: Record<string, string> = HOST) =>
  call(t, 'POST', path, as, body, headers);
const beginMaking = async (as: Member) => begun(await post('/people/me/passkeys/begin', as, { password: PASSWORD }));

/** Makes a passkey, as a device would. */
async function make(as: Member, device: Authenticator, says: Says = {}, name = 'My telephone'): Promise<Answer> {
  const { ceremony, options } = await beginMaking(as);
  return post('/people/me/passkeys', as, { ceremony, name, made: device.make(options, says) });
}
async function signIn(device: Authenticator, says: Says = {}, headers = HOST): Promise<Answer> {
  const { ceremony, options } = begun(await post('/session/passkey/begin', null, undefined, headers));
  return post('/session/passkey', null, { ceremony, used: device.use(options, says) }, headers);
}
async function withPasskey(counts = true): Promise<{ readonly who: Member; readonly device: Authenticator }> {
  const who = await member(t, org, ['owner']);
  const device = new Authenticator(ORIGIN, counts);
  expect((await make(who, device)).status).toBe(200);
  return { who, device };
}
const refused = (a: Answer) => [a.status, a.body.code];
const REFUSED = [401, 'passkey-refused'];

describe('a passkey', () => {
  test('is made with the password, signs in, is an entry, and shows to the person and to instructors alone', async () => {
    const { who, device } = await withPasskey();
    const a = await signIn(device);
    expect([a.status, (a.body['person'] as { id: string }).id]).toEqual([200, who.id]);
    const cookie = String(a.headers['set-cookie']).split(';')[0]!;
    expect((await call(t, 'GET', '/people/me/passkeys', { ...who, cookie })).body).toMatchObject([
      { name: 'My telephone', made_at: t.clock.now.toISOString() },
    ]);
    const seenBy = async (as: Member) => (await call(t, 'GET', `/people/${who.id}`, as)).body;
    expect((await seenBy(instructor))['passkeys']).toHaveLength(1);
    expect((await seenBy(instructor))['settings']).toMatchObject([{ what: 'own-passkey' }]);
    expect((await seenBy(await member(t, org, ['owner'])))['passkeys']).toEqual([]);
  });
  test('is not begun without the right password', async () => {
    const who = await member(t, org, ['owner']);
    expect(refused(await post('/people/me/passkeys/begin', who, { password: 'another-password' }))).toEqual([
      401,
      'wrong-password',
    ]);
  });
  test('that is removed opens nothing, the others do; nobody else can remove it', async () => {
    const { who, device } = await withPasskey();
    const second = new Authenticator(ORIGIN);
    const listed = (await make(who, second, {}, 'My key')).body as unknown as { id: string; name: string }[];
    const id = listed.find((p) => p.name === 'My telephone')!.id;
    expect((await call(t, 'DELETE', `/people/me/passkeys/${id}`, instructor)).status).toBe(404);
    expect((await call(t, 'DELETE', `/people/me/passkeys/${id}`, who)).body).toMatchObject([{ name: 'My key' }]);
    expect(refused(await signIn(device))).toEqual(REFUSED);
    expect((await signIn(second)).status).toBe(200);
  });
  test('goes with a new first password that somebody gives: who lost it, or was taken over, begins anew', async () => {
    const { who, device } = await withPasskey();
    const page = await call(t, 'PATCH', `/people/${who.id}`, instructor, { password: 'a-given-password' });
    expect([page.status, page.body['passkeys']]).toEqual([200, []]);
    expect(page.body['settings']).toMatchObject([{ what: 'passkey-removed' }, { what: 'password' }, {}]);
    expect(refused(await signIn(device))).toEqual(REFUSED);
  });
  test('does not make its owner somebody of their own: who depended on another does so still', async () => {
    const id = randomUUID();
    const person = { id, name: 'Made', handle: 'made-up', password: PASSWORD, roles: ['owner'] };
    await call(t, 'POST', '/people', instructor, person);
    const a = await call(t, 'POST', '/session', null, { handle: 'made-up', password: PASSWORD });
    const made: Member = { id, organisation: org, cookie: String(a.headers['set-cookie']).split(';')[0]! };
    // a first password is changed before anything else
    expect(refused(await post('/people/me/passkeys/begin', made, { password: PASSWORD }))).toEqual([
      403,
      'first-password',
    ]);
    await call(t, 'POST', '/people/me/password', made, { password: PASSWORD, new_password: 'a-password-of-mine' });
    const { ceremony, options } = begun(
      await post('/people/me/passkeys/begin', made, { password: 'a-password-of-mine' }),
    );
    const device = new Authenticator(ORIGIN);
    const kept = await post('/people/me/passkeys', made, { ceremony, name: 'x', made: device.make(options) });
    expect(kept.status).toBe(200);
    expect((await call(t, 'GET', `/people/${id}`, instructor)).body['depends_on']).toMatchObject([
      { id: instructor.id },
    ]);
  });
});

describe('refused is', () => {
  test.each<[string, Says]>([
    ['what was said on a page of another address', { origin: 'http://elsewhere.example' }],
    ['what was made for another address', { rpId: 'elsewhere.example' }],
    ['a device that did not make sure who holds it', { verified: false }],
  ])('%s, when it is made and when it is used', async (_, says) => {
    expect(refused(await make(await member(t, org, ['owner']), new Authenticator(ORIGIN), says))).toEqual(REFUSED);
    const { device } = await withPasskey();
    expect(refused(await signIn(device, says))).toEqual(REFUSED);
    expect((await signIn(device)).status).toBe(200);
  });
  test('one made here, reached by another name', async () => {
    const { device } = await withPasskey();
    const there = { host: 'hut.example' };
    expect(refused(await signIn(device, { origin: 'http://hut.example' }, there))).toEqual(REFUSED);
  });
  test('an answer sent twice, and one that came too late, of a device that does not count', async () => {
    const { device } = await withPasskey(false);
    const { ceremony, options } = begun(await post('/session/passkey/begin', null));
    const body = { ceremony, used: device.use(options) };
    expect((await post('/session/passkey', null, body)).status).toBe(200);
    expect(refused(await post('/session/passkey', null, body))).toEqual(REFUSED);

    const late = begun(await post('/session/passkey/begin', null));
    const then = t.clock.now;
    t.clock.now = new Date(then.getTime() + 6 * 60_000);
    expect(
      refused(await post('/session/passkey', null, { ceremony: late.ceremony, used: device.use(late.options) })),
    ).toEqual(REFUSED);
    t.clock.now = then;
  });
  test('a copy of a device, which has counted less', async () => {
    const { device } = await withPasskey();
    for (let i = 0; i < 3; i++) expect((await signIn(device)).status).toBe(200);
    device.counter = 1;
    expect(refused(await signIn(device))).toEqual(REFUSED);
  });
  test('a signature by another key under the same id, and an id that nobody has', async () => {
    const { device } = await withPasskey();
    const forged = new Authenticator(ORIGIN);
    const { ceremony, options } = begun(await post('/session/passkey/begin', null));
    const used = { ...forged.use(options), id: device.id.toString('base64url') };
    expect(refused(await post('/session/passkey', null, { ceremony, used }))).toEqual(REFUSED);
    expect(refused(await signIn(forged))).toEqual(REFUSED);
  });
  test('what one began and another ends, and a device’s key that somebody has already', async () => {
    const { who, device } = await withPasskey();
    const other = await member(t, org, ['owner']);
    const { ceremony, options } = await beginMaking(who);
    const made = new Authenticator(ORIGIN).make(options);
    expect(refused(await post('/people/me/passkeys', other, { ceremony, name: 'x', made }))).toEqual(REFUSED);
    expect(refused(await make(other, device))).toEqual(REFUSED);
    expect((await signIn(device)).body['person']).toMatchObject({ id: who.id });
  });
  test.each(['', 'AAAA', 'not base64!', 'x'.repeat(20_000)])('nonsense for bytes (%#)', async (bytes) => {
    const { device } = await withPasskey();
    const { ceremony, options } = begun(await post('/session/passkey/begin', null));
    const used = device.use(options);
    for (const part of Object.keys(used) as (keyof typeof used)[]) {
      const a = await post('/session/passkey', null, { ceremony, used: { ...used, [part]: bytes } });
      expect([400, 401]).toContain(a.status);
    }
  });
  test('one whose own bytes are longer than any device makes them, and ways of reaching it that are none', async () => {
    const who = await member(t, org, ['owner']);
    expect((await make(who, new Authenticator(ORIGIN, true, 1024))).status).toBe(400);
    const first = await beginMaking(who);
    const long = { ...new Authenticator(ORIGIN, true, 1024).make(first.options), id: 'AAAA' };
    expect(
      refused(await post('/people/me/passkeys', who, { ceremony: first.ceremony, name: 'x', made: long })),
    ).toEqual(REFUSED);
    expect((await make(who, new Authenticator(ORIGIN, true, 1023))).status).toBe(200);
    const { ceremony, options } = await beginMaking(who);
    const made = new Authenticator(ORIGIN).make(options);
    const longest = ['aaaaaaaaaaaaaaa', 'b', 'c', 'd', 'e', 'f'];
    const body = (transports: string[]) => ({ ceremony, name: 'x', made: { ...made, transports } });
    expect((await post('/people/me/passkeys', who, body([...longest, 'g']))).status).toBe(400);
    expect((await post('/people/me/passkeys', who, body(longest.map(() => longest[0]!)))).status).toBe(200);
  });
  test('more than are counted of one address: after them even the right one waits', async () => {
    const { device } = await withPasskey();
    const { device: other } = await withPasskey();
    for (let i = 0; i < 8; i++) expect((await signIn(device, { verified: false })).status).toBe(401);
    expect(refused(await signIn(device))).toEqual([429, 'too-many-tries']);
    expect((await signIn(other)).status).toBe(200);
  });
});

test('a passkey whose key was exchanged in the database is found by verify', async () => {
  const { verifyOrganisation } = await import('./verify');
  const { who } = await withPasskey();
  const [row] = await rows<{ id: string; public_key: Buffer }>(
    t.db,
    'SELECT id, public_key FROM passkeys WHERE person = ?',
    [who.id],
  );
  await t.db.query('UPDATE passkeys SET public_key = ? WHERE id = ?', [Buffer.from('other'), row!.id]);
  expect((await verifyOrganisation(t.db, org)).faults.join()).toContain('passkeys');
  await t.db.query('UPDATE passkeys SET public_key = ? WHERE id = ?', [row!.public_key, row!.id]);
});
