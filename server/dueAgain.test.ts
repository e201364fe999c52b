/** What is to be looked at again: the most overdue first, however many knots hang. */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { call, checkBody, member, organisation, testbed, type Member, type Testbed } from './testing/harness';
import { openPool, poolOptions, rows, run } from './database';
import { tiedKnotsPage, toLookAtAgain, workOutUnknown } from './tables/tiedKnots';

let t: Testbed;
let who: Member, tier: Member;
let org: string, rope: string;
beforeAll(async () => {
  t = await testbed('due_again', { alters: true });
  ({ id: org, rope } = await organisation(t, 'Loft'));
  who = await member(t, org, ['instructor']);
  tier = await member(t, org, ['learner']);
});
afterAll(() => t.close());

const places = async () => (await toLookAtAgain(t.db, org, 20, t.clock.now)).map((k) => k.place);
const tie = (place: string, tied_at: string) =>
  call(t, 'POST', '/tied-knots', who, { id: randomUUID(), knot: 'bowline', rope, place, tied_by: tier.id, tied_at });

test('of three hundred the one that waits longest comes first, though it was tied first of all', async () => {
  await tie('the oldest', '2026-04-01T08:00:00.000Z');
  for (let i = 0; i < 299; i++)
    await tie(`station ${i}`, new Date(Date.parse('2026-05-01T08:00:00Z') + i * 60_000).toISOString());
  const found = await places();
  expect(found.slice(0, 3)).toEqual(['the oldest', 'station 0', 'station 1']);
  expect(found).toHaveLength(20);
});

test('a look takes it off the list until its hours are over; a move puts it back at once', async () => {
  const body = checkBody({ tier: tier.id, rope });
  await call(t, 'POST', '/checks', who, body);
  const due = async () =>
    (
      await rows<{ due_at: Date }>(t.db, 'SELECT due_at FROM tied_knots WHERE id = ?', [body.tied_knot.id])
    )[0]!.due_at.toISOString();
  // an eight keeps: a week
  expect(await due()).toBe('2026-05-21T09:40:00.000Z');
  await call(t, 'POST', `/tied-knots/${body.tied_knot.id}/events`, who, { id: randomUUID(), kind: 'moved', note: '' });
  expect(await due()).toBe(t.clock.now.toISOString());
  await call(t, 'POST', `/ropes/${rope}/events`, who, {
    id: randomUUID(),
    event: 'retired',
    happened_at: '2026-05-14T09:50:00.000Z',
    note: 'worn',
  });
  expect(await due()).toBe('2026-05-14T09:30:00.000Z');
});

test('what older programs left without a time is worked out', async () => {
  await run(t.db, 'UPDATE tied_knots SET due_at = NULL WHERE organisation = ?', [org]);
  expect(await places()).toEqual([]);
  expect(await workOutUnknown(t.db, org)).toBe(301);
  expect(await workOutUnknown(t.db, org)).toBe(0);
  expect((await places())[0]).toBe('the oldest');
});

test('with five thousand that hang no more of them are read than are shown, whether the most overdue or a page of the list', async () => {
  // a minute apart, all of them overdue
  const from = Date.parse('2026-02-01T00:00:00Z');
  const values = Array.from({ length: 5000 }, (_, i) => {
    const at = new Date(from + i * 60_000);
    return [randomUUID(), org, 'bowline', rope, `stance ${i}`, tier.id, at, at, '0'.repeat(64)];
  });
  await run(
    t.db,
    'INSERT INTO tied_knots (id, organisation, knot, rope, place, tied_by, tied_at, due_at, request_sha256) VALUES ?',
    [values],
  );
  const one = openPool({ ...poolOptions(t.databaseUrl), connectionLimit: 1 });
  const read = async (work: () => Promise<unknown>) => {
    const count = async () =>
      (await rows<{ Value: string }>(one, "SHOW SESSION STATUS LIKE 'Handler_read%'", [])).reduce(
        (sum, r) => sum + Number(r.Value),
        0,
      );
    const before = await count();
    await work();
    return (await count()) - before;
  };
  // behind every id that begins with a hexadecimal digit
  const middle = { at: new Date(from + 2500 * 60_000), id: 'g' };
  expect(await read(() => toLookAtAgain(one, org, 20, t.clock.now))).toBeLessThan(500);
  expect(await read(() => tiedKnotsPage(one, org, 20, null, t.clock.now))).toBeLessThan(500);
  expect(await read(() => tiedKnotsPage(one, org, 20, middle, t.clock.now))).toBeLessThan(500);
  const page = await tiedKnotsPage(one, org, 3, middle, t.clock.now);
  expect(page.map((k) => k.place)).toEqual(['stance 2500', 'stance 2499', 'stance 2498']);
  await one.end();
});
