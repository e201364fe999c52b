import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { NodeIO } from '@gltf-transform/core';
import { call, testbed, type Testbed } from '../testing/harness';

let t: Testbed;
beforeAll(async () => {
  t = await testbed('knots');
});
afterAll(() => t.close());

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
interface Shape {
  components: {
    name: string;
    role: string;
    closed: boolean;
    points: number[][];
    marks?: { standing: number[]; tail: number[]; eye: number };
  }[];
}
const shape = async (query: string) =>
  (await call(t, 'GET', `/knots/figure-eight-follow-through/shape${query}`)).body as unknown as Shape;

describe('the catalogue', () => {
  test('lists knots, not faults; an entry is whole', async () => {
    const list = (await call(t, 'GET', '/knots')).body as unknown as {
      id: string;
      faults: string[];
      ways: unknown[];
    }[];
    expect(list.map((k) => k.id)).toEqual(expect.arrayContaining(['bowline', 'square-knot', 'prusik', 'water-knot']));
    for (const fault of ['granny', 'thief', 'false-butterfly']) expect(list.map((k) => k.id)).not.toContain(fault);
    expect(list.find((k) => k.id === 'alpine-butterfly')).toMatchObject({
      family: 'midline',
      faults: expect.arrayContaining(['false-butterfly']) as unknown,
      form_certainty: 'settled',
    });
    const entry = (await call(t, 'GET', '/knots/bowline-locked')).body;
    for (const key of [
      'names',
      'pulls',
      'untying',
      'needs',
      'faces',
      'check_points',
      'faults',
      'tail_rule_key',
      'cautions',
      'form_certainty',
    ])
      expect(entry).toHaveProperty(key);
    const crossings = entry['crossings'] as { count: number; gauss_code: string };
    expect(crossings.gauss_code.match(/[OU]\d+[+-]/g)).toHaveLength(2 * crossings.count);
    expect(entry['faults_with_shape'] as string[]).toContain('lock-not-through-collar');
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
    expect((await shape('?fault=loose')).components[0]!.points).toEqual(
      (await shape('?state=dressed')).components[0]!.points,
    );
    expect((await shape('?object=ring')).components.map((c) => c.role)).toEqual(['rope', 'ring', 'ring']);
    expect((await shape('?object=ring')).components[0]!.points).toEqual(right);
    expect((await shape('?fault=one-harness-point')).components).toHaveLength(3);
  });
});

describe('shapes as they are asked for', () => {
  const get = async (path: string) => call(t, 'GET', path);

  test('the noose by its wraps, on its karabiner or on a ring; the gate is marked', async () => {
    const of = async (query: string) => (await get(`/knots/barrel-noose/shape${query}`)).body as unknown as Shape;
    const two = await of('');
    expect(await of('?wraps=2')).toEqual(two);
    expect((await of('?wraps=3')).components[0]!.points.length).toBeGreaterThan(two.components[0]!.points.length);
    expect(two.components[1]).toMatchObject({
      name: 'karabiner',
      role: 'ring',
      closed: true,
      marks: { gate: [expect.any(Number), expect.any(Number)] },
    });
    expect((await of('?object=ring')).components[1]).toMatchObject({ name: 'ring', closed: true });
    for (const [path, code] of [
      ['/knots/barrel-noose/shape?wraps=5', 'no-wraps-form'],
      ['/knots/bowline/shape?wraps=2', 'no-wraps-form'],
      ['/knots/barrel-noose/shape?object=post', 'no-object-form'],
      ['/knots/overhand-stopper/shape?object=ring', 'no-object-form'],
      ['/knots/overhand-stopper/shape?fault=false-butterfly', 'unknown-fault'],
      ['/knots/barrel-noose/shape?wraps=0', 'bad-input'],
    ] as const)
      expect([path, (await get(path)).status, (await get(path)).body.code]).toEqual([path, 400, code]);
  });

  test('a glTF holds each component as a tube of its own, a 10 mm rope in metres', async () => {
    const glb = await t.app.inject({ method: 'GET', url: '/api/v1/knots/barrel-noose/shape.glb' });
    const document = await new NodeIO().readBinary(new Uint8Array(glb.rawPayload));
    const { components } = (await get('/knots/barrel-noose/shape')).body as unknown as Shape;
    const nodes = document.getRoot().listNodes();
    expect(nodes.map((n) => n.getName())).toEqual(components.map((c) => c.name));
    nodes.forEach((node, k) => {
      const [primitive] = node.getMesh()!.listPrimitives();
      const place = primitive!.getAttribute('POSITION')!;
      expect(node.getScale()).toEqual([0.01, 0.01, 0.01]);
      expect(primitive!.getAttribute('COLOR_0')!.getCount()).toBe(place.getCount());
      expect(Math.max(...(primitive!.getIndices()!.getArray() as Uint32Array))).toBe(place.getCount() - 1);
      // the tube reaches half a diameter beyond its line
      const top = Math.max(...components[k]!.points.map((p) => p[1]!));
      expect(place.getMax([])[1]!).toBeGreaterThan(top - 0.3);
      expect(place.getMax([])[1]!).toBeLessThan(top + 1);
    });
    expect((await get('/knots/barrel-noose/shape.glb?object=post')).body).toMatchObject({ code: 'no-object-form' });
  });

  test('right and wrong beside each other: one frame, a ring on both; a ring without the other form is refused', async () => {
    const picture = async (query: string) => get(`/knots/alpine-butterfly/picture.svg?crop=knot&${query}`);
    const [right, wrong] = await Promise.all([
      picture('fit=false-butterfly&ring=differs'),
      picture('fault=false-butterfly&fit=right&ring=differs'),
    ]);
    const box = (text: string) => /viewBox="([^"]+)"/.exec(text)![1];
    expect(box(right.text)).toBe(box(wrong.text));
    for (const { text } of [right, wrong]) expect(text).toContain('data-mark="here"');
    expect((await picture('fit=false-butterfly')).text).not.toContain('data-mark');
    for (const bad of [
      'ring=differs',
      'ring=differs&fit=right',
      'ring=differs&fault=false-butterfly&fit=loose',
      'ring=round&fit=right',
    ])
      expect([bad, (await picture(bad)).status]).toEqual([bad, 400]);
  });

  test('a fault has its own shape, picture and OBJ', async () => {
    for (const path of ['shape', 'picture.svg', 'shape.obj']) {
      const [right, wrong] = await Promise.all(
        ['', '?fault=false-butterfly'].map(async (q) => (await get(`/knots/alpine-butterfly/${path}${q}`)).text),
      );
      expect(right).not.toBe(wrong);
    }
  });

  test('a crossing keeps its number in every state', async () => {
    const ids = async (state: string) =>
      [...(await get(`/knots/bowline/picture.svg?state=${state}`)).text.matchAll(/data-crossing="(\d+)"/g)].map((m) =>
        Number(m[1]),
      );
    const laid = await ids('laid');
    for (const state of ['dressed', 'tight']) {
      const seen = await ids(state);
      expect(new Set(seen).size).toBe(seen.length);
      expect(seen.filter((k) => laid.includes(k)).length).toBeGreaterThan(laid.length / 2);
    }
  });
});

describe('a picture', () => {
  const svg = async (query: string) => (await call(t, 'GET', `/knots/bowline-locked/picture.svg${query}`)).text;
  const box = (text: string) => /viewBox="([^"]+)"/.exec(text)![1];
  test('differs by face, theme, fault and hand', async () => {
    const all = await Promise.all(
      ['', '?face=back', '?theme=headlamp', '?fault=third-strand-astray', '?hand=left', '?state=laid'].map(svg),
    );
    expect(new Set(all).size).toBe(all.length);
  });
  test('shares its frame with the form it is held against', async () => {
    expect(box(await svg('?fit=eye-too-large'))).toBe(box(await svg('?fault=eye-too-large&fit=right')));
    expect(box(await svg('?object=ring&fit=one-harness-point'))).toBe(
      box(await svg('?object=ring&fault=one-harness-point&fit=right')),
    );
    expect(box(await svg(''))).not.toBe(box(await svg('?fit=eye-too-large')));
  });
  test('of a step exists for every frame of a way', async () => {
    const way = (await call(t, 'GET', '/knots/figure-eight-follow-through/ways/retrace')).body as unknown as {
      frames: unknown[];
    };
    for (let i = 0; i < way.frames.length; i++)
      expect(
        (await call(t, 'GET', `/knots/figure-eight-follow-through/ways/retrace/frame.svg?frame=${i}`)).text,
      ).toMatch(/^<svg/);
  });
});

describe('computing needs no sign-in', () => {
  test('choose answers with every knot once and its versions', async () => {
    const a = (await call(t, 'POST', '/choose', null, JOB)).body as unknown as {
      suited: { knot: string }[];
      nearly: { knot: string }[];
      excluded: { knot: string }[];
      versions: object;
    };
    expect(a.suited.map((s) => s.knot)).toEqual(['bowline-locked', 'figure-eight-follow-through']);
    expect(a.nearly.map((n) => n.knot).sort()).toEqual(['bowline', 'double-bowline']);
    expect(a.versions).toEqual({ catalogue: 3, profile: 'sport-crag', profile_version: 3 });
    expect((await call(t, 'POST', '/choose', null, { ...JOB, profile: 'sport-crag@1' })).status).toBe(200);
    expect((await call(t, 'POST', '/choose', null, { ...JOB, profile: 'sport-crag@4' })).body.errors![0]!.path).toBe(
      'profile',
    );
  });
  test('a tail by what the knot is for: common practice lies beneath the school; without it the school alone', async () => {
    const tail = async (q: object) => {
      const { status, body } = await call(t, 'POST', '/tail', null, {
        profile: 'rope-access',
        knot: 'figure-eight-stopper',
        rope_diameter_mm: 11,
        ...q,
      });
      const { use, length_kind, required_mm, verdict, margin_mm, rule, errors } = body as never as {
        use?: string;
        length_kind: string;
        required_mm: number;
        verdict: string;
        margin_mm: number;
        rule?: { id: string; layer?: string };
        errors?: { path: string }[];
      };
      if (status !== 200) return [status, errors?.[0]?.path];
      return [use, length_kind, required_mm, verdict, margin_mm, rule!.id, rule!.layer];
    };
    // without a use the strictest is taken, and said
    expect(await tail({ tail_mm: 150 })).toEqual(await tail({ tail_mm: 150, use: 'stopper' }));
    expect(await tail({ tail_mm: 150, use: 'stopper' })).toEqual([
      'stopper',
      'beyond_stopper',
      300,
      'short',
      -150,
      'RA-T2',
      'school',
    ]);
    expect(await tail({ tail_mm: 150, as: 'rope-end', common: true })).toEqual(
      await tail({ tail_mm: 150, use: 'stopper' }),
    );
    const joint = { knot: 'offset-overhand', tail_mm: 200 };
    expect(await tail({ ...joint, use: 'join-to-retrieve' })).toEqual([
      'join-to-retrieve',
      'tail',
      300,
      'short',
      -100,
      'CP-T5',
      'common',
    ]);
    expect(await tail({ ...joint, common: false })).toEqual([
      'join-to-retrieve',
      'tail',
      100,
      'enough',
      100,
      'RA-T1',
      'school',
    ]);
    // by ruler as it is read, by eye at its worst, as far off as it usually is or as it is said to be
    const noose = {
      profile: 'tree-work',
      knot: 'buntline-hitch',
      rope_diameter_mm: 12,
      tail_mm: 60,
      use: 'termination',
    };
    expect((await tail({ ...noose, method: 'ruler' })).slice(3, 5)).toEqual(['enough', 0]);
    expect((await tail({ ...noose, method: 'by-eye' })).slice(3, 5)).toEqual(['not-measured', -30]);
    expect((await tail({ ...noose, method: 'by-eye', uncertainty_mm: 2 })).slice(3, 5)).toEqual(['not-measured', -2]);
    const tied = { profile: 'sport-crag', knot: 'figure-eight-follow-through', tail_mm: 80 };
    expect(await tail({ ...tied, companions: ['stopper-behind'] })).toEqual([
      'tie-in',
      'beyond_stopper',
      75,
      'enough',
      5,
      'CP-T10',
      'common',
    ]);
    expect(await tail({ ...tied, stopper: true, use: 'tie-in' })).toEqual(
      await tail({ ...tied, companions: ['stopper-behind'] }),
    );
    expect(await tail({ use: 'tie-in' })).toEqual([400, 'use']);
    expect(await tail({ use: 'stopper', as: 'rope-end' })).toEqual([400, 'as']);
    expect((await tail({ use: 'dancing' }))[0]).toBe(400);
    expect((await tail({ companions: ['a-friend'] }))[0]).toBe(400);
  });
  test('tail and rope needed answer in millimetres', async () => {
    const q = { profile: 'river-expedition', knot: 'figure-eight-follow-through', rope_diameter_mm: 9 };
    expect((await call(t, 'POST', '/tail', null, { ...q, tail_mm: 120 })).body).toMatchObject({
      length_kind: 'tail',
      required_mm: 100,
      verdict: 'enough',
      margin_mm: 20,
      rule: { profile: 'river-expedition', version: 3 },
    });
    const r = (await call(t, 'POST', '/rope-needed', null, q)).body as unknown as Record<string, number>;
    expect(r['total_mm']).toBeCloseTo(r['in_knot_mm']! + r['eye_mm']! + r['tail_mm']! + r['stopper_mm']!, 6);
    expect((await call(t, 'POST', '/rope-needed', null, { ...q, knot: 'granny' })).body.errors![0]!.path).toBe('knot');
  });
});
