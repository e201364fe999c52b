import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { z } from 'zod';
import { ENDPOINTS } from '../../contract';
import { call, testbed, type Testbed } from '../testing/harness';

let t: Testbed;
beforeAll(async () => {
  t = await testbed('naming');
});
afterAll(() => t.close());

const get = async (path: string) => (await call(t, 'GET', path, null)).body as unknown;
const ask = async (body: unknown) => call(t, 'POST', '/identify', null, body as never);

describe('POST /identify', () => {
  test.each([
    ['bowline', '', 'bowline', null],
    ['bowline', '&fault=nip-reversed', 'bowline', 'nip-reversed'],
    ['figure-eight-bend', '&fault=offset-eight', 'figure-eight-bend', 'offset-eight'],
    ['prusik', '&fault=turns-reversed', 'prusik', 'turns-reversed'],
    ['alpine-butterfly', '&fault=false-butterfly', 'alpine-butterfly', 'false-butterfly'],
    ['clove-hitch', '', 'clove-hitch', null],
    ['water-knot', '', 'water-knot', null],
    ['klemheist', '&fault=hitch-upside-down', 'klemheist', 'hitch-upside-down'],
  ])(
    'what /shape gives of %s%s is named',
    async (id, query, knot, fault) => {
      const shape = (await get(`/knots/${id}/shape?state=tight${query}`)) as { components: unknown[] };
      const { status, body } = await ask(shape);
      expect(status).toBe(200);
      const reply = ENDPOINTS.identify.reply.parse(body);
      expect(reply.matches).toContainEqual(expect.objectContaining({ knot, fault }));
      expect(reply.said).toMatch(/^What you entered is /);
      expect(reply.known.map((k) => k.knot)).toContain(knot);
    },
    60_000,
  );

  test('a code of one face needs more; of two that differ it is refused at its field', async () => {
    const front = 'open: U1+ O2+ U3- O4- U2+ O1+ U4- O3-';
    expect((await ask({ code: front })).body['needs']).toEqual(['eye-mark', 'object']);
    const refused = await ask({ code: front, back: front });
    expect([refused.status, refused.body.code, refused.body.errors![0]!.path]).toEqual([
      400,
      'faces-differ',
      'body.code',
    ]);
    expect((await ask({ code: 'open: O1- U2- O3+ U1- O2- U4+ O4+ U3+' })).body.code).toBe('code-not-planar');
  });

  test('a line in another unit is refused before it is cut into millions of pieces: up to five thousand diameters it is looked at', async () => {
    const line = (length: number) => ({
      components: [
        { role: 'rope', closed: false, points: Array.from({ length: 101 }, (_, k) => [(length * k) / 100, 0, 0]) },
      ],
    });
    expect((await ask(line(5000))).status).toBe(200);
    for (const length of [5000.1, 1e5]) {
      const refused = await ask(line(length));
      expect([length, refused.status, refused.body.code, refused.body.errors![0]!.path]).toEqual([
        length,
        400,
        'bad-specimen',
        'body.components',
      ]);
      expect(refused.body['detail']).toContain('longer than 5000 rope diameters');
    }
  });

  test('what is no knot at all is refused, and said at its field', async () => {
    const rope = { role: 'rope', closed: false };
    for (const [components, code] of [
      [
        [
          {
            ...rope,
            points: [
              [0, 0, 0],
              [10, 0, 0],
              [10, 10, 0],
              [5, 10, 0],
              [5, -10, 0],
            ],
          },
        ],
        'strands-touch',
      ],
      [
        [
          {
            role: 'post',
            closed: false,
            points: [
              [0, 0, 0],
              [1, 0, 0],
            ],
          },
        ],
        'bad-specimen',
      ],
      [
        [
          {
            ...rope,
            points: [
              [0, 0, 0],
              [9, 0, 0],
            ],
            marks: { eye: 5 },
          },
        ],
        'bad-specimen',
      ],
    ] as const) {
      const a = await ask({ components });
      expect([a.status, a.body.code, a.body.errors![0]!.path]).toEqual([400, code, 'body.components']);
    }
    expect(
      (
        await ask({
          components: [
            {
              ...rope,
              points: [
                [0, 0, 0],
                [1e9, 0, 0],
              ],
            },
          ],
        })
      ).body.code,
    ).toBe('bad-input');
    expect((await ask({})).body.code).toBe('bad-input');
  });

  test('a straight rope is nothing', async () => {
    const { body } = await ask({
      components: [
        {
          role: 'rope',
          closed: false,
          points: Array.from({ length: 40 }, (_, i) => [i, 0, 0]),
          marks: { standing: [0, 1], tail: [38, 39] },
        },
      ],
    });
    expect([body['matches'], body['near']]).toEqual([[], []]);
    expect(body['said']).toMatch(/unknown: take out and retie/);
  });
});

describe('touching, look-alikes, drills', () => {
  test('a touched crossing comes with its shape, its picture and what it then is', async () => {
    const { status, body } = await call(t, 'GET', '/knots/bowline/touched?crossings=2', null);
    expect(status).toBe(200);
    const reply = ENDPOINTS.touched.reply.parse(body) as z.output<typeof ENDPOINTS.touched.reply>;
    expect(reply.identified.matches[0]).toMatchObject({ knot: 'bowline', fault: 'nip-reversed' });
    const picture = await call(t, 'GET', '/knots/bowline/touched.svg?crossings=2&face=back', null);
    expect(picture.text).toMatch(/^<svg/);
    expect((await call(t, 'GET', '/knots/bowline/touched?crossings=99', null)).body.code).toBe('no-such-crossing');
    expect((await call(t, 'GET', '/knots/bowline/touched?crossings=a', null)).body.code).toBe('bad-input');
    expect((await call(t, 'GET', '/knots/no-knot/touched?crossings=1', null)).status).toBe(404);
    expect((await call(t, 'GET', '/knots/bowline/touched', null)).body.code).toBe('bad-input');
    expect((await call(t, 'GET', '/knots/bowline/touched.svg?fault=nip-reversed', null)).body.code).toBe('bad-input');
  });

  test('a part is touched: its wrong forms, each shown as what it then is', async () => {
    const all = ENDPOINTS.changes.reply.parse(await get('/knots/bowline/changes')) as z.output<
      typeof ENDPOINTS.changes.reply
    >;
    expect(all.filter((c) => c.part === 'tail').map((c) => c.fault)).toEqual(
      expect.arrayContaining(['tail-short', 'tail-outside-eye']),
    );
    const reply = ENDPOINTS.touched.reply.parse(await get('/knots/bowline/touched?fault=tail-outside-eye')) as z.output<
      typeof ENDPOINTS.touched.reply
    >;
    expect(reply.identified.matches).toContainEqual(
      expect.objectContaining({ knot: 'bowline', fault: 'tail-outside-eye' }),
    );
    expect(reply.known[0]!.fault_text!.what_to_do.length).toBeGreaterThan(5);
    expect((await call(t, 'GET', '/knots/bowline/touched?fault=no-fault', null)).body.code).toBe('unknown-fault');
    expect((await call(t, 'GET', '/knots/no-knot/changes', null)).status).toBe(404);
  });

  test('look-alikes of every knot, each with its tell', async () => {
    for (const id of ['alpine-butterfly', 'figure-eight-on-bight', 'girth-hitch']) {
      const all = ENDPOINTS.lookalikes.reply.parse(await get(`/knots/${id}/look-alikes`));
      expect(all.length).toBeGreaterThan(0);
      for (const l of all) expect(l.tell.length).toBeGreaterThan(5);
    }
    expect((await call(t, 'GET', '/knots/no-knot/look-alikes', null)).status).toBe(404);
  });

  test('the next drill is seeded, its pictures are there', async () => {
    const next = async (body: unknown) =>
      ENDPOINTS.drill.reply.parse((await call(t, 'POST', '/drills/next', null, body as never)).body);
    const one = await next({ seed: 42 });
    expect(await next({ seed: 42 })).toEqual(one);
    for (const url of Object.values(one.pictures))
      expect((await call(t, 'GET', url.replace('/api/v1', ''), null)).status).toBe(200);
    expect((await next({ knots: ['bowline'] })).knot).toBe('bowline');
    const refused = await call(t, 'POST', '/drills/next', null, { knots: ['nothing'] });
    expect([refused.status, refused.body.errors![0]!.path]).toEqual([400, 'body.knots.0']);
  });
});
