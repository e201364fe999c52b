/** What is asked of a knot at its place, and how answers are judged, as other programs ask it. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { call, checkBody, member, organisation, testbed, type Member, type Testbed } from '../testing/harness';

let t: Testbed;
let checker: Member;
let tier: Member;
let rope: string;
beforeAll(async () => {
  t = await testbed('judging');
  const own = await organisation(t, 'Loft');
  rope = own.rope;
  [checker, tier] = await Promise.all([member(t, own.id, ['instructor']), member(t, own.id, ['learner'])]);
});
afterAll(() => t.close());

interface Walk {
  use: string;
  uses: string[];
  companions: string[];
  of: number;
  points: {
    id: string;
    right: { picture: string | null };
    wrong: { fault: string; picture: string | null }[];
    rule: { id: string; layer: string; profile: string; version: number } | null;
  }[];
}
const walk = async (knot: string, query: string) => {
  const a = await call(t, 'GET', `/knots/${knot}/walk?${query}`, null);
  return { status: a.status, code: a.body.code, errors: a.body.errors, ...(a.body as unknown as Walk) };
};
const judged = async (body: object) => {
  const a = await call(t, 'POST', '/judge', null, { rope: { kind: 'low-stretch', diameter_mm: 11 }, ...body });
  return {
    status: a.status,
    errors: a.body.errors,
    ...(a.body as unknown as {
      use: string;
      verdict: string;
      points_verdict: string;
      not_judged: string[];
      points: {
        point: string;
        state: string;
        tail: { required_mm: number; margin_mm: number } | null;
        rule: { id: string } | null;
      }[];
    }),
  };
};

describe('a walk', () => {
  test('asks by the use, names what stands behind each point, and lists what belongs to the knot', async () => {
    const w = await walk('overhand-on-bight', 'profile=rope-access&use=tether');
    expect([w.status, w.use, w.companions]).toEqual([200, 'tether', ['stopper-in-tag']]);
    expect(w.points.map((p) => p.id)).toEqual(['name', 'front', 'back', 'stopper', 'tail', 'set', 'eye', 'otherwise']);
    const stopper = w.points.find((p) => p.id === 'stopper')!;
    expect(stopper.rule).toMatchObject({ id: 'CP-K3', layer: 'common', profile: 'common-practice', version: 2 });
    const pictures = [stopper.right.picture, ...stopper.wrong.map((x) => x.picture)];
    expect(new Set(pictures).size).toBe(3);
    for (const p of pictures) {
      const a = await call(t, 'GET', p!.replace('/api/v1', ''), null);
      expect([p, a.status, a.text.slice(0, 4)]).toEqual([p, 200, '<svg']);
      expect(a.text).not.toMatch(/NaN|Infinity/);
    }
  });
  test('without a use takes the strictest and says so; without common practice only the school speaks', async () => {
    expect(await walk('buntline-hitch', 'profile=tree-work')).toMatchObject({
      use: 'hitch-object',
      uses: ['hitch-object', 'tether', 'termination'],
    });
    const names = (w: Walk) => w.points.map((p) => p.rule?.id ?? null);
    const all = await walk('buntline-hitch', 'profile=tree-work&use=termination');
    expect(names(all)).toContain('TW-A1');
    expect(names(all)).toContain('CP-P2');
    const alone = names(await walk('buntline-hitch', 'profile=tree-work&use=termination&common=0'));
    expect(alone.filter((id) => id?.startsWith('CP-'))).toEqual([]);
    expect(alone).toContain('TW-A1');
  });
  test('of a refused use has the point that says so, with its rule, first', async () => {
    const w = await walk('square-knot', 'profile=sport-crag&use=join');
    expect(w.points[0]).toMatchObject({ id: 'use', rule: { id: 'CP-U1' } });
    expect((await walk('bowline', 'profile=sport-crag&use=join')).points[0]).toMatchObject({ rule: { id: 'CP-U9' } });
  });
  test('is refused for what is not there: a companion of another knot, a use or rule set nobody knows, a short look that is not allowed', async () => {
    expect((await walk('bowline', 'profile=sport-crag&use=tie-in&companions=backed-both-sides')).errors![0]!.path).toBe(
      'companions',
    );
    for (const q of ['use=tie-in', 'profile=nobody', 'profile=sport-crag&use=dancing', 'profile=sport-crag&x=1'])
      expect((await walk('bowline', q)).status).toBe(400);
    expect((await walk('granny', 'profile=sport-crag')).status).toBe(404);
    expect((await walk('figure-eight-follow-through', 'profile=sport-crag&use=tie-in&short=1')).code).toBe(
      'short-look-not-allowed',
    );
  });
});

describe('shapes with a companion', () => {
  const shape = (query: string) => call(t, 'GET', `/knots/${query}`, null);
  const tailOf = async (query: string) =>
    ((await shape(query)).body as unknown as { components: { marks: { tail: [number, number] } }[] }).components[0]!
      .marks.tail[0];
  test('are the two as one rope, by the catalogue’s own entry or joined; its fault is another form, without it the knot alone', async () => {
    const eight = 'figure-eight-follow-through/shape?state=tight';
    expect(await tailOf(`${eight}&companions=stopper-behind`)).toBe(await tailOf('tie-in-stopper/shape?state=tight'));
    expect(await tailOf(`${eight}&companions=stopper-behind&fault=stopper-gap`)).toBe(
      await tailOf('tie-in-stopper/shape?state=tight&fault=stopper-gap'),
    );
    expect(await tailOf(`${eight}&companions=stopper-behind&fault=stopper-missing`)).toBe(await tailOf(eight));
    const tag = 'overhand-on-bight/shape?state=tight&companions=stopper-in-tag';
    const tails = [
      await tailOf(tag),
      await tailOf(`${tag}&fault=stopper-gap`),
      await tailOf(`${tag}&fault=stopper-missing`),
    ];
    expect(new Set(tails).size).toBe(3);
    for (const state of ['laid', 'dressed', 'tight'])
      expect((await shape(`barrel-noose/picture.svg?state=${state}&companions=stopper-in-tag&face=back`)).status).toBe(
        200,
      );
  });
  test('behind a bowline, and on both sides of tape, each fault is a shape of its own', async () => {
    for (const [knot, companion, faults] of [
      ['bowline', 'stopper-behind', ['', 'stopper-gap', 'stopper-wrong-strand', 'stopper-missing']],
      ['water-knot', 'backed-both-sides', ['', 'stopper-gap', 'backup-one-side', 'stopper-missing']],
    ] as const) {
      const drawn = [];
      for (const of of faults) {
        const asked = `${knot}/picture.svg?state=tight&companions=${companion}${of && `&fault=${of}`}`;
        const answer = await shape(asked);
        expect([asked, answer.status]).toEqual([asked, 200]);
        drawn.push(JSON.stringify((await shape(asked.replace('picture.svg', 'shape'))).body['components']));
      }
      expect(new Set(drawn).size).toBe(faults.length);
    }
    expect((await shape('bowline/shape?companions=stopper-behind&fault=backup-one-side')).body.code).toBe(
      'unknown-fault',
    );
  });
  test('where none is stored say so', async () => {
    expect((await shape('butterfly-rewoven/shape?companions=stopper-behind')).body.code).toBe('no-companion-form');
    expect((await shape('overhand-on-bight/shape?companions=stopper-in-tag&fault=loose')).body.code).toBe(
      'unknown-fault',
    );
    expect((await shape('overhand-on-bight/shape?companions=a-friend')).status).toBe(400);
    expect((await shape('overhand-on-bight/shape?companions=stopper-in-tag,stopper-behind')).status).toBe(400);
  });
});

test('a use that is refused stays so whatever is answered to it', async () => {
  const w = await walk('square-knot', 'profile=sport-crag&use=join');
  const points = w['points'] as { id: string }[];
  expect(points[0]!.id).toBe('use');
  const answer = (id: string) => ({
    point: id,
    found: 'right',
    ...(id === 'tail' && { tail: { tail_mm: 400, method: 'ruler' } }),
  });
  const j = await judged({
    profile: 'sport-crag',
    knot: 'square-knot',
    use: 'join',
    rope: { kind: 'dynamic', diameter_mm: 10 },
    answers: points.map((p) => answer(p.id)),
    second_signed: true,
  });
  expect(j['verdict']).toBe('take-out-and-retie');
});

describe('judging', () => {
  const right = async (profile: string, knot: string, use: string, tail: object, more: object = {}) => {
    const w = await walk(knot, `profile=${profile}&use=${use}`);
    return judged({
      profile,
      knot,
      use,
      second_signed: true,
      answers: w.points.map((p) => ({ point: p.id, found: 'right', ...(p.id === 'tail' && { tail }) })),
      ...more,
    });
  };
  test('stores nothing, and answers as a recorded check does', async () => {
    const tail = { tail_mm: 130, method: 'ruler', uncertainty_mm: 5 };
    const count = async () => (await call(t, 'GET', '/record/head', checker)).body['count'];
    const before = await count();
    const j = await right('rope-access', 'figure-eight-follow-through', 'tie-in', tail, {
      rope: { kind: 'low-stretch', diameter_mm: 10 },
      second_signed: false,
    });
    expect(await count()).toBe(before);
    const body = checkBody({ tier: tier.id, rope });
    await call(t, 'POST', '/checks', checker, body);
    const recorded = (await call(t, 'GET', `/checks/${body.id}`, checker)).body['entries'] as {
      entry: { body: { judgement: object } };
    }[];
    const { status: _, errors: __, ...answered } = j;
    expect(answered).toEqual(recorded[0]!.entry.body.judgement);
  });
  test('an end stopper at half its length is short, at its length met; by ruler as read', async () => {
    const at = (tail_mm: number, method = 'ruler') =>
      right('rope-access', 'figure-eight-stopper', 'stopper', { tail_mm, method });
    expect([(await at(150)).verdict, (await at(299)).verdict, (await at(300)).verdict]).toEqual([
      'put-right',
      'put-right',
      'meets-the-rule',
    ]);
    // any other way is as far off as it usually is
    expect((await at(320, 'by-eye')).verdict).toBe('not-judged');
    expect((await at(330, 'by-eye')).verdict).toBe('meets-the-rule');
  });
  test('a fist laid on, a use that is refused, common practice off', async () => {
    const fist = (await right('rope-access', 'bowline-locked', 'tie-in', { fist: 'just' })).points.find(
      (p) => p.point === 'tail',
    )!;
    expect([fist.state, fist.tail!.margin_mm]).toEqual(['meets', 0]);
    const refused = await judged({ profile: 'sport-crag', knot: 'half-hitches', use: 'hitch-object', answers: [] });
    expect([refused.verdict, refused.points[0]!.point, refused.points[0]!.rule!.id]).toEqual([
      'take-out-and-retie',
      'use',
      'CP-U2',
    ]);
    const silent = await right(
      'rescue-team',
      'bowline-locked',
      'tie-in',
      { tail_mm: 150, method: 'ruler' },
      { common: false },
    );
    expect([silent.verdict, silent.not_judged]).toEqual(['not-judged', ['tail']]);
  });
  test('what cannot be read is refused at its field', async () => {
    const body = { profile: 'sport-crag', knot: 'bowline', use: 'tie-in', answers: [] };
    for (const [path, bad] of [
      ['knot', { knot: 'granny' }],
      ['profile', { profile: 'nobody' }],
      ['companions', { companions: ['backed-both-sides'] }],
      ['answers.front.found', { answers: [{ point: 'front', found: 'half-finished' }] }],
      ['answers.tail.found', { answers: [{ point: 'tail', found: 'loose' }] }],
      ['answers.tail', { answers: [{ point: 'tail', found: 'right' }] }],
    ] as const) {
      const a = await judged({ ...body, ...bad });
      expect([path, a.status, a.errors?.[0]?.path]).toEqual([path, 400, path]);
    }
  });
});

describe('a recorded check', () => {
  const record = async (change: object, tied: object = {}) => {
    const body = checkBody({ tier: tier.id, rope });
    const tied_knot = { ...body.tied_knot, ...tied };
    const a = await call(t, 'POST', '/checks', checker, { ...body, tied_knot, ...change });
    return { ...a, id: body.id };
  };
  const entryOf = async (id: string) =>
    (
      (await call(t, 'GET', `/checks/${id}`, checker)).body['entries'] as { entry: { body: Record<string, unknown> } }[]
    )[0]!.entry.body;
  test('says what the knot was for; without it, where there is a choice, it is refused', async () => {
    expect((await record({ use: undefined })).body.errors![0]!.path).toBe('use');
    const made = await record({ use: 'end-loop', answers: [] });
    expect(await entryOf(made.id)).toMatchObject({
      use: 'end-loop',
      companions: [],
      judging: 2,
      common_practice: { version: 2, sha256: expect.stringMatching(/^[0-9a-f]{64}$/) as unknown },
      rope_kind: expect.any(String) as unknown,
    });
    // a knot with one use alone needs none
    const stopper = await record({ use: undefined, answers: [] }, { knot: 'figure-eight-stopper' });
    expect([stopper.status, (await entryOf(stopper.id))['use']]).toEqual([200, 'stopper']);
    const row = ((await call(t, 'GET', '/checks', checker)).body['items'] as { id: string; use: string }[]).find(
      (r) => r.id === made.id,
    );
    expect(row!.use).toBe('end-loop');
  });
  test('of a knot tied by somebody outside, or by nobody knows whom: then the checker states it, and a second person is asked', async () => {
    const outside = await record({}, { tied_by: undefined, tied_by_outside: { words: 'a guest on the rope' } });
    expect(await entryOf(outside.id)).toMatchObject({
      tied_by: null,
      tied_by_outside: 'a guest on the rope',
      alone: false,
    });
    const rows = (await call(t, 'GET', '/checks', checker)).body['items'] as { id: string; tied_by_name: string }[];
    expect(rows.find((r) => r.id === outside.id)!.tied_by_name).toBe('a guest on the rope (from outside)');
    const crag = { profile: 'sport-crag', profile_version: 3 };
    const unknown = await record(crag, { tied_by: undefined, tied_by_unknown: true });
    expect([unknown.body['verdict'], await entryOf(unknown.id)]).toMatchObject([
      'not-judged',
      { tied_by: null, not_tied_by_me: true, judgement: { second_signature: 'missing-required' } },
    ]);
    for (const tied of [
      { tied_by: undefined },
      { tied_by_unknown: true },
      { tied_by: undefined, tied_by_outside: { words: '' } },
    ])
      expect((await record({}, tied)).status).toBe(400);
  });
  test('with a companion keeps it; an older client says only that a stopper is tied', async () => {
    const behind = await record({ companions: ['stopper-behind'], answers: [] });
    expect(await entryOf(behind.id)).toMatchObject({ companions: ['stopper-behind'], stopper: true });
    const older = await record({ stopper: true, answers: [], profile: 'rescue-team', profile_version: 3 });
    expect(await entryOf(older.id)).toMatchObject({ companions: ['two-strand-backup'] });
    expect((await record({ companions: ['backed-both-sides'] })).status).toBe(400);
    expect((await record({ short: true })).body.code).toBe('short-look-not-allowed');
    // at a stop of a round the whole is looked at, whatever the rule set allows
    const atStop = await record({ short: true, round: { walk: randomUUID(), stop: 0 } });
    expect([atStop.status, atStop.body.errors![0]!.path]).toEqual([400, 'short']);
    expect((await record({ id: randomUUID(), use: 'join' })).body['verdict']).toBe('take-out-and-retie');
  });
});
