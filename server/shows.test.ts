/** Showing on another screen: what is pushed arrives. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { AddressInfo } from 'node:net';
import { Shows, type ShowState } from './shows';
import { call, member, organisation, testbed, type Member, type Testbed } from './testing/harness';

let t: Testbed;
let teacher: Member, other: Member;
beforeAll(async () => {
  t = await testbed('shows');
  const { id } = await organisation(t, 'Loft');
  [teacher, other] = await Promise.all([member(t, id, ['instructor']), member(t, id, ['learner'])]);
});
afterAll(() => t.close());

const STATE: ShowState = {
  knot: 'bowline',
  way: 'loop',
  at_keyFrames: 3.5,
  then: null,
  hand: 'right',
  face: 'front',
  ghost: true,
  hands: true,
};

describe('another screen', () => {
  test('is told where it stands at once, and whenever it moves', async () => {
    await t.app.listen({ port: 0, host: '127.0.0.1' });
    const { port } = t.app.server.address() as AddressInfo;
    const { code } = (await call(t, 'POST', '/shows', teacher, STATE)).body as unknown as { code: string };
    expect(code).toMatch(/^\d{6}$/);
    const stop = new AbortController();
    const stream = await fetch(`http://127.0.0.1:${port}/api/v1/shows/${code}/events`, { signal: stop.signal });
    expect(stream.headers.get('content-type')).toContain('text/event-stream');
    const reader = stream.body!.getReader();
    const next = async () =>
      JSON.parse(/^data: (.*)$/m.exec(new TextDecoder().decode((await reader.read()).value))![1]!) as ShowState;
    expect(await next()).toEqual(STATE);
    expect(
      (await call(t, 'POST', `/shows/${code}`, teacher, { ...STATE, at_keyFrames: 7, face: 'back' })).body,
    ).toEqual({ screens: 1 });
    expect(await next()).toMatchObject({ at_keyFrames: 7, face: 'back' });
    // whoever else is signed in does not move it
    expect((await call(t, 'POST', `/shows/${code}`, other, STATE)).status).toBe(404);
    stop.abort();
  });

  test('a code that nobody opened is refused, and so is a way that is none', async () => {
    expect((await call(t, 'GET', '/shows/123456/events')).body.code).toBe('not-found');
    expect((await call(t, 'GET', '/shows/12/events')).body.code).toBe('bad-input');
    expect((await call(t, 'POST', '/shows', teacher, { ...STATE, way: 'no-such' })).body.code).toBe('unknown-way');
    expect((await call(t, 'POST', '/shows', null, STATE)).status).toBe(401);
  });

  test('ends after some hours, and never holds more than it may', () => {
    let now = new Date('2026-05-14T08:00:00Z');
    const shows = new Shows(() => now);
    const { code, ends_at } = shows.begin('a', STATE);
    const told: ShowState[] = [];
    const stop = shows.follow(code, (s) => told.push(s))!;
    shows.move(code, 'a', { ...STATE, at_keyFrames: 9 });
    stop();
    shows.move(code, 'a', STATE);
    expect(told.map((s) => s.at_keyFrames)).toEqual([3.5, 9]);
    now = new Date(new Date(ends_at).getTime() + 1);
    expect([shows.follow(code, () => undefined), shows.move(code, 'a', STATE)]).toEqual([null, null]);
    const first = shows.begin('b', STATE).code;
    for (let k = 0; k < 599; k++) shows.begin(`c${k}`, STATE);
    expect(shows.follow(first, () => undefined)).not.toBeNull();
    expect(() => shows.begin('one more', STATE)).toThrow(/^Busy/);
    // nor more screens than halls have
    const screens = Array.from({ length: 199 }, () => shows.follow(first, () => undefined));
    expect(screens.filter((s) => s !== null)).toHaveLength(199);
    screens[0]!();
    expect(shows.follow(first, () => undefined)).not.toBeNull();
    expect(() => shows.follow(first, () => undefined)).toThrow(/^Busy/);
  });
});
