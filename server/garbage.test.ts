import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { z } from 'zod';
import { ENDPOINTS, problem, type Endpoint } from '../contract';
import { call, member, organisation, testbed, type Member, type Testbed } from './testing/harness';

let t: Testbed;
let who: Member;
beforeAll(async () => {
  t = await testbed('garbage');
  who = await member(t, (await organisation(t, 'Loft')).id, ['instructor', 'assessor', 'inspector', 'owner']);
});
afterAll(() => t.close());

const JUNK: unknown[] = [
  {},
  [],
  null,
  'text',
  7,
  true,
  { unknown: 1 },
  { id: 'x' },
  { id: 5, name: [] },
  { handle: { $ne: '' }, password: 'x' },
  { answers: [{}] },
  { profile: '../..', knot: '🪢', rope_diameter_mm: '10' },
  { rope_diameter_mm: 1e300 },
  { rope_diameter_mm: -1, knot: 'bowline', profile: 'sport-crag' },
];
const endpoints = Object.entries(ENDPOINTS as Record<string, Endpoint>);

describe.each(endpoints.filter(([, e]) => e.body).map(([name, e]) => [name, e] as const))('body of %s', (_name, e) => {
  const path = e.path.replace(':id', '3f2b8a3e-1111-4222-8333-444455556666');
  test('nonsense is refused as problem+json with a code, never a 500', async () => {
    for (const junk of JUNK) {
      if (e.body!.safeParse(junk).success) continue;
      const a = await call(t, e.method, path, who, junk);
      expect([path, junk, a.status]).toEqual([path, junk, 400]);
      expect(a.headers['content-type']).toContain('application/problem+json');
      expect(problem.safeParse(a.body).success).toBe(true);
    }
  });

  test('what is no JSON, too much, or another kind is refused', async () => {
    expect((await call(t, e.method, path, who, '{"a":')).body.code).toBe('bad-json');
    expect((await call(t, e.method, path, who, '')).body.code).toBe('bad-json');
    expect((await call(t, e.method, path, who, `"${'x'.repeat(300_000)}"`)).body.code).toBe('body-too-large');
    expect(
      (await call(t, e.method, path, who, 'a=1', { 'content-type': 'application/x-www-form-urlencoded' })).body.code,
    ).toBe('unsupported-media');
  });

  test('arbitrary JSON never breaks the server', async () => {
    await fc.assert(
      fc.asyncProperty(fc.json({ maxDepth: 3 }), async (text) => {
        const a = await call(t, e.method, path, who, text);
        expect(a.status).toBeLessThan(500);
      }),
      { numRuns: 40 },
    );
  });
});

test.each(endpoints.filter(([, e]) => e.query).map(([name, e]) => [name, e] as const))(
  'query of %s: unknown and malformed parameters are named',
  async (_name, e) => {
    const path = e.path.replace(':id', 'figure-eight-follow-through').replace(':way', 'retrace');
    for (const [q, field] of [
      ['nonsense=1', 'nonsense'],
      ['limit=abc', 'limit'],
      ['cursor=%00%00', 'cursor'],
      ['state=molten', 'state'],
      ['size=-1', 'size'],
      ['from=yesterday', 'from'],
      ['from=0000-01-01', 'from'],
      ['to=9999-12-31', 'to'],
      ['wraps=x', 'wraps'],
    ] as const) {
      const keys = Object.keys((e.query as z.ZodObject).shape);
      const a = await call(t, e.method, `${path}?${q}`, who);
      expect([q, a.status]).toEqual([q, 400]);
      expect(a.body.errors!.some((x) => x.path === `querystring.${field}`)).toBe(true);
      if (!keys.includes(field))
        expect(a.body.errors!.find((x) => x.path.endsWith(field))!.message).toBe('is not known here');
    }
  },
);

test.each([
  ['GET', '/knots/granny', 404, 'unknown-knot'],
  ['GET', '/knots/bowline/shape?fault=half-finished', 400, 'unknown-fault'],
  ['GET', '/knots/bowline/shape?object=post', 400, 'no-object-form'],
  ['GET', '/knots/bowline/shape?wraps=3', 400, 'no-wraps-form'],
  ['GET', '/knots/bowline/ways/one', 404, 'unknown-way'],
  ['GET', '/knots/%F0%9F%AA%A2', 404, 'unknown-knot'],
  ['GET', '/knots/a%00b', 404, 'unknown-knot'],
  ['GET', '/knots/bowline-locked/ways/loop-and-lock/frame.svg?frame=399', 400, 'bad-input'],
  ['GET', '/knots/bowline/picture.svg?fit=granny', 400, 'unknown-fault'],
  ['GET', '/checks/not-a-uuid', 400, 'bad-input'],
  ['GET', '/nothing', 404, 'not-found'],
  ['PUT', '/knots', 405, 'method-not-allowed'],
  ['GET', '/api/v1/knots/%', 404, 'not-found'],
  ['GET', `/knots/${'x'.repeat(190)}`, 400, 'bad-input'],
  ['GET', `/knots/${'x'.repeat(5000)}`, 404, 'not-found'],
  ['GET', '/checks?cursor=abcd', 400, 'bad-input'],
  ['GET', '/jobs?cursor=abcd', 400, 'bad-input'],
] as const)('%s %s gives %d %s', async (method, path, status, code) => {
  const a = await call(t, method, path, who);
  expect([a.status, a.body.code]).toEqual([status, code]);
  expect(a.headers['content-type']).toContain('application/problem+json');
});

/** Addresses of stored things: their replies are held against the contract where those are made. */
const NO_KNOT = /^\/(checks|jobs|tied-knots|people|ropes|rounds|round-walks|work)\/:id/;
test('replies are what the contract says', async () => {
  for (const [name, e] of endpoints) {
    if (e.method !== 'GET' || !e.reply || e.path.includes(':way') || NO_KNOT.test(e.path)) continue;
    const asked: Record<string, string> = {
      touched: '?crossings=2',
      walk: '?profile=sport-crag&use=end-loop&companions=stopper-behind',
      verifyEntry: `?organisation=${who.organisation}&sequence=1&sha256=${'0'.repeat(64)}`,
    };
    const a = await call(t, 'GET', `${e.path.replace(':id', 'bowline')}${asked[name] ?? ''}`, who);
    expect([name, a.status]).toEqual([name, 200]);
    expect([name, e.reply.safeParse(a.body).error?.issues ?? []]).toEqual([name, []]);
  }
  expect(
    ENDPOINTS.way.reply.safeParse((await call(t, 'GET', '/knots/bowline-locked/ways/loop-and-lock')).body).success,
  ).toBe(true);
});

test('the documentation is made from the contract: every endpoint is in it', async () => {
  const api = (await call(t, 'GET', '/openapi.json')).body as {
    openapi?: string;
    paths?: Record<string, Record<string, unknown>>;
  };
  expect(api.openapi).toMatch(/^3\.1/);
  for (const [, e] of endpoints)
    expect(Object.keys(api.paths![`/api/v1${e.path.replace(/:(\w+)/g, '{$1}')}`] ?? {})).toContain(
      e.method.toLowerCase(),
    );
  const page = await call(t, 'GET', '/api/docs');
  expect(page.text).toContain('POST /api/v1/choose');
  expect(page.text).toContain('id="id-taken"');
});

test('pictures and files', async () => {
  const svg = await call(t, 'GET', '/knots/bowline/picture.svg?face=back&theme=print&object=ring');
  expect(svg.headers['content-type']).toContain('image/svg+xml');
  expect(svg.text).toMatch(/^<svg .*<desc>From the standing part/s);
  const obj = await call(t, 'GET', '/knots/bowline/shape.obj');
  const shape = (await call(t, 'GET', '/knots/bowline/shape')).body as { components?: { points: unknown[] }[] };
  expect(obj.text.match(/^v /gm)).toHaveLength(shape.components![0]!.points.length);
});

test('while the database is away: 503, said plainly', async () => {
  const other = await testbed('away');
  await other.db.end();
  const a = await call(other, 'GET', '/health');
  expect([a.status, a.body.code]).toEqual([503, 'database-away']);
  expect((await call(other, 'GET', '/knots')).status).toBe(200);
  await other.app.close();
});
