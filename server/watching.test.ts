/** What is told of the server, and how it stops. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import Fastify from 'fastify';
import { Writable } from 'node:stream';
import { call, member, organisation, PASSWORD, testbed, type Member, type Testbed } from './testing/harness';
import { errorSaid, loggerAs } from './watching';

let t: Testbed;
let me: Member;
beforeAll(async () => {
  t = await testbed('watching');
  me = await member(t, (await organisation(t, 'Loft')).id, ['instructor']);
});
afterAll(() => t.close());

describe('the log', () => {
  test('is a JSON object a line, each with the id that the answer carries; neither names, addresses nor what was sent stand in it', async () => {
    const lines: string[] = [];
    const stream = new Writable({
      write: (chunk, _encoding, done) => {
        lines.push(...String(chunk).trim().split('\n'));
        done();
      },
    });
    const app = Fastify({ logger: { ...loggerAs('info'), stream } });
    app.get('/people/:id', (request) => {
      request.log.error(
        { err: Object.assign(new Error("Duplicate entry 'tove'"), { code: 'ER_DUP_ENTRY', errno: 1062 }) },
        'internal',
      );
      return {};
    });
    await app.inject({
      url: '/people/tove-vannmark?password=secret',
      headers: { cookie: 'idiom_session=abc' },
      remoteAddress: '10.9.8.7',
    });
    await app.close();
    const objects = lines.map((l) => JSON.parse(l) as Record<string, Record<string, unknown>>);
    expect(objects.map((o) => o['msg'])).toEqual(['incoming request', 'internal', 'request completed']);
    expect(objects[0]!['req']).toMatchObject({ method: 'GET', route: '/people/:id' });
    expect(objects[1]!['err']).toMatchObject({ code: 'ER_DUP_ENTRY', errno: 1062 });
    for (const secret of ['tove', 'secret', 'abc', '10.9.8.7']) expect(lines.join('\n')).not.toContain(secret);
  });
  test('of an error of our own says what it says', () => {
    expect(errorSaid(new Error('no row x in y'))).toMatchObject({
      type: 'Error',
      message: 'no row x in y',
      code: undefined,
    });
  });
  test('each answer has its request’s id, another one every time', async () => {
    const ids = await Promise.all([1, 2, 3].map(async () => (await call(t, 'GET', '/live')).headers['x-request-id']));
    expect(new Set(ids).size).toBe(3);
  });
});

describe('figures', () => {
  const metrics = (remoteAddress: string, headers = {}) => t.app.inject({ url: '/metrics', remoteAddress, headers });
  test('are told on the machine itself: requests by route and status, work in hand, and nobody', async () => {
    await call(t, 'GET', `/people/${me.id}`, me);
    await call(t, 'POST', '/session', null, { handle: 'nobody-here', password: PASSWORD });
    const a = await metrics('127.0.0.1');
    expect(a.statusCode).toBe(200);
    expect(a.payload).toMatch(
      /idiom_request_seconds_count\{route="\/api\/v1\/people\/:id",method="GET",status="200"\} 1/,
    );
    expect(a.payload).toMatch(/idiom_work_in_hand 0/);
    expect(a.payload).toMatch(/idiom_nodejs_eventloop_lag_seconds/);
    expect(a.payload).not.toContain('nobody-here');
    expect(a.payload).not.toContain(me.id);
  });
  test('are not there for others, nor past a proxy', async () => {
    expect((await metrics('10.0.0.9')).statusCode).toBe(404);
    expect((await metrics('127.0.0.1', { 'x-forwarded-for': '10.0.0.9' })).statusCode).toBe(404);
  });
});

describe('stopping', () => {
  test('who is being answered is answered to the end; ready says no more, alive still', async () => {
    const other = await testbed('stopping');
    expect([(await call(other, 'GET', '/ready')).status, (await call(other, 'GET', '/live')).status]).toEqual([
      200, 200,
    ]);
    const address = await other.app.listen({ port: 0, host: '127.0.0.1' });
    // a screen that follows does not hold it up
    const teacher = await member(other, (await organisation(other, 'Loft')).id, ['instructor']);
    const show = {
      knot: 'bowline',
      way: 'x',
      at_keyFrames: 0,
      then: null,
      hand: 'right',
      face: 'front',
      ghost: false,
      hands: true,
    };
    const ways = (await call(other, 'GET', '/knots/bowline')).body['ways'] as { id: string }[];
    const opened = await call(other, 'POST', '/shows', teacher, { ...show, way: ways[0]!.id });
    const following = await fetch(`${address}/api/v1/shows/${String(opened.body['code'])}/events`);
    const reader = following.body!.getReader();
    await reader.read();
    const answered = fetch(`${address}/api/v1/knots/bowline/card.pdf`).then((r) => r.status);
    await new Promise((r) => setTimeout(r, 50));
    const closing = other.close();
    expect(await answered).toBe(200);
    expect((await reader.read()).done).toBe(true);
    await closing;
    await expect(fetch(`${address}/api/v1/live`)).rejects.toThrow();
  });
});
