import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { call, checkBody, member, organisation, PASSWORD, testbed, type Member, type Testbed } from './testing/harness';

let t: Testbed;
let rope: string;
let tier: Member, checker: Member, second: Member, learner: Member;
let org: string;

beforeAll(async () => {
  t = await testbed('records');
  ({ id: org, rope } = await organisation(t, 'Loft'));
  [tier, checker, second, learner] = await Promise.all([
    member(t, org, ['owner']),
    member(t, org, ['instructor']),
    member(t, org, ['inspector']),
    member(t, org, ['learner']),
  ]);
});
afterAll(() => t.close());

const record = (change: Record<string, unknown> = {}, as = checker) => {
  const body = checkBody({ tier: tier.id, rope }, change);
  return call(t, 'POST', '/checks', as, body).then((answer) => ({ body, answer }));
};
const rowOf = async (id: string) =>
  (await call(t, 'GET', `/checks/${id}`, checker)).body as {
    row: Record<string, unknown>;
    entries: { sequence: number; sha256: string; entry: Record<string, unknown> }[];
  };

describe('a check', () => {
  test('is judged by the server; without the required second signature it is not judged, with it it meets the rule', async () => {
    const { body, answer } = await record();
    expect([answer.status, answer.body['verdict'], answer.body['again']]).toEqual([200, 'not-judged', false]);
    const signed = await call(t, 'POST', `/checks/${body.id}/signatures`, second, {
      id: randomUUID(),
      agrees: true,
      note: '',
    });
    expect([signed.status, signed.body['verdict']]).toEqual([200, 'meets-the-rule']);
    const { row, entries } = await rowOf(body.id);
    expect(row).toMatchObject({
      verdict: 'meets-the-rule',
      points_verdict: 'meets-the-rule',
      tail_mm: 130,
      tail_margin_mm: 30,
      signer: second.id,
      alone: false,
    });
    expect(entries.map((e) => e.entry['kind'])).toEqual(['check', 'signature']);
  });

  test('sent twice is recorded once; the same id with other content is refused', async () => {
    const { body, answer } = await record();
    const again = await call(t, 'POST', '/checks', checker, body);
    expect(again.body).toEqual({ ...answer.body, again: true });
    const other = await call(t, 'POST', '/checks', checker, { ...body, note: 'changed' });
    expect([other.status, other.body.code]).toEqual([409, 'id-taken']);
    expect((await rowOf(body.id)).entries).toHaveLength(1);
  });

  test('many at once make one unbroken chain', async () => {
    const before = (await call(t, 'GET', '/record/head', checker)).body['count'] as number;
    const answers = await Promise.all(Array.from({ length: 12 }, () => record().then((r) => r.answer)));
    const sequences = answers.map((a) => a.body['sequence'] as number).sort((a, b) => a - b);
    // each with the row of its knot behind it
    expect(sequences).toEqual(Array.from({ length: 12 }, (_, i) => before + 1 + 2 * i));
    expect((await call(t, 'GET', '/record/head', checker)).body['count']).toBe(before + 24);
  });

  test('sent twice at the same moment is still one', async () => {
    const body = checkBody({ tier: tier.id, rope });
    const both = await Promise.all([
      call(t, 'POST', '/checks', checker, body),
      call(t, 'POST', '/checks', checker, body),
    ]);
    expect(both.map((b) => b.status)).toEqual([200, 200]);
    expect(both.map((b) => b.body['again']).sort()).toEqual([false, true]);
  });

  test('a tail that cannot be seen can be said, and then nothing is judged; another answer than that and a measure is refused', async () => {
    const withTail = (tail: object) =>
      checkBody({ tier: tier.id, rope }).answers.map((a) => (a['point'] === 'tail' ? { point: 'tail', ...tail } : a));
    const { answer } = await record({ answers: withTail({ found: 'cannot-see' }) });
    expect([answer.status, answer.body['verdict']]).toEqual([200, 'not-judged']);
    for (const tail of [{ found: 'right' }, { found: 'tail-short' }])
      expect((await record({ answers: withTail(tail) })).answer.status).toBe(400);
    // a measure belongs to the tail alone
    const { answers } = checkBody({ tier: tier.id, rope });
    const tail = answers.find((a) => a['point'] === 'tail')!['tail'];
    const strayed = answers.map((a) => (a['point'] === 'front' ? { ...a, tail } : a));
    const refused = (await record({ answers: strayed })).answer;
    expect([refused.status, refused.body.errors?.[0]?.path]).toEqual([400, 'answers.front.tail']);
  });

  test('of a fatal fault stays open until an entry says what was done; then the knot has ended', async () => {
    const base = checkBody({ tier: tier.id, rope });
    const answers = base.answers.map((a) => (a['point'] === 'name' ? { point: 'name', found: 'half-finished' } : a));
    const { body, answer } = await record({ answers });
    expect(answer.body['verdict']).toBe('take-out-and-retie');
    expect((await call(t, 'GET', '/today', checker)).body['open_findings']).toEqual(
      expect.arrayContaining([expect.objectContaining({ id: body.id }) as object]),
    );
    const close = { id: randomUUID(), what_was_done: 'retied', note: '' };
    const refused = async (later_check?: string) =>
      (
        (
          await call(t, 'POST', `/checks/${body.id}/finding-closed`, second, {
            ...close,
            ...(later_check && { later_check }),
          })
        ).body.errors as { path: string; message: string }[]
      ).map((e) => `${e.path} ${e.message}`)[0];
    // tied again it stays open until someone else has looked at it
    expect(await refused()).toMatch(/^later_check tied again it stays open/);
    expect(await refused(randomUUID())).toBe('later_check is no check of this organisation');
    const notLater = 'later_check is no later check of a knot in that rope at that place';
    expect(await refused(body.id)).toBe(notLater);
    const alone = await record({}, tier);
    expect(await refused(alone.body.id)).toBe('later_check was made by who tied it');
    const elsewhere = async (where: { rope?: string; place?: string }) => {
      const { body: b, answer: a } = await record({
        tied_knot: { ...checkBody({ tier: tier.id, rope }).tied_knot, ...where },
        despite_open_finding: 'the faulty one is out of use',
      });
      expect(a.status).toBe(200);
      return b.id;
    };
    expect(await refused(await elsewhere({ place: 'another place' }))).toBe(notLater);
    const other = randomUUID();
    await call(t, 'POST', '/ropes', checker, {
      id: other,
      tag: `R${other.slice(0, 6)}`,
      kind: 'dynamic',
      diameter_mm: 10,
      length_m: 50,
      note: '',
    });
    expect(await refused(await elsewhere({ rope: other }))).toBe(notLater);
    // a place is typed: capitals say nothing
    const { tied_knot } = checkBody({ tier: tier.id, rope });
    const again = await record({ tied_knot: { ...tied_knot, place: 'LOFT, Station 3' } });
    Object.assign(close, { later_check: again.body.id });
    expect((await call(t, 'POST', `/checks/${body.id}/finding-closed`, second, close)).status).toBe(200);
    expect((await call(t, 'POST', `/checks/${body.id}/finding-closed`, second, close)).body['again']).toBe(true);
    expect(
      (await call(t, 'POST', `/checks/${body.id}/finding-closed`, second, { ...close, id: randomUUID() })).body.code,
    ).toBe('already-closed');
    expect((await rowOf(body.id)).row).toMatchObject({ open_finding: false, verdict: 'take-out-and-retie' });
    const knots = (await call(t, 'GET', '/tied-knots?limit=200', checker)).body['items'] as {
      id: string;
      ended_why: string | null;
    }[];
    expect(knots.find((k) => k.id === body.tied_knot.id)!.ended_why).toBe('retied');
  });

  test('corrected leaves the old entry, needs a new signature, and shows as corrected', async () => {
    const base = checkBody({ tier: tier.id, rope });
    const { body } = await record({
      answers: base.answers.map((a) =>
        a['point'] === 'tail'
          ? { point: 'tail', found: 'right', tail: { tail_mm: 60, method: 'ruler', uncertainty_mm: 5 } }
          : a,
      ),
    });
    await call(t, 'POST', `/checks/${body.id}/signatures`, second, { id: randomUUID(), agrees: true, note: '' });
    const corrected = await call(t, 'POST', `/checks/${body.id}/corrections`, checker, {
      id: randomUUID(),
      reason: 'read the ruler wrongly',
      answers: base.answers,
    });
    expect(corrected.body['verdict']).toBe('not-judged');
    const { row, entries } = await rowOf(body.id);
    expect(row).toMatchObject({ corrected: true, signer: null, tail_mm: 130 });
    expect(entries[0]!.entry['body']).toMatchObject({ judgement: { verdict: 'put-right' } });
    expect(
      (await call(t, 'POST', `/checks/${body.id}/signatures`, second, { id: randomUUID(), agrees: true, note: '' }))
        .body['verdict'],
    ).toBe('meets-the-rule');
  });

  test.each([
    [
      'a fault that is none of the point',
      (b: ReturnType<typeof checkBody>) => ({ ...b, answers: [{ point: 'front', found: 'half-finished' }] }),
      'answers.front.found',
    ],
    [
      'a point twice',
      (b: ReturnType<typeof checkBody>) => ({ ...b, answers: [...b.answers, { point: 'eye', found: 'right' }] }),
      'answers',
    ],
    [
      'a tail judged without a measure',
      (b: ReturnType<typeof checkBody>) => ({ ...b, answers: [{ point: 'tail', found: 'right' }] }),
      'answers.tail',
    ],
    ['a time to come', (b: ReturnType<typeof checkBody>) => ({ ...b, seen_at: '2026-05-14T11:00:00.000Z' }), 'seen_at'],
    [
      'seen before it was tied',
      (b: ReturnType<typeof checkBody>) => ({ ...b, seen_at: '2026-05-14T09:00:00.000Z' }),
      'seen_at',
    ],
    [
      'a year before all ropes',
      (b: ReturnType<typeof checkBody>) => ({ ...b, tied_knot: { ...b.tied_knot, tied_at: '0000-01-01T00:00:00Z' } }),
      'tied_knot.tied_at',
    ],
    [
      'a rope of nobody',
      (b: ReturnType<typeof checkBody>) => ({ ...b, tied_knot: { ...b.tied_knot, rope: randomUUID() } }),
      'tied_knot.rope',
    ],
    [
      'a tier of nowhere',
      (b: ReturnType<typeof checkBody>) => ({ ...b, tied_knot: { ...b.tied_knot, tied_by: randomUUID() } }),
      'tied_knot.tied_by',
    ],
    [
      'an unknown knot',
      (b: ReturnType<typeof checkBody>) => ({ ...b, tied_knot: { ...b.tied_knot, knot: 'granny' } }),
      'tied_knot.knot',
    ],
    ['an unknown rule set', (b: ReturnType<typeof checkBody>) => ({ ...b, profile: 'nobody' }), 'profile'],
    [
      'another diameter than the rope has',
      (b: ReturnType<typeof checkBody>) => ({ ...b, rope_diameter_mm: 11 }),
      'rope_diameter_mm',
    ],
    ['a field more', (b: ReturnType<typeof checkBody>) => ({ ...b, verdict: 'meets-the-rule' }), 'verdict'],
    ['a control character', (b: ReturnType<typeof checkBody>) => ({ ...b, note: 'a\u0000b' }), 'note'],
    ['half a letter', (b: ReturnType<typeof checkBody>) => ({ ...b, note: 'a\ud800b' }), 'note'],
  ])('with %s is refused, the field is named, nothing is stored', async (_name, change, path) => {
    const before = (await call(t, 'GET', '/record/head', checker)).body;
    const answer = await call(t, 'POST', '/checks', checker, change(checkBody({ tier: tier.id, rope })));
    expect([answer.status, answer.body.code]).toEqual([400, 'bad-input']);
    expect(answer.body.errors!.map((e) => e.path)).toContain(path);
    expect((await call(t, 'GET', '/record/head', checker)).body).toEqual(before);
  });

  test('under an older version of the rules is refused', async () => {
    const { answer } = await record({ profile_version: 2 });
    expect([answer.status, answer.body.code]).toEqual([409, 'profile-superseded']);
  });
});

describe('the second person', () => {
  test('is neither the one who tied it nor the first checker', async () => {
    const { body } = await record();
    for (const who of [tier, checker])
      expect(
        (await call(t, 'POST', `/checks/${body.id}/signatures`, who, { id: randomUUID(), agrees: true, note: '' })).body
          .code,
      ).toBe('signer-not-second');
  });

  test('may sign on the first one’s device with a password; a wrong one signs nothing', async () => {
    const { body } = await record();
    const as = (password: string) =>
      call(t, 'POST', `/checks/${body.id}/signatures`, checker, {
        id: randomUUID(),
        agrees: true,
        note: '',
        signer: { person: second.id, password },
      });
    expect((await as('not the password')).body.code).toBe('wrong-password');
    expect((await rowOf(body.id)).row['signer']).toBeNull();
    expect((await as(PASSWORD)).body['verdict']).toBe('meets-the-rule');
    expect((await rowOf(body.id)).row['signer']).toBe(second.id);
    expect((await as(PASSWORD)).body.code).toBe('already-signed');
  });

  test('who disagrees leaves it not judged', async () => {
    const { body } = await record();
    expect(
      (
        await call(t, 'POST', `/checks/${body.id}/signatures`, second, {
          id: randomUUID(),
          agrees: false,
          note: 'back not seen',
        })
      ).body['verdict'],
    ).toBe('not-judged');
  });

  test('a learner’s password does not sign', async () => {
    const { body } = await record();
    expect(
      (
        await call(t, 'POST', `/checks/${body.id}/signatures`, checker, {
          id: randomUUID(),
          agrees: true,
          note: '',
          signer: { person: learner.id, password: PASSWORD },
        })
      ).body.code,
    ).toBe('role-missing');
  });

  test('someone alone may record, and it says so; where rules advise only, it can meet the rule', async () => {
    const { body, answer } = await record(
      { tied_knot: { ...checkBody({ tier: tier.id, rope }).tied_knot }, profile: 'sport-crag', profile_version: 3 },
      tier,
    );
    expect(answer.body['verdict']).toBe('meets-the-rule');
    expect((await rowOf(body.id)).row).toMatchObject({ alone: true, signer: null });
    const required = await record({}, tier);
    expect(required.answer.body['verdict']).toBe('not-judged');
  });
});

describe('the list', () => {
  test('filters by rope, person, verdict and day, and pages without gaps', async () => {
    const all: { id: string; sequence: number }[] = [];
    let cursor: string | null = '';
    while (cursor !== null) {
      const r = (await call(t, 'GET', `/checks?limit=7${cursor ? `&cursor=${cursor}` : ''}`, checker))
        .body as unknown as { items: { id: string; sequence: number }[]; next: string | null };
      all.push(...r.items);
      cursor = r.next;
    }
    expect(new Set(all.map((c) => c.id)).size).toBe(all.length);
    expect(all.map((c) => c.sequence)).toEqual([...all.map((c) => c.sequence)].sort((a, b) => b - a));
    const count = async (q: string) =>
      ((await call(t, 'GET', `/checks?limit=200&${q}`, checker)).body['items'] as unknown[]).length;
    // one check was of another rope
    expect(await count(`rope=${rope}`)).toBe(all.length - 1);
    expect(await count(`person=${learner.id}`)).toBe(0);
    expect(await count('from=2026-05-15')).toBe(0);
    expect(await count('from=2026-05-14&to=2026-05-14')).toBe(all.length);
    expect(await count('verdict=take-out-and-retie')).toBe(1);
  });

  test('within days is in the order of the time seen, page by page, none twice and none left out; a cursor of the other order is refused', async () => {
    const all = (
      (await call(t, 'GET', '/checks?limit=200', checker)).body as unknown as {
        items: { id: string; seen_at: string }[];
      }
    ).items;
    const seen: { id: string; seen_at: string }[] = [];
    let cursor: string | null = '';
    while (cursor !== null) {
      const r = (await call(t, 'GET', `/checks?limit=5&from=2026-01-01${cursor ? `&cursor=${cursor}` : ''}`, checker))
        .body as unknown as { items: { id: string; seen_at: string }[]; next: string | null };
      seen.push(...r.items);
      cursor = r.next;
    }
    expect(seen.map((x) => x.id).sort()).toEqual(all.map((x) => x.id).sort());
    expect(seen.map((x) => x.seen_at)).toEqual(
      seen
        .map((x) => x.seen_at)
        .toSorted()
        .reverse(),
    );
    const other = (await call(t, 'GET', '/checks?limit=1', checker)).body['next'] as string;
    expect((await call(t, 'GET', `/checks?from=2026-01-01&cursor=${other}`, checker)).status).toBe(400);
    expect((await call(t, 'GET', '/checks.json?from=2026-01-01', checker)).body['checks']).toHaveLength(all.length);
  });

  test('leaves as CSV with a header and one line a check, formulas defused', async () => {
    await record({ tied_knot: { ...checkBody({ tier: tier.id, rope }).tied_knot, place: '=1+1' } });
    const csv = await call(t, 'GET', '/checks', checker, undefined, { accept: 'text/csv' });
    expect(csv.headers['content-type']).toContain('text/csv');
    const lines = csv.text.trim().split('\r\n');
    expect(lines[0]).toContain('id,sequence,seen_at');
    expect(lines[1]).toContain("'=1+1");
    expect((await call(t, 'GET', '/checks.json', checker)).body['checks']).toHaveLength(lines.length - 1);
  });
});
