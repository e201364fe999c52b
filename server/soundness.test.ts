/** How it was made to fail once, each by itself. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { connect } from 'node:net';
import { keyed } from './testing/keyed';
import { Shows, type ShowState } from './shows';
import { settingsFrom } from './settings';
import { call, checkBody, member, organisation, PASSWORD, testbed, type Member, type Testbed } from './testing/harness';

let t: Testbed;
let org: string;
let rope: string;
let me: Member;
let tier: Member;
beforeAll(async () => {
  t = await testbed('sound');
  ({ id: org, rope } = await organisation(t, 'Loft'));
  me = await member(t, org, ['instructor', 'inspector']);
  tier = await member(t, org, ['owner']);
});
afterAll(() => t.close());

const post = (path: string, body: object, as = me) => call(t, 'POST', path, as, body);
const errorAt = async (path: string, body: object) => {
  const a = await post(path, body);
  return [a.status, a.body.errors?.[0]?.path];
};

describe('an id stands for one thing', () => {
  test('of whatever kind: a walked round, a rope or a job under the id of a check is refused, and nothing is shown of it', async () => {
    const check = checkBody({ tier: tier.id, rope });
    expect((await post('/checks', check)).status).toBe(200);
    const round = randomUUID();
    await post('/rounds', { id: round, name: 'G', stops: [{ place: 'x', knot: 'clove-hitch', rope }] });
    for (const [path, body] of [
      ['/round-walks', { id: check.id, round }],
      ['/ropes', { id: check.id, tag: 'R-9', kind: 'dynamic', diameter_mm: 10 }],
      ['/rounds', { id: check.id, name: 'G', stops: [{ place: 'x', knot: 'clove-hitch', rope }] }],
      ['/people', { id: check.id, name: 'N', handle: 'n-n', password: PASSWORD, roles: ['learner'] }],
      ['/incidents', { id: rope, happened_at: '2026-05-14T09:00:00.000Z', words: 'w', tied_knots: [], ropes: [] }],
    ] as const) {
      const a = await post(path, body);
      expect([path, a.status, a.body.code]).toEqual([
        path,
        path === '/ropes' ? 400 : 409,
        path === '/ropes' ? 'bad-input' : 'id-taken',
      ]);
    }
    expect((await call(t, 'GET', `/round-walks/${check.id}`, me)).status).toBe(404);
    expect((await call(t, 'GET', `/checks/${check.id}`, me)).status).toBe(200);
  });
  test('a check that names its own id as that of its knot is refused', async () => {
    const check = checkBody({ tier: tier.id, rope });
    const a = await post('/checks', { ...check, tied_knot: { ...check.tied_knot, id: check.id } });
    expect([a.status, a.body.code]).toEqual([409, 'id-taken']);
    expect((await call(t, 'GET', `/checks/${check.id}`, me)).status).toBe(404);
  });
  test('the same new thing six times at once is one thing, six times answered', async () => {
    const tied = checkBody({ tier: tier.id, rope }).tied_knot;
    const person = { id: randomUUID(), name: 'Once', handle: 'once', password: PASSWORD, roles: ['learner'] };
    const thing = { id: randomUUID(), tag: 'SIX', kind: 'dynamic', diameter_mm: 10 };
    const sign = { id: randomUUID(), knot: 'bowline', may: 'tie', given: true };
    for (const [path, body] of [
      ['/tied-knots', tied],
      ['/people', person],
      ['/ropes', thing],
      [`/people/${tier.id}/sign-offs`, sign],
    ] as const) {
      const all = await Promise.all(Array.from({ length: 6 }, () => post(path, body)));
      expect([path, all.map((a) => a.status)]).toEqual([path, Array(6).fill(200)]);
    }
    // the same person with other roles is not silently the old one
    expect((await post('/people', { ...person, roles: ['instructor'] })).body.code).toBe('id-taken');
  });
  test('one set-up link used four times at once makes one organisation', async () => {
    const empty = await testbed('four', { settings: { setupToken: 'a-one-time-token' } });
    const all = await Promise.all(
      ['a', 'b', 'c', 'd'].map((n) =>
        call(empty, 'POST', '/setup', null, {
          token: 'a-one-time-token',
          organisation: `Own ${n}`,
          name: 'First',
          handle: `first-${n}`,
          password: PASSWORD,
        }),
      ),
    );
    expect(all.map((a) => a.status).sort()).toEqual([200, 404, 404, 404]);
    await empty.close();
  });
});

describe('what is typed', () => {
  const named = (name: string) => ({
    id: randomUUID(),
    name,
    handle: `h${randomUUID().slice(0, 8)}`,
    password: PASSWORD,
    roles: ['learner'],
  });
  test.each([
    ['nothing to be seen', '\u2800'],
    ['letters that are longer once they are spelled as one', '\ufb2c'.repeat(100)],
    ['a filler', '\u3164\u3164'],
    ['blanks that join', '\u200b\u200d'],
    ['marks that turn the direction', 'Tove\u202evotkcer'],
    ['a NUL', 'To\u0000ve'],
    ['half a sign', 'Tove \ud800'],
  ])('a name of %s is refused', async (_what, name) => {
    expect(await errorAt('/people', named(name))).toEqual([400, 'name']);
  });
  test('a name in any script is taken, and one letter in two spellings is one', async () => {
    for (const name of ['Þóra Bjarkar', '山田', 'עדי', 'Ève'])
      expect((await post('/people', named(name))).status).toBe(200);
    const made = (await post('/people', named('E\u0300ve'))).body['name'];
    expect(made).toBe('\u00c8ve');
  });
  test('notes of what happens to a knot, and of trials, hold no NUL and no half signs', async () => {
    const check = checkBody({ tier: tier.id, rope });
    await post('/checks', check);
    const path = `/tied-knots/${check.tied_knot.id}/events`;
    for (const note of ['a\u0000b', 'a\ud800b'])
      expect(await errorAt(path, { id: randomUUID(), kind: 'moved', note })).toEqual([400, 'note']);
    const trial = { id: randomUUID(), knot: 'bowline', device: 'ring', rope_diameter_mm: 10, result: 'stuck' };
    expect(await errorAt('/passing-trials', { ...trial, note: '\u0000' })).toEqual([400, 'note']);
  });
  test('a password of blanks is none; nor is a day to come one on which a rope was taken into service', async () => {
    expect(await errorAt('/people', { ...named('N'), password: '          ' })).toEqual([400, 'password']);
    const thing = { id: randomUUID(), tag: 'T-1', kind: 'dynamic', diameter_mm: 10, in_service_since: '2099-01-01' };
    expect(await errorAt('/ropes', thing)).toEqual([400, 'in_service_since']);
    const csv = 'tag,kind,diameter_mm,in_service_since\nT-2,dynamic,10,2099-01-01\n';
    const read = await post('/imports', { id: randomUUID(), what: 'ropes', csv, commit: true });
    expect(read.body).toMatchObject({ read_in: false, rows: [{ errors: [{ column: 'in_service_since' }] }] });
  });
  test('a look of more than a year ago is not signed now; one ahead says both clocks, and blames neither', async () => {
    const at = (seen_at: string, tied_at = seen_at) => {
      const b = checkBody({ tier: tier.id, rope, at: tied_at });
      return { ...b, seen_at };
    };
    expect(await errorAt('/checks', at('2000-01-01T00:00:00.000Z'))).toEqual([400, 'seen_at']);
    const ahead = await post('/checks', at('2026-05-14T11:00:00.000Z', '2026-05-14T09:00:00.000Z'));
    expect(ahead.body.errors![0]!.message).toBe(
      'lies in the future: it says 2026-05-14T11:00, the server’s clock 2026-05-14T10:00 (UTC). One of the two clocks is wrong',
    );
  });
});

describe('a file that is read in', () => {
  test('tags that the database holds equal are named in the preview, in the file and in the store', async () => {
    const head = 'tag,kind,diameter_mm\n';
    const rows = ['Straße', 'STRASSE', 'Ève', 'E\u0300ve'].map((x) => `${x},dynamic,10`).join('\n');
    const both = await post('/imports', { id: randomUUID(), what: 'ropes', csv: `${head}${rows}\n`, commit: true });
    expect(both.body['read_in']).toBe(false);
    const wrong = (both.body['rows'] as { errors: { message: string }[] }[]).map((r) => r.errors[0]?.message ?? null);
    expect(wrong).toEqual([null, 'stands in row 2 already', null, 'stands in row 4 already']);
    const one = (tag: string) =>
      post('/imports', { id: randomUUID(), what: 'ropes', csv: `${head}${tag},dynamic,10\n`, commit: true });
    expect((await one('Groß')).body['read_in']).toBe(true);
    expect((await one('GROSS')).body).toMatchObject({ read_in: false, rows: [{ errors: [{ column: 'tag' }] }] });
  });
  test('whose answer with the first passwords was lost is sent again: who has not come in yet gets a new one', async () => {
    const csv = 'name,handle,roles\nAnse,anse-x,learner\nBrid,brid-x,learner\n';
    const body = { id: randomUUID(), what: 'people', csv, commit: true };
    type Told = { first_passwords: { handle: string; password: string }[] };
    const first = (await post('/imports', body)).body as unknown as Told;
    const [anse] = first.first_passwords;
    const cookie = (await call(t, 'POST', '/session', null, anse!)).headers['set-cookie'];
    const m = { id: '', organisation: org, cookie: String(cookie).split(';')[0]! };
    await post('/people/me/password', { password: anse!.password, new_password: 'chosen by oneself' }, m);
    const again = (await post('/imports', body)).body as unknown as Told;
    expect(again.first_passwords.map((p) => p.handle)).toEqual(['brid-x']);
    expect((await call(t, 'POST', '/session', null, again.first_passwords[0]!)).status).toBe(200);
    expect((await call(t, 'POST', '/session', null, first.first_passwords[1]!)).status).toBe(401);
  });
});

describe('the door', () => {
  const setup = async (settings: object, headers: Record<string, string>) => {
    const other = await testbed('door', { settings });
    const { id } = await organisation(other, 'Loft');
    const person = await member(other, id, ['instructor']);
    const [row] = (await other.db.query('SELECT handle FROM people WHERE id = ?', [person.id]))[0] as unknown as [
      { handle: string },
    ];
    const a = await call(other, 'POST', '/session', null, { handle: row.handle, password: PASSWORD }, headers);
    const cookie = String(a.headers['set-cookie']);
    return { other, cookie };
  };
  test('the cookie is for https alone where the address is', async () => {
    for (const [settings, headers, secure] of [
      [{ publicUrl: 'https://loft.example' }, {}, true],
      [{ publicUrl: 'http://loft.example' }, {}, false],
      [{}, {}, false],
      [{ proxies: ['127.0.0.1'] }, { 'x-forwarded-proto': 'https' }, true],
      [{}, { 'x-forwarded-proto': 'https' }, false],
    ] as const) {
      const { other, cookie } = await setup(settings, headers);
      expect([settings, /; Secure/i.test(cookie)]).toEqual([settings, secure]);
      await other.close();
    }
  });
  test('behind a proxy each has an address of their own; nobody else’s word on it counts', async () => {
    const tries = async (settings: object, header: string) => {
      const other = await testbed('proxied', { settings });
      const wrong = (from: string) =>
        call(other, 'POST', '/session', null, { handle: 'nobody', password: 'x' }, { [header]: from });
      for (let i = 0; i < 8; i++) await wrong('10.0.0.1');
      const codes = [(await wrong('10.0.0.1')).body.code, (await wrong('10.0.0.2')).body.code];
      await other.close();
      return codes;
    };
    expect(await tries({ proxies: ['127.0.0.1'] }, 'x-forwarded-for')).toEqual(['too-many-tries', 'wrong-password']);
    expect(await tries({ proxies: ['127.0.0.1'], clientHeader: 'x-client' }, 'x-client')).toEqual([
      'too-many-tries',
      'wrong-password',
    ]);
    expect(await tries({}, 'x-forwarded-for')).toEqual(['too-many-tries', 'too-many-tries']);
    expect(settingsFrom({ IDIOM_DATABASE_URL: 'x', IDIOM_PROXIES: '10.0.0.1, 10.0.0.2' }).proxies).toEqual([
      '10.0.0.1',
      '10.0.0.2',
    ]);
  });
  test.each(['a b', '[::1', '%00'])(
    'a host of %j with an origin is refused, not a fault of the program',
    async (host) => {
      const a = await t.app.inject({
        method: 'POST',
        url: '/api/v1/tail',
        headers: { host, origin: 'http://localhost', 'content-type': 'application/json' },
        payload: '{}',
      });
      expect([host, a.statusCode]).toEqual([host, 403]);
    },
  );
  test.each(['constructor', 'toString', '__proto__', 'hasOwnProperty'])(
    '%s is no way, form, fault, variant or rule set',
    async (word) => {
      for (const path of [
        `/knots/${word}`,
        `/knots/bowline/ways/${word}`,
        `/knots/bowline/ways/${word}/frame.svg?frame=0`,
        `/knots/bowline/card.pdf?way=${word}`,
        `/knots/bowline/card.pdf?profile=${word}`,
        `/knots/bowline/shape?fault=${word}`,
        `/knots/bowline/shape?variant=${word}`,
        `/knots/bowline/picture.svg?fit=${word}`,
        `/knots/bowline/touched?fault=${word}`,
        `/knots/bowline/walk?profile=${word}`,
      ])
        expect([path, [400, 404].includes((await call(t, 'GET', path)).status)]).toEqual([path, true]);
      const show = {
        knot: 'bowline',
        way: word,
        at_keyFrames: 0,
        then: null,
        hand: 'right',
        face: 'front',
        ghost: false,
        hands: true,
      };
      expect((await post('/shows', show)).status).toBe(404);
    },
  );
  test('what nobody said may be kept is not', async () => {
    for (const path of ['/session', '/today', '/people', '/health'])
      expect([path, (await call(t, 'GET', path, me)).headers['cache-control']]).toEqual([path, 'no-store']);
    expect(String((await call(t, 'GET', '/knots/bowline/shape')).headers['cache-control'])).toContain('max-age');
  });
  test('a right PIN for a check that is not there tells nothing: no PIN is tried', async () => {
    await post('/people/me/pin', { password: PASSWORD, pin: '8842' }, tier);
    const sign = (pin: string) =>
      post(`/checks/${randomUUID()}/signatures`, {
        id: randomUUID(),
        agrees: true,
        note: '',
        signer: { person: tier.id, pin },
      });
    expect([(await sign('8842')).body.code, (await sign('1397')).body.code]).toEqual(['not-found', 'not-found']);
    const page = (await call(t, 'GET', `/people/${tier.id}`, me)).body;
    expect(page['wrong_pins']).toEqual([]);
  });
  test('a request whose headers never end, or that never comes, is ended', async () => {
    const address = await t.app.listen({ port: 0, host: '127.0.0.1' });
    expect([t.app.server.requestTimeout, t.app.server.headersTimeout, t.app.server.maxConnections]).toEqual([
      20_000, 10_000, 4000,
    ]);
    t.app.server.headersTimeout = 300;
    const socket = connect(Number(new URL(address).port), '127.0.0.1');
    socket.write('POST /api/v1/tail HTTP/1.1\r\nhost: x\r\n');
    const said = await new Promise<string>((done) => {
      let all = '';
      socket.on('data', (d) => (all += String(d)));
      socket.on('close', () => done(all));
    });
    expect(said).toMatch(/^HTTP\/1\.1 408/);
  });
});

describe('shows', () => {
  const state: ShowState = {
    knot: 'bowline',
    way: 'rabbit',
    at_keyFrames: 0,
    then: null,
    hand: 'right',
    face: 'front',
    ghost: false,
    hands: true,
  };
  test('who opens many closes their own, nobody else’s', () => {
    const shows = new Shows(() => new Date(0));
    const { code } = shows.begin('teacher', state);
    const own = Array.from({ length: 300 }, () => shows.begin('stranger', state).code);
    expect(shows.follow(code, () => undefined)).not.toBeNull();
    expect(own.filter((c) => shows.follow(c, () => undefined, keyed(c)) !== null)).toEqual(own.slice(-3));
  });
  test('codes are not guessed: after twenty wrong ones of an address none is taken for ten minutes', () => {
    let now = 0;
    const shows = new Shows(() => new Date(now));
    const { code } = shows.begin('teacher', state);
    const wrong = (n: number) => shows.follow(String(Number(code) === n ? 999_999 : n), () => undefined, 'guesser');
    for (let i = 0; i < 20; i++) expect(wrong(100_000 + i)).toBeNull();
    expect(() => shows.follow(code, () => undefined, 'guesser')).toThrow(/^Wait 600 s/);
    expect(shows.follow(code, () => undefined, 'another')).not.toBeNull();
    now = 600_001;
    expect(shows.follow(code, () => undefined, 'guesser')).not.toBeNull();
  });
});
