import { describe, expect, test } from '@jest/globals';
import { z } from 'zod';
import { ENDPOINTS, job, newCheckBody, newPersonBody, page, tailBody, uuid, type Endpoint } from './index';

const JOB = {
  purpose: 'tie-in',
  profile: 'sport-crag',
  rope: { kind: 'dynamic', diameter_mm: 10.2 },
  second_rope: null,
  pulls: ['standing-eye'],
  object: 'harness',
  end_free: true,
  untie: 'after-hard-falls',
  must_pass: [],
  team: 'trained',
  life_load: true,
};

describe('a job', () => {
  test('needs every field but two', () => {
    expect(job.safeParse(JOB).success).toBe(true);
    for (const key of Object.keys(JOB)) {
      const { [key as keyof typeof JOB]: _left, ...rest } = JOB;
      expect([key, job.safeParse(rest).success]).toEqual([key, key === 'second_rope']);
    }
    expect(job.safeParse({ ...JOB, fits_thicknesses: 2 }).success).toBe(true);
  });

  test.each([
    ['no pull', { pulls: [] }],
    ['a pull twice', { pulls: ['ring', 'ring'] }],
    ['a field more', { colour: 'red' }],
    ['an unknown purpose', { purpose: 'decoration' }],
    ['a thin rope', { rope: { kind: 'dynamic', diameter_mm: 1 } }],
    ['a number as text', { rope: { kind: 'dynamic', diameter_mm: '10' } }],
    ['NaN', { rope: { kind: 'dynamic', diameter_mm: Number.NaN } }],
  ])('with %s is refused', (_n, change) => {
    expect(job.safeParse({ ...JOB, ...change }).success).toBe(false);
  });
});

test('ids are UUIDs, taken in lower case', () => {
  expect(uuid.parse('3F2B8A3E-1111-4222-8333-444455556666')).toBe('3f2b8a3e-1111-4222-8333-444455556666');
  for (const bad of ['', 'x', '3f2b8a3e11114222833344445555666', 7]) expect(uuid.safeParse(bad).success).toBe(false);
});

test('fists outside 70 to 120 mm, and lengths below nothing, are refused', () => {
  const q = { profile: 'rope-access', knot: 'bowline', rope_diameter_mm: 10 };
  expect(tailBody.safeParse({ ...q, fist_mm: 70 }).success).toBe(true);
  for (const change of [
    { fist_mm: 69.9 },
    { fist_mm: 120.1 },
    { tail_mm: -0.1 },
    { uncertainty_mm: -1 },
    { as: 'anchor' },
  ])
    expect(tailBody.safeParse({ ...q, ...change }).success).toBe(false);
});

test('handles and passwords', () => {
  const p = {
    id: '3f2b8a3e-1111-4222-8333-444455556666',
    name: ' Una ',
    handle: 'una',
    password: '0123456789',
    roles: ['owner'],
  };
  expect(newPersonBody.parse(p).name).toBe('Una');
  for (const change of [
    { handle: 'Una' },
    { handle: 'u' },
    { handle: 'una; DROP' },
    { password: 'short' },
    { roles: [] },
    { roles: ['king'] },
    { name: '   ' },
    { name: 'a\u0007b' },
  ])
    expect(newPersonBody.safeParse({ ...p, ...change }).success).toBe(false);
});

test('pages have a limit and an opaque cursor', () => {
  expect(page.parse({})).toEqual({ limit: 50 });
  expect(page.parse({ limit: '7' }).limit).toBe(7);
  for (const bad of [{ limit: 0 }, { limit: 201 }, { limit: 'many' }, { cursor: "' OR 1=1" }])
    expect(page.safeParse(bad).success).toBe(false);
});

test('every body and query refuses unknown fields, every path says its parameters', () => {
  for (const [name, e] of Object.entries(ENDPOINTS) as [string, Endpoint][]) {
    for (const schema of [e.body, e.query, e.params])
      if (schema)
        expect([
          name,
          JSON.stringify(z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' })).includes(
            '"additionalProperties":false',
          ),
        ]).toEqual([name, true]);
    const named = [...e.path.matchAll(/:(\w+)/g)].map((m) => m[1]!);
    expect([name, Object.keys((e.params as z.ZodObject | undefined)?.shape ?? {})]).toEqual([name, named]);
    expect([name, e.reply !== undefined || (e.files?.length ?? 0) > 0]).toEqual([name, true]);
  }
});

test('a check carries no verdict of its own', () => expect(Object.keys(newCheckBody.shape)).not.toContain('verdict'));
