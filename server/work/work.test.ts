import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { build } from 'esbuild';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { IdiomError } from '../../core/errors';
import { knotIds } from '../../core/knots/catalogue/catalogue';
import { call, member, organisation, testbed, type Member, type Testbed } from '../testing/harness';
import { usedBy_s } from './busy';
import { KeptAnswers } from './kept';
import { Shared } from './shared';
import { Work, type Asker } from './work';

const SPINNING = join(import.meta.dirname, '../testing/spinning.mjs');
const code = (p: Promise<unknown>): Promise<string> =>
  p.then(
    (v) => `gave ${String(v)}`,
    (e: unknown) => (e instanceof IdiomError ? e.code : (e as Error).message),
  );
const who = (key: string, change: Partial<Asker> = {}): Asker => ({ key, signedIn: true, ...change });

describe('a thread of its own', () => {
  let work: Work;
  beforeAll(() => {
    work = new Work({ file: SPINNING, threads: 1 });
  });
  afterAll(() => work.close());
  const spin = (asker: Asker, spin_ms: number, limit_s?: number) =>
    code(work.run('way', { spin_ms, answer: 'done' } as never, asker, limit_s === undefined ? {} : { limit_s }));

  test('answers, refuses and fails as what it runs does', async () => {
    expect(await spin(who('a'), 1)).toBe('gave done');
    expect(await code(work.run('way', { refuse: 'why' } as never, who('a')))).toBe('bad-code');
    expect(await code(work.run('way', { fail: 'broken' } as never, who('a')))).toBe('broken');
  });
  test('what is longer than its limit is ended, and the thread serves the next', async () => {
    expect(await spin(who('a'), 60_000, 0.3)).toBe('took-too-long');
    expect(await spin(who('a'), 1)).toBe('gave done');
  });
  test('who hangs up ends it, waiting or running', async () => {
    const [running, waiting] = [new AbortController(), new AbortController()];
    const first = spin(who('a', { gone: running.signal }), 60_000, 100);
    const second = spin(who('b', { gone: waiting.signal }), 60_000, 100);
    waiting.abort();
    expect(await second).toBe('gone');
    running.abort();
    expect(await first).toBe('gone');
    expect(await code(work.run('way', { spin_ms: 1, answer: 'x' } as never, who('a', { gone: running.signal })))).toBe(
      'gone',
    );
    expect(await spin(who('a'), 1)).toBe('gave done');
  });
  test('one asker has so much at once, without sign-in less, all together a bound; then it is said when to come again', async () => {
    const end = new AbortController();
    const many = (key: string, n: number, signedIn: boolean) =>
      Array.from({ length: n }, () => spin(who(key, { signedIn, gone: end.signal }), 60_000, 100));
    const one = many('one', 5, true);
    const open = many('address', 3, false);
    expect(await one[4]).toBe('busy-computing');
    expect(await open[2]).toBe('busy-computing');
    const rest = Array.from({ length: 14 }, (_, i) => many(`p${i}`, 2, false)).flat();
    // 4 and 2 are in, 26 more fit
    expect(await rest[26]).toBe('busy-computing');
    const refused = work.run('way', {} as never, who('another'));
    await expect(refused).rejects.toMatchObject({
      code: 'busy-computing',
      values: { seconds: expect.any(Number) as unknown },
    });
    end.abort();
    expect(new Set(await Promise.all([...one.slice(0, 4), ...open.slice(0, 2), ...rest.slice(0, 26)]))).toEqual(
      new Set(['gone']),
    );
    expect(await spin(who('one'), 1)).toBe('gave done');
  });
});

test('a thread’s own time is what it used, not what passed', async () => {
  const shared = new Shared();
  const work = new Work({ file: SPINNING, threads: 1 });
  const running = work.run('way', { use_ms: 200, answer: 'x' } as never, who('a'), { shared });
  while (shared.get('thread') === 0) await new Promise((r) => setTimeout(r, 5));
  const thread = shared.get('thread');
  expect(usedBy_s(thread)).toBeGreaterThanOrEqual(0);
  await running;
  const used = usedBy_s(thread)!;
  expect(used).toBeGreaterThanOrEqual(0.2);
  await work.run('way', { sleep_ms: 600, answer: 'x' } as never, who('a'));
  expect(usedBy_s(thread)! - used).toBeLessThan(0.3);
  expect(usedBy_s(1)).toBeNull();
  await work.close();
});

describe('what is the same for everybody', () => {
  test('is computed once, for however many at once; what failed is asked anew', async () => {
    const kept = new KeptAnswers(1000);
    let made = 0;
    const make = async () => {
      made++;
      await Promise.resolve();
      if (made === 1) throw new Error('once');
      return Buffer.from('x');
    };
    await expect(kept.get('k', make)).rejects.toThrow('once');
    const all = await Promise.all(Array.from({ length: 5 }, () => kept.get('k', make)));
    expect([made, new Set(all).size]).toEqual([2, 1]);
  });
  test('stays up to a size; what was asked for last stays longest', async () => {
    const kept = new KeptAnswers(250);
    const made: string[] = [];
    const get = (k: string) =>
      kept.get(k, () => {
        made.push(k);
        return Promise.resolve(Buffer.alloc(100));
      });
    for (const k of ['a', 'b', 'a', 'c', 'a', 'b']) await get(k);
    expect(made).toEqual(['a', 'b', 'c', 'b']);
  });
});

describe('longer work', () => {
  let t: Testbed;
  let me: Member;
  let other: Member;
  beforeAll(async () => {
    const workFile = join(import.meta.dirname, '../../node_modules/.cache/idiom/worker-of-tests.mjs');
    await build({
      entryPoints: [join(import.meta.dirname, 'worker.ts')],
      outfile: workFile,
      bundle: true,
      platform: 'node',
      format: 'esm',
      packages: 'external',
    });
    t = await testbed('longer', { settings: { workFile } });
    const { id } = await organisation(t, 'Loft');
    me = await member(t, id, ['instructor']);
    other = await member(t, id, ['instructor']);
  });
  afterAll(async () => {
    await t.close();
  });
  const booklet = (n: number, as: Member | null, headers = {}) =>
    call(t, 'GET', `/cards.pdf?knots=${knotIds().slice(0, n).join(',')}`, as, undefined, headers);
  const look = async (address: string, as = me) => (await call(t, 'GET', address, as)).body;

  test('is for who has signed in: it has an address, says how far it is, and its result is fetched by them alone', async () => {
    expect((await booklet(9, null)).body.code).toBe('longer-work');
    expect((await booklet(2, null)).headers['content-type']).toBe('application/pdf');
    const begun = await booklet(12, me);
    expect([begun.status, begun.headers['location']]).toEqual([202, `/api/v1/work/${begun.body['id'] as string}`]);
    expect(begun.body).toMatchObject({ state: 'running', of: 12, result: null });
    const address = String(begun.headers['location']);
    expect((await call(t, 'GET', `${address}/result`, me)).status).toBe(404);
    const seen: number[] = [];
    for (let s = await look(address); s['state'] === 'running'; s = await look(address)) {
      seen.push(s['done'] as number);
      await new Promise((r) => setTimeout(r, 50));
    }
    expect(seen).toEqual([...seen].sort((a, b) => a - b));
    const done = await look(address);
    expect(done).toMatchObject({ state: 'done', done: 12, of: 12, result: `${address}/result` });
    const file = await call(t, 'GET', `${address}/result`, me);
    expect([file.status, file.text.startsWith('%PDF')]).toEqual([200, true]);
    for (const path of [address, `${address}/result`]) expect((await call(t, 'GET', path, other)).status).toBe(404);
    expect((await call(t, 'DELETE', address, other)).status).toBe(404);
  });
  test('a browser is led to the page that follows it', async () => {
    const a = await booklet(9, me, { accept: 'text/html' });
    expect([a.status, a.headers['location']]).toEqual([303, expect.stringMatching(/^\/work\/[0-9a-f-]{36}$/)]);
    await call(t, 'DELETE', `/api/v1${String(a.headers['location'])}`, me);
  });
  test('is stopped; then there is no result, and room for other work', async () => {
    const begun = await booklet(40, me);
    const address = String(begun.headers['location']);
    expect((await call(t, 'DELETE', address, me)).body['state']).toBe('stopped');
    expect((await look(address))['state']).toBe('stopped');
    expect((await call(t, 'GET', `${address}/result`, me)).status).toBe(404);
    const three = await Promise.all([booklet(9, other), booklet(9, other), booklet(9, other)]);
    expect(three.map((a) => a.status)).toEqual([202, 202, 202]);
    const fourth = await booklet(9, other);
    expect([fourth.status, fourth.body.code, Number(fourth.headers['retry-after']) > 0]).toEqual([
      503,
      'busy-computing',
      true,
    ]);
    for (const a of three) await call(t, 'DELETE', String(a.headers['location']), other);
  });
  test('a way is the same packed and unpacked, and computed once', async () => {
    const [way] = (await call(t, 'GET', '/knots/bowline')).body['ways'] as { id: string }[];
    const own = `/knots/bowline/ways/${way!.id}?between=1`;
    const plain = await call(t, 'GET', own);
    expect((plain.body['frames'] as unknown[]).length).toBeGreaterThan(10);
    const packed = await t.app.inject({ url: `/api/v1${own}`, headers: { 'accept-encoding': 'gzip' } });
    expect(packed.headers['content-encoding']).toBe('gzip');
    expect(JSON.parse(gunzipSync(packed.rawPayload).toString('utf8'))).toEqual(plain.body);
  });
});
