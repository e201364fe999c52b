import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { ENDPOINTS } from '../contract';
import { call, checkBody, member, organisation, testbed, type Member, type Testbed } from './testing/harness';

let t: Testbed;
let rope: string;
let tier: Member, checker: Member, learner: Member;

beforeAll(async () => {
  t = await testbed('tiedknots');
  const own = await organisation(t, 'Loft');
  rope = own.rope;
  [tier, checker, learner] = await Promise.all([
    member(t, own.id, ['owner']),
    member(t, own.id, ['instructor']),
    member(t, own.id, ['learner']),
  ]);
});
afterAll(() => t.close());

const record = (change: Record<string, unknown> = {}, as = checker) => {
  const body = checkBody({ tier: tier.id, rope }, change);
  return call(t, 'POST', '/checks', as, body).then((answer) => ({ body, answer }));
};

test('a knot can be noted as tied and as taken out, once; the first end stays', async () => {
  const { tied_knot } = checkBody({ tier: tier.id, rope });
  const made = await call(t, 'POST', '/tied-knots', checker, tied_knot);
  expect(made.body).toMatchObject({ id: tied_knot.id, ended_at: null });
  expect((await call(t, 'POST', '/tied-knots', checker, tied_knot)).body).toEqual(made.body);
  expect((await call(t, 'POST', '/tied-knots', checker, { ...tied_knot, place: 'elsewhere' })).body.code).toBe(
    'id-taken',
  );
  expect(
    (await call(t, 'POST', `/tied-knots/${tied_knot.id}/end`, checker, { why: 'rope pulled' })).body,
  ).toMatchObject({ ended_why: 'rope pulled' });
  expect((await call(t, 'POST', `/tied-knots/${tied_knot.id}/end`, checker, { why: 'again' })).body).toMatchObject({
    ended_why: 'rope pulled',
  });
});

describe('a tied knot that something happened to', () => {
  const again = async (id: string) =>
    ((await call(t, 'GET', `/tied-knots/${id}`, checker)).body['again'] as { why: string }[]).map((a) => a.why);

  test('moved it is unchecked until it is looked at again; noted twice it is noted once', async () => {
    const { body } = await record();
    const knot = body.tied_knot.id as string;
    expect(await again(knot)).toEqual([]);
    const moved = { id: randomUUID(), kind: 'moved' };
    // by whoever saw it, a learner too
    for (let k = 0; k < 2; k++)
      expect((await call(t, 'POST', `/tied-knots/${knot}/events`, learner, moved)).status).toBe(200);
    expect(
      (await call(t, 'POST', `/tied-knots/${knot}/events`, learner, { ...moved, kind: 'reloaded' })).body.code,
    ).toBe('id-taken');
    expect(await again(knot)).toEqual(['moved']);
    expect(
      ((await call(t, 'GET', '/today', checker)).body['to_look_at_again'] as { id: string }[]).map((k) => k.id),
    ).toContain(knot);
    t.clock.now = new Date(t.clock.now.getTime() + 60_000);
    const later = await call(t, 'POST', '/checks', checker, {
      ...checkBody({ tier: tier.id, rope }),
      tied_knot: body.tied_knot,
      seen_at: t.clock.now.toISOString(),
    });
    expect(later.status).toBe(200);
    expect(await again(knot)).toEqual([]);
    await call(t, 'POST', `/tied-knots/${knot}/events`, checker, { id: randomUUID(), kind: 'left-idle' });
    await call(t, 'POST', `/tied-knots/${knot}/end`, checker, { why: 'taken out' });
    expect(await again(knot)).toEqual([]);
  });

  test('one that nobody looked at is asked for; what is wrong is refused, another organisation’s is not there', async () => {
    const { body } = await record();
    const knot = { ...body.tied_knot, id: randomUUID() };
    expect(
      ENDPOINTS.tiedKnot.reply.safeParse((await call(t, 'GET', `/tied-knots/${body.tied_knot.id}`, checker)).body)
        .error,
    ).toBeUndefined();
    expect((await call(t, 'POST', '/tied-knots', checker, knot)).body['again']).toMatchObject([{ why: 'never' }]);
    for (const bad of [
      { id: 'x', kind: 'moved' },
      { id: randomUUID(), kind: 'flew' },
      { id: randomUUID() },
      { id: randomUUID(), kind: 'moved', at: 1 },
    ])
      expect((await call(t, 'POST', `/tied-knots/${knot.id}/events`, checker, bad)).status).toBe(400);
    expect(
      (await call(t, 'POST', `/tied-knots/${randomUUID()}/events`, checker, { id: randomUUID(), kind: 'moved' }))
        .status,
    ).toBe(404);
    const other = await organisation(t, 'Elsewhere');
    const stranger = await member(t, other.id, ['instructor']);
    expect(
      (await call(t, 'POST', `/tied-knots/${knot.id}/events`, stranger, { id: randomUUID(), kind: 'moved' })).status,
    ).toBe(404);
    expect((await call(t, 'GET', `/tied-knots/${knot.id}`, stranger)).status).toBe(404);
  });
});
