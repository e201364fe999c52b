import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { call, testbed, type Testbed } from '../testing/harness';

let t: Testbed;
beforeAll(async () => {
  t = await testbed('knots');
});
afterAll(() => t.close());

const JOB = { purpose: 'tie-in', profile: 'sport-crag', rope: { kind: 'dynamic', diameter_mm: 10.2 }, second_rope: null, pulls: ['standing-eye'], object: 'harness', end_free: true, untie: 'after-hard-falls', must_pass: [], team: 'trained', life_load: true };
interface Shape { components: { name: string; role: string; closed: boolean; points: number[][]; marks?: { standing: number[]; tail: number[]; eye: number } }[] }
const shape = async (query: string) => (await call(t, 'GET', `/knots/figure-eight-follow-through/shape${query}`)).body as unknown as Shape;

describe('the catalogue', () => {
  test('lists knots, not faults; an entry is whole', async () => {
    const list = (await call(t, 'GET', '/knots')).body as unknown as { id: string; faults: string[]; ways: unknown[] }[];
    expect(list.map((k) => k.id).sort()).toEqual(['bowline', 'bowline-locked', 'double-bowline', 'figure-eight-follow-through']);
    const entry = (await call(t, 'GET', '/knots/bowline-locked')).body;
    for (const key of ['names', 'pulls', 'untying', 'needs', 'faces', 'check_points', 'faults', 'tail_rule_key', 'cautions', 'form_certainty']) expect(entry).toHaveProperty(key);
    const crossings = entry['crossings'] as { count: number; gauss_code: string };
    expect(crossings.gauss_code.match(/[OU]\d+[+-]/g)).toHaveLength(2 * crossings.count);
    expect((entry['faults_with_shape'] as string[])).toContain('lock-not-through-collar');
  });
});

describe('a shape', () => {
  test('runs from the standing end to the tail, its marks in order, in three states', async () => {
    for (const state of ['laid', 'dressed', 'tight']) {
      const [rope] = (await shape(`?state=${state}`)).components;
      const { standing, tail, eye } = rope!.marks!;
      expect([rope!.role, rope!.closed, standing[0], tail[1]]).toEqual(['rope', false, 0, rope!.points.length - 1]);
      expect([standing[1]! < eye, eye < tail[0]!]).toEqual([true, true]);
    }
  });

  test('is another one for a fault, and brings its harness when asked', async () => {
    const right = (await shape('')).components[0]!.points;
    expect((await shape('?fault=half-finished')).components[0]!.points).not.toEqual(right);
    expect((await shape('?fault=loose')).components[0]!.points).toEqual((await shape('?state=dressed')).components[0]!.points);
    expect((await shape('?object=ring')).components.map((c) => c.role)).toEqual(['rope', 'ring', 'ring']);
    expect((await shape('?object=ring')).components[0]!.points).toEqual(right);
    expect((await shape('?fault=one-harness-point')).components).toHaveLength(3);
  });
});

describe('a picture', () => {
  const svg = async (query: string) => (await call(t, 'GET', `/knots/bowline-locked/picture.svg${query}`)).text;
  const box = (text: string) => /viewBox="([^"]+)"/.exec(text)![1];
  test('differs by face, theme, fault and hand', async () => {
    const all = await Promise.all(['', '?face=back', '?theme=headlamp', '?fault=third-strand-astray', '?hand=left', '?state=laid'].map(svg));
    expect(new Set(all).size).toBe(all.length);
  });
  test('shares its frame with the form it is held against', async () => {
    expect(box(await svg('?fit=eye-too-large'))).toBe(box(await svg('?fault=eye-too-large&fit=right')));
    expect(box(await svg('?object=ring&fit=one-harness-point'))).toBe(box(await svg('?object=ring&fault=one-harness-point&fit=right')));
    expect(box(await svg(''))).not.toBe(box(await svg('?fit=eye-too-large')));
  });
  test('of a step exists for every frame of a way', async () => {
    const way = (await call(t, 'GET', '/knots/figure-eight-follow-through/ways/retrace')).body as unknown as { frames: unknown[] };
    for (let i = 0; i < way.frames.length; i++) expect((await call(t, 'GET', `/knots/figure-eight-follow-through/ways/retrace/frame.svg?frame=${i}`)).text).toMatch(/^<svg/);
  });
});

describe('computing needs no sign-in', () => {
  test('choose answers with every knot once and its versions', async () => {
    const a = (await call(t, 'POST', '/choose', null, JOB)).body as unknown as { suited: { knot: string }[]; nearly: { knot: string }[]; excluded: { knot: string }[]; versions: object };
    expect(a.suited.map((s) => s.knot)).toEqual(['bowline-locked', 'figure-eight-follow-through']);
    expect(a.nearly.map((n) => n.knot).sort()).toEqual(['bowline', 'double-bowline']);
    expect(a.versions).toEqual({ catalogue: 1, profile: 'sport-crag', profile_version: 1 });
    expect((await call(t, 'POST', '/choose', null, { ...JOB, profile: 'sport-crag@1' })).status).toBe(200);
    expect((await call(t, 'POST', '/choose', null, { ...JOB, profile: 'sport-crag@2' })).body.errors![0]!.path).toBe('profile');
  });
  test('tail and rope needed answer in millimetres', async () => {
    const q = { profile: 'river-expedition', knot: 'figure-eight-follow-through', rope_diameter_mm: 9 };
    expect((await call(t, 'POST', '/tail', null, { ...q, tail_mm: 120 })).body).toMatchObject({ length_kind: 'tail', required_mm: 100, verdict: 'enough', margin_mm: 20, rule: { profile: 'river-expedition', version: 1 } });
    const r = (await call(t, 'POST', '/rope-needed', null, q)).body as unknown as Record<string, number>;
    expect(r['total_mm']).toBeCloseTo(r['in_knot_mm']! + r['eye_mm']! + r['tail_mm']! + r['stopper_mm']!, 6);
    expect((await call(t, 'POST', '/rope-needed', null, { ...q, knot: 'granny' })).body.errors![0]!.path).toBe('knot');
  });
});
