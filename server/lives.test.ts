/** The life of ropes, and what a retired or damaged one, or one with a knot to be taken out, may still be used for. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { ENDPOINTS } from '../contract';
import { call, checkBody, member, organisation, testbed, type Member, type Testbed } from './testing/harness';
import { verifyOrganisation } from './verify';
import { TIE_IN } from '../core/choose/testing/jobs';

let t: Testbed;
let org: string;
let tier: Member, checker: Member, instructor: Member;

beforeAll(async () => {
  t = await testbed('lives', { alters: true });
  org = (await organisation(t, 'Loft')).id;
  [tier, checker, instructor] = await Promise.all([
    member(t, org, ['owner']),
    member(t, org, ['inspector']),
    member(t, org, ['instructor']),
  ]);
});
afterAll(() => t.close());

const HAPPENED = '2026-05-14T09:00:00.000Z';
const newRope = async (change: Record<string, unknown> = {}) => {
  const id = randomUUID();
  const a = await call(t, 'POST', '/ropes', instructor, {
    id,
    tag: `R-${id.slice(0, 6)}`,
    kind: 'dynamic',
    diameter_mm: 10,
    length_m: 60,
    ...change,
  });
  expect([a.status, a.body.errors]).toEqual([200, undefined]);
  return id;
};
const note = (rope: string, event: Record<string, unknown>, as = checker) =>
  call(t, 'POST', `/ropes/${rope}/events`, as, { id: randomUUID(), happened_at: HAPPENED, note: '', ...event });
const lifeOf = async (rope: string) => {
  const a = await call(t, 'GET', `/ropes/${rope}`, checker);
  expect(ENDPOINTS.rope.reply.safeParse(a.body).error?.issues ?? []).toEqual([]);
  return a.body as unknown as {
    rope: Record<string, unknown>;
    life: { damages: { id: string; at_m: number; settled: string | null }[]; retired: unknown };
    entries: unknown[];
    knots_in_it: { id: string; again: { why: string }[] }[];
    open_findings: unknown[];
  };
};
const check = (rope: string, change: Record<string, unknown> = {}) => {
  const body = checkBody({ tier: tier.id, rope }, { profile: 'sport-crag', profile_version: 3, ...change });
  return call(t, 'POST', '/checks', checker, body).then((answer) => ({ body, answer }));
};
const faulty = (answers: Record<string, unknown>[]) =>
  answers.map((a) => (a['point'] === 'name' ? { point: 'name', found: 'half-finished' } : a));

describe('what happens to a rope', () => {
  test('stands in the record, once however often it is sent; the list shows how it stands', async () => {
    const rope = await newRope();
    const id = randomUUID();
    const first = await note(rope, { id, event: 'damaged', at_m: 12.5, note: 'sheath cut through' });
    expect([first.status, first.body['again']]).toEqual([200, false]);
    expect((await note(rope, { id, event: 'damaged', at_m: 12.5, note: 'sheath cut through' })).body['again']).toBe(
      true,
    );
    expect((await note(rope, { id, event: 'damaged', at_m: 13, note: 'sheath cut through' })).body.code).toBe(
      'id-taken',
    );
    expect((await lifeOf(rope)).rope).toMatchObject({ state: 'damaged', open_damages: 1, length_m: 60 });
    await note(rope, { event: 'end-cut', end: 'tagged', cut_m: 12 });
    await note(rope, { event: 'hard-fall', note: 'six metres' });
    const life = await lifeOf(rope);
    expect(life.rope).toMatchObject({ state: 'damaged', hard_falls: 1, length_m: 48, first_length_m: 60 });
    expect(life.life.damages).toMatchObject([{ at_m: 0.5, settled: null }]);
    await note(rope, { event: 'damage-settled', damage: id, note: 'the core is whole' });
    expect((await lifeOf(rope)).rope['state']).toBe('in-service');
    expect((await lifeOf(rope)).entries).toHaveLength(4);
  });

  test('what cannot be is refused, and after it is retired nothing more is noted', async () => {
    const rope = await newRope();
    const path = async (event: Record<string, unknown>) => (await note(rope, event)).body.errors?.[0]?.path;
    expect(await path({ event: 'damaged', at_m: 61, note: 'x' })).toBe('at_m');
    expect(await path({ event: 'damaged', at_m: 6 })).toBe('note');
    expect(await path({ event: 'end-cut', end: 'tagged', cut_m: 60 })).toBe('cut_m');
    expect(await path({ event: 'end-cut', end: 'tagged' })).toBe('cut_m');
    expect(await path({ event: 'hard-fall', cut_m: 2 })).toBe('cut_m');
    expect(await path({ event: 'damage-settled', damage: randomUUID(), note: 'x' })).toBe('damage');
    expect(await path({ event: 'hard-fall', happened_at: '2027-01-01T00:00:00.000Z' })).toBe('happened_at');
    expect((await note(rope, { event: 'retired', note: 'stiff' })).status).toBe(200);
    expect(await path({ event: 'hard-fall' })).toBe('event');
  });

  test('of two at once at one rope none is lost', async () => {
    const rope = await newRope();
    await Promise.all(Array.from({ length: 8 }, () => note(rope, { event: 'end-cut', end: 'other', cut_m: 1 })));
    expect((await lifeOf(rope)).rope['length_m']).toBe(52);
  });
});

describe('never for a life load', () => {
  test.each([
    ['retired', { event: 'retired', note: 'ten years' }],
    ['damaged', { event: 'damaged', at_m: 3, note: 'core shows' }],
  ] as const)(
    'a check in a rope that is %s says to take the knot out, whatever else is right',
    async (state, event) => {
      const rope = await newRope();
      const before = await check(rope);
      expect(before.answer.body['verdict']).toBe('meets-the-rule');
      await note(rope, event);
      const { body, answer } = await check(rope, {
        tied_knot: { ...checkBody({ tier: tier.id, rope }).tied_knot, place: 'elsewhere' },
      });
      expect([answer.status, answer.body['verdict']]).toEqual([200, 'take-out-and-retie']);
      const entry = (
        (await call(t, 'GET', `/checks/${body.id}`, checker)).body['entries'] as {
          entry: { body: { rope_state: string; judgement: { points: { point: string }[] } } };
        }[]
      )[0]!.entry;
      expect([entry.body.rope_state, entry.body.judgement.points[0]!.point]).toEqual([state, 'rope']);
      // what hung there before is asked for again
      const life = await lifeOf(rope);
      expect(life.knots_in_it.every((k) => k.again.some((a) => a.why === 'rope-state'))).toBe(true);
      const job = TIE_IN;
      expect((await call(t, 'POST', '/jobs', checker, { id: randomUUID(), name: 'x', rope, job })).body.code).toBe(
        'rope-not-for-life',
      );
      expect(
        (
          await call(t, 'POST', '/jobs', checker, {
            id: randomUUID(),
            name: 'x',
            rope,
            job: { ...job, life_load: false },
          })
        ).status,
      ).toBe(200);
    },
  );
});

describe('a knot that is to be taken out', () => {
  test('is not looked at again; the rest of its rope meets a rule only with a written reason', async () => {
    const rope = await newRope();
    const base = checkBody({ tier: tier.id, rope });
    const bad = await check(rope, { answers: faulty(base.answers) });
    expect(bad.answer.body['verdict']).toBe('take-out-and-retie');
    const again = await check(rope, { tied_knot: bad.body.tied_knot });
    expect([again.answer.status, again.answer.body.code]).toEqual([409, 'finding-open']);
    const elsewhere = { ...checkBody({ tier: tier.id, rope }).tied_knot, place: 'the other end' };
    const rest = await check(rope, { tied_knot: elsewhere });
    expect([rest.answer.status, rest.answer.body.code]).toEqual([409, 'reason-needed']);
    expect(rest.answer.text).toContain('Loft, station 3');
    // what is wrong is taken down without one
    expect((await check(rope, { tied_knot: elsewhere, answers: faulty(base.answers) })).answer.status).toBe(200);
    const third = { ...elsewhere, id: randomUUID(), place: 'the middle' };
    const reasoned = await check(rope, {
      tied_knot: third,
      despite_open_finding: 'the lower end is out of use until it is retied',
    });
    expect(reasoned.answer.body['verdict']).toBe('meets-the-rule');
    // tied again at its place it is looked at without a reason: that is how the finding is closed
    const retied = await check(rope, { tied_knot: { ...bad.body.tied_knot, id: randomUUID() } });
    expect(retied.answer.status).toBe(409);
    await call(
      t,
      'POST',
      `/checks/${(await lifeOf(rope)).open_findings.map((f) => f as { id: string; place: string }).find((f) => f.place === 'the other end')!.id}/finding-closed`,
      instructor,
      { id: randomUUID(), what_was_done: 'taken-out', note: '' },
    );
    const once = await check(rope, { tied_knot: { ...bad.body.tied_knot, id: randomUUID() } });
    expect(once.answer.body['verdict']).toBe('meets-the-rule');
    expect(
      (
        await call(t, 'POST', `/checks/${bad.body.id}/finding-closed`, instructor, {
          id: randomUUID(),
          what_was_done: 'retied',
          later_check: once.body.id,
          note: '',
        })
      ).status,
    ).toBe(200);
  });
});

test('what is no rope has no knot; a sling of tape may be without a diameter', async () => {
  const karabiner = randomUUID();
  expect((await call(t, 'POST', '/ropes', instructor, { id: karabiner, tag: 'K-1', thing: 'karabiner' })).status).toBe(
    200,
  );
  expect((await check(karabiner)).answer.body.errors![0]).toMatchObject({ path: 'tied_knot.rope' });
  for (const wrong of [
    { thing: 'karabiner', kind: 'dynamic' },
    { thing: 'rope', kind: 'dynamic' },
    { thing: 'rope', diameter_mm: 10 },
    { thing: 'cord', kind: 'accessory-cord' },
  ])
    expect([
      wrong,
      (await call(t, 'POST', '/ropes', instructor, { id: randomUUID(), tag: 'W', ...wrong })).status,
    ]).toEqual([wrong, 400]);
  const sling = randomUUID();
  expect(
    (await call(t, 'POST', '/ropes', instructor, { id: sling, tag: 'S-1', thing: 'sling', kind: 'webbing' })).status,
  ).toBe(200);
  expect((await check(sling, { rope_diameter_mm: 16 })).answer.status).toBe(200);
});

test('both tails of a joint are measured; the worse one decides', async () => {
  const points = ['name', 'front', 'back', 'path', 'count', 'set'];
  const joint = async (tail: Record<string, unknown>) => {
    const rope = await newRope();
    const base = checkBody({ tier: tier.id, rope });
    return (
      await check(rope, {
        profile: 'rope-access',
        profile_version: 1,
        use: 'join',
        tied_knot: { ...base.tied_knot, knot: 'double-fishermans' },
        answers: [...points.map((point) => ({ point, found: 'right' })), { point: 'tail', found: 'right', ...tail }],
      })
    ).answer;
  };
  const m = (tail_mm: number) => ({ tail_mm, method: 'ruler', uncertainty_mm: 5 });
  const words = async (a: Awaited<ReturnType<typeof joint>>) => {
    const entry = (
      (await call(t, 'GET', `/checks/${String(a.body['id'])}`, checker)).body['entries'] as {
        entry: { body: { judgement: { points: { point: string; state: string; text: string }[] } } };
      }[]
    )[0]!.entry;
    return entry.body.judgement.points.find((p) => p.point === 'tail')!;
  };
  expect((await words(await joint({ tail: m(150) }))).state).toBe('not-judged');
  expect(await words(await joint({ tail: m(150), more_tails: [m(60)] }))).toMatchObject({
    state: 'put-right',
    text: expect.stringMatching(/first rope: 150 mm, .*second rope: 60 mm/) as unknown as string,
  });
  expect((await words(await joint({ tail: m(150), more_tails: [m(150)] }))).state).toBe('meets');
  expect((await joint({ tail: m(150), more_tails: [m(150), m(150)] })).body.errors![0]!.message).toMatch(/2 tails/);
});

test('the record is as written, and altered rope rows are found', async () => {
  expect((await verifyOrganisation(t.db, org)).faults).toEqual([]);
  await t.db.query(
    'UPDATE rope_status SET open_damages = 9, retired = 0 WHERE organisation = ? AND retired = 1 LIMIT 1',
    [org],
  );
  expect((await verifyOrganisation(t.db, org)).faults.join()).toMatch(
    /shown column (retired|open_damages) was altered/,
  );
});
