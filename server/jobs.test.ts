import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { call, member, organisation, testbed, type Member, type Testbed } from './testing/harness';
import { TIE_IN } from '../core/choose/testing/jobs';

let t: Testbed;
let rope: string;
let checker: Member;
let learner: Member;

beforeAll(async () => {
  t = await testbed('jobs');
  const own = await organisation(t, 'Loft');
  rope = own.rope;
  checker = await member(t, own.id, ['instructor']);
  learner = await member(t, own.id, ['learner']);
});
afterAll(() => t.close());

test('a logged trial counts in choosing, for its own organisation alone; it is kept once', async () => {
  const job = {
    purpose: 'join',
    profile: 'rope-access',
    rope: { kind: 'low-stretch', diameter_mm: 11 },
    second_rope: { kind: 'low-stretch', diameter_mm: 11 },
    pulls: ['through'],
    object: 'none',
    end_free: true,
    untie: 'any',
    must_pass: ['pulley'],
    team: 'trained',
    life_load: true,
  };
  const suited = async (who: Member | null) =>
    ((await call(t, 'POST', '/choose', who, job)).body['suited'] as { knot: string }[]).map((s) => s.knot);
  expect(await suited(checker)).toEqual([]);
  const trial = {
    id: randomUUID(),
    knot: 'figure-eight-bend',
    device: 'pulley',
    rope_diameter_mm: 11,
    opening_mm: 60,
    tail_mm: 200,
    result: 'passes',
    note: 'slowly',
  };
  const first = await call(t, 'POST', '/passing-trials', checker, trial);
  expect(first.status).toBe(200);
  expect(first.body).toMatchObject({ ...trial, caught: null });
  expect((await call(t, 'POST', '/passing-trials', checker, trial)).body).toEqual(first.body);
  expect((await call(t, 'POST', '/passing-trials', checker, { ...trial, result: 'stuck' })).body.code).toBe('id-taken');
  expect(await suited(checker)).toEqual(['figure-eight-bend']);
  expect(await suited(null)).toEqual([]);
  const all = (await call(t, 'GET', '/passing-trials', checker)).body as {
    items: { id: string }[];
    shipped: unknown[];
    devices: { id: string; source: string }[];
  };
  expect([all.items[0]!.id, all.shipped.length, all.devices.every((d) => d.source === 'general')]).toEqual([
    trial.id,
    6,
    true,
  ]);
  // what stuck once counts more than what passed once
  await call(t, 'POST', '/passing-trials', checker, { ...trial, id: randomUUID(), result: 'stuck', caught: 'tails' });
  expect(await suited(checker)).toEqual([]);
  // withdrawn it stays and says why, and no longer counts; a learner neither logs nor withdraws one
  const stuck = (await call(t, 'GET', '/passing-trials', checker)).body['items'] as { id: string; result: string }[];
  const { id } = stuck.find((x) => x.result === 'stuck')!;
  const withdrawal = { id: randomUUID(), reason: 'it was the other rope' };
  expect((await call(t, 'POST', `/passing-trials/${id}/withdrawals`, learner, withdrawal)).status).toBe(403);
  expect((await call(t, 'POST', '/passing-trials', learner, { ...trial, id: randomUUID() })).status).toBe(403);
  for (let again = 0; again < 2; again++)
    expect((await call(t, 'POST', `/passing-trials/${id}/withdrawals`, checker, withdrawal)).body).toEqual({
      ...withdrawal,
      trial: id,
    });
  expect(
    (await call(t, 'POST', `/passing-trials/${id}/withdrawals`, checker, { ...withdrawal, reason: 'no' })).body.code,
  ).toBe('id-taken');
  const now = (await call(t, 'GET', '/passing-trials', checker)).body['items'] as { id: string; withdrawn: unknown }[];
  expect(now.find((x) => x.id === id)!.withdrawn).toEqual({
    reason: withdrawal.reason,
    by: checker.id,
    at: expect.any(String) as unknown,
  });
  expect(now.filter((x) => x.withdrawn === null)).toHaveLength(1);
  expect(await suited(checker)).toEqual(['figure-eight-bend']);
  for (const bad of [
    { knot: 'no-knot' },
    { device: 'x' },
    { rope_diameter_mm: -1 },
    { result: 'maybe' },
    { note: 'x'.repeat(401) },
    { id: 'x' },
  ])
    expect([
      bad,
      (await call(t, 'POST', '/passing-trials', checker, { ...trial, id: randomUUID(), ...bad })).status,
    ]).toEqual([bad, 400]);
  expect((await call(t, 'GET', '/passing-trials', null)).status).toBe(401);
});

test('jobs are kept once and come back newest first', async () => {
  const job = TIE_IN;
  const body = { id: randomUUID(), name: 'Stacks', rope, job };
  const first = await call(t, 'POST', '/jobs', checker, body);
  expect((await call(t, 'POST', '/jobs', checker, body)).body).toEqual(first.body);
  expect((await call(t, 'POST', '/jobs', checker, { ...body, name: 'Other' })).body.code).toBe('id-taken');
  expect(((await call(t, 'GET', '/jobs', checker)).body['items'] as { id: string }[])[0]!.id).toBe(body.id);
  expect((await call(t, 'GET', `/jobs/${body.id}`, checker)).body).toEqual(first.body);
  for (const id of [randomUUID(), 'x'])
    expect([404, 400]).toContain((await call(t, 'GET', `/jobs/${id}`, checker)).status);
});
