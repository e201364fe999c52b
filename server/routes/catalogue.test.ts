/** Every knot of the catalogue as other programs get it. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { NodeIO } from '@gltf-transform/core';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { entryById } from '../../core/knots/catalogue/lookup';
import { call, testbed, type Testbed } from '../testing/harness';

let t: Testbed;
beforeAll(async () => {
  t = await testbed('catalogue');
});
afterAll(() => t.close());

type Stretch = [number, number];
interface Component {
  name: string;
  role: string;
  closed: boolean;
  diameter: number;
  points: number[][];
  marks?: { standing?: Stretch; tail?: Stretch; eye?: number | Stretch };
  tape?: { width: number; thickness: number; across: number[][] };
}
interface Entry {
  family: string;
  purposes: string[];
  crossings: { count: number; gauss_code: string };
  path_in_words: string;
  faults_with_shape: string[];
  wraps: number[];
  tied_to: string | null;
  drawn_up_here: boolean;
  variants: { form: string; name: string }[];
  check_points: { id: string; source: string; wrong: { fault: string }[] }[];
  faults: { id: string; verdict: string; source: string }[];
}
const get = async (path: string) => call(t, 'GET', path);
const entryOf = async (id: string) => (await get(`/knots/${id}`)).body as unknown as Entry;
const shapeOf = async (id: string, query = '') =>
  ((await get(`/knots/${id}/shape${query}`)).body as unknown as { components: Component[] }).components;
const crossingsIn = (svg: string) =>
  [...svg.matchAll(/data-crossing="(\d+)"/g)].map((m) => Number(m[1])).sort((a, b) => a - b);

/** The folders of the shelf: a knot is there when its folder is. */
const ALL = readdirSync(join(import.meta.dirname, '../../core/knots/shelf')).sort();

test('every knot that has a folder, in the family that its entry names, and nothing else', async () => {
  const list = (await get('/knots')).body as unknown as { id: string; family: string; can_be_checked: boolean }[];
  expect(list.map((k) => k.id).sort()).toEqual(ALL);
  expect(list.map((k) => [k.id, k.family])).toEqual(list.map((k) => [k.id, entryById(k.id).family]));
  expect(list.filter((k) => !k.can_be_checked)).toEqual([]);
});

describe.each(ALL)('%s', (id) => {
  test('its rope runs from the standing end to the tail in three states; a sling has no ends', async () => {
    const kinds = new Set<string>();
    for (const state of ['laid', 'dressed', 'tight']) {
      const components = await shapeOf(id, `?state=${state}`);
      const own = components.filter((c) => ['rope', 'second-rope', 'sling'].includes(c.role));
      expect(own.length).toBeGreaterThan(0);
      for (const c of own) {
        const { standing, tail } = c.marks!;
        expect([c.role === 'sling', standing === undefined, tail === undefined]).toEqual([
          c.closed,
          c.closed,
          c.closed,
        ]);
        if (!c.closed)
          expect([standing![0], tail![1], standing![1] < tail![0]]).toEqual([0, c.points.length - 1, true]);
        expect(c.points.flat().every(Number.isFinite)).toBe(true);
      }
      kinds.add(components.map((c) => `${c.name} ${c.role} ${c.closed}`).join());
    }
    expect(kinds.size).toBe(1);
    expect(await shapeOf(id)).toEqual(await shapeOf(id, '?state=tight'));
  });

  test('pictures of both faces, OBJ, glTF and entry say the same', async () => {
    const [entry, components] = await Promise.all([entryOf(id), shapeOf(id, '?state=laid')]);
    const obj = (await get(`/knots/${id}/shape.obj?state=laid`)).text;
    expect(obj.match(/^v /gm)).toHaveLength(components.reduce((n, c) => n + c.points.length, 0));
    expect(obj.match(/^o .+/gm)).toEqual(components.map((c) => `o ${c.name}`));
    const glb = await t.app.inject({ method: 'GET', url: `/api/v1/knots/${id}/shape.glb?state=laid` });
    const document = await new NodeIO().readBinary(new Uint8Array(glb.rawPayload));
    expect(
      document
        .getRoot()
        .listNodes()
        .map((n) => n.getName()),
    ).toEqual(components.map((c) => c.name));
    const [front, back] = await Promise.all(
      ['front', 'back'].map(async (face) => (await get(`/knots/${id}/picture.svg?state=laid&face=${face}`)).text),
    );
    expect(crossingsIn(front!)).toEqual(crossingsIn(back!));
    expect(entry.crossings.gauss_code.split('\n')).toHaveLength(
      components.filter((c) => ['rope', 'second-rope', 'sling'].includes(c.role)).length,
    );
    expect(entry.crossings.gauss_code.match(/[OU]\d+[+-]/g) ?? []).toHaveLength(2 * entry.crossings.count);
    if (!components.some((c) => c.tape)) expect(entry.path_in_words).toContain(`${entry.crossings.count} crossing`);
  });

  test('every form that its entry promises is there, and is another shape than the right one', async () => {
    const entry = await entryOf(id);
    const right = await shapeOf(id, '?state=dressed');
    for (const query of [
      ...entry.faults_with_shape.map((f) => `fault=${f}`),
      ...entry.variants.map((v) => `variant=${v.form}`),
      ...entry.wraps.map((w) => `wraps=${w}`),
    ]) {
      const { status } = await get(`/knots/${id}/picture.svg?state=dressed&${query}`);
      expect([query, status]).toEqual([query, 200]);
      if (query.startsWith('fault=') && query !== 'fault=loose')
        expect([query, JSON.stringify(await shapeOf(id, `?state=dressed&${query}`)) === JSON.stringify(right)]).toEqual(
          [query, false],
        );
    }
  });

  test('checks in order, the wrong answers most dangerous first, each with a verdict and a source', async () => {
    const { check_points, faults } = await entryOf(id);
    const rank = ['take-out-and-retie', 'put-right', 'remark'];
    for (const point of check_points) {
      expect([point.id, ['practice', 'general'].includes(point.source)]).toEqual([point.id, true]);
      const verdicts = point.wrong
        .map((w) => faults.find((f) => f.id === w.fault)!)
        .map((f) => rank.indexOf(f.verdict));
      expect(verdicts).not.toContain(-1);
      expect([point.id, verdicts]).toEqual([point.id, [...verdicts].sort((a, b) => a - b)]);
    }
  });
});

describe('what hitches lie on', () => {
  test('a clove hitch on a karabiner or on a post, by variant and by object', async () => {
    const roles = async (query: string) => (await shapeOf('clove-hitch', query)).map((c) => c.role);
    expect(await roles('')).toEqual(['rope', 'ring']);
    expect((await entryOf('clove-hitch')).variants.map((v) => v.form)).toEqual(['on-post']);
    expect(await roles('?variant=on-post')).toEqual(['rope', 'post']);
    expect(await shapeOf('clove-hitch', '?object=post')).toEqual(await shapeOf('clove-hitch', '?variant=on-post'));
    expect((await get('/knots/clove-hitch/shape?object=ring')).body).toMatchObject({ code: 'no-object-form' });
    expect((await get('/knots/clove-hitch/shape?variant=on-a-cloud')).body).toMatchObject({ code: 'unknown-variant' });
    expect((await get('/knots/clove-hitch/shape?variant=on-post&fault=mirrored-loops')).status).toBe(400);
  });
  test('a friction hitch comes with its host, thicker than it is', async () => {
    for (const id of ['prusik', 'klemheist', 'autoblock', 'schwabisch', 'distel', 'michoacan']) {
      const host = (await shapeOf(id)).find((c) => c.role === 'host')!;
      expect([id, host.diameter > 1.2]).toEqual([id, true]);
    }
  });
  test('wraps: prusik two to five, tension-free three to six, and no others', async () => {
    // the usual number first
    expect([(await entryOf('prusik')).wraps, (await entryOf('tension-free-hitch')).wraps]).toEqual([
      [3, 2, 4, 5],
      [4, 3, 5, 6],
    ]);
    expect((await get('/knots/prusik/shape?wraps=6')).body).toMatchObject({ code: 'no-wraps-form' });
    const length = (points: number[][]) =>
      points.slice(1).reduce((n, p, i) => n + Math.hypot(...p.map((x, k) => x - points[i]![k]!)), 0);
    const lengths = await Promise.all(
      [2, 3, 4, 5].map(async (w) => length((await shapeOf('prusik', `?wraps=${w}`))[0]!.points)),
    );
    expect(lengths).toEqual([...lengths].sort((a, b) => a - b));
  });
});

test('sizes are told in diameters of the rope, of tape in its widths', async () => {
  const measures = async (id: string) =>
    (await get(`/knots/${id}`)).body['measures'] as { of: string; width: { value: number }; length: { value: number } };
  expect([(await measures('water-knot')).of, (await measures('bowline')).of]).toEqual(['tape-width', 'rope-diameter']);
  // a folded pentagon is little wider than two of its tape's widths
  const { width } = await measures('water-knot');
  expect(width.value).toBeGreaterThan(1.5);
  expect(width.value).toBeLessThan(3.5);
});

test('tape is a ribbon: its width, its thickness and the direction across it at every point', async () => {
  for (const c of await shapeOf('water-knot')) {
    expect(c.tape!.across).toHaveLength(c.points.length);
    expect(c.tape!.width / c.tape!.thickness).toBeGreaterThan(5);
    for (const u of c.tape!.across) expect(Math.hypot(...u)).toBeCloseTo(1, 2);
  }
});

test('a knot with two eyes names both, one with a ring in it one', async () => {
  expect((await shapeOf('bowline-on-bight'))[0]!.marks!.eye).toEqual([expect.any(Number), expect.any(Number)]);
  expect((await shapeOf('figure-eight-on-bight'))[0]!.marks!.eye).toEqual(expect.any(Number));
});
