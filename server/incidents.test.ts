/** What happened, and knots that were moved: written down as told, pointing at what is one's own; nothing is frozen by it. */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { call, checkBody, member, organisation, testbed, type Member, type Testbed } from './testing/harness';
import { verifyOrganisation } from './verify';

let t: Testbed;
let own: { id: string; rope: string };
let elsewhere: { id: string; rope: string };
let checker: Member;
let learner: Member;
let knot: string;
beforeAll(async () => {
  t = await testbed('incidents');
  [own, elsewhere] = [await organisation(t, 'Loft'), await organisation(t, 'Quay')];
  [checker, learner] = [await member(t, own.id, ['instructor']), await member(t, own.id, ['learner'])];
  const body = checkBody({ tier: learner.id, rope: own.rope });
  await call(t, 'POST', '/checks', checker, body);
  knot = body.tied_knot.id;
});
afterAll(() => t.close());

const told = (change: object = {}) => ({
  id: randomUUID(),
  happened_at: '2026-05-14T09:50:00.000Z',
  words: 'The joint caught at the edge while it was pulled.',
  tied_knots: [knot],
  ropes: [own.rope],
  ...change,
});

test('what happened is an entry of its own in the chain, kept once; it freezes nothing', async () => {
  const before = (await call(t, 'GET', '/today', checker)).body;
  const body = told();
  const first = await call(t, 'POST', '/incidents', checker, body);
  expect([first.status, first.body['sequence'], first.body['again'], first.body['verdict']]).toEqual([
    200,
    expect.any(Number),
    false,
    null,
  ]);
  expect((await call(t, 'POST', '/incidents', checker, body)).body['again']).toBe(true);
  expect((await call(t, 'POST', '/incidents', checker, { ...body, words: 'x' })).body.code).toBe('id-taken');
  const all = (await call(t, 'GET', '/incidents', learner)).body as { items: Record<string, unknown>[]; next: null };
  expect(all.items).toMatchObject([{ ...body, recorded_by: checker.id, sequence: expect.any(Number) }]);
  expect((await call(t, 'GET', '/today', checker)).body).toEqual(before);
  expect((await verifyOrganisation(t.db, own.id)).faults).toEqual([]);
});

test('pages follow each other, newest first, and hold nothing of others', async () => {
  for (let i = 0; i < 4; i++) await call(t, 'POST', '/incidents', checker, told({ words: `no. ${i}` }));
  const words: string[] = [];
  let cursor = '';
  do {
    const page = (await call(t, 'GET', `/incidents?limit=2${cursor}`, checker)).body as {
      items: { words: string }[];
      next: string | null;
    };
    words.push(...page.items.map((i) => i.words));
    cursor = page.next === null ? '' : `&cursor=${page.next}`;
  } while (cursor !== '');
  expect(words).toEqual(['no. 3', 'no. 2', 'no. 1', 'no. 0', told().words]);
  const other = await member(t, elsewhere.id, ['instructor']);
  expect((await call(t, 'GET', '/incidents', other)).body['items']).toEqual([]);
});

test('it points at one’s own things alone, is told of what has been, by who records', async () => {
  for (const [path, bad] of [
    ['tied_knots.0', { tied_knots: [randomUUID()] }],
    ['ropes.1', { ropes: [own.rope, elsewhere.rope] }],
    ['happened_at', { happened_at: '2026-05-15T09:00:00.000Z' }],
    ['words', { words: ' ' }],
  ] as const)
    expect([path, (await call(t, 'POST', '/incidents', checker, told(bad))).body.errors?.[0]?.path]).toEqual([
      path,
      path,
    ]);
  expect((await call(t, 'POST', '/incidents', learner, told())).status).toBe(403);
});

test('a knot that was moved says where to, of any knot, and is unchecked', async () => {
  const moved = await call(t, 'POST', `/tied-knots/${knot}/events`, checker, {
    id: randomUUID(),
    kind: 'moved',
    moved_to: 'Loft, other beam',
  });
  expect(moved.body).toMatchObject({ moved_to: 'Loft, other beam', place: 'Loft, station 3', use: 'tie-in' });
  expect((moved.body['again'] as { why: string }[]).map((a) => a.why)).toContain('moved');
  const rope = (await call(t, 'GET', `/ropes/${own.rope}`, checker)).body as { knots_in_it: { moved_to: string }[] };
  expect(rope.knots_in_it[0]!.moved_to).toBe('Loft, other beam');
});
