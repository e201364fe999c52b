import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { ENDPOINTS } from '../contract';
import { call, member, organisation, testbed, type Member, type Testbed } from './testing/harness';

let t: Testbed;
let who: Member;
beforeAll(async () => {
  t = await testbed('importing');
  who = await member(t, (await organisation(t, 'Loft')).id, ['instructor']);
});
afterAll(() => t.close());

interface Told {
  rows: { row: number; values: Record<string, string>; errors: { column: string; message: string }[] }[];
  errors: number;
  read_in: boolean;
  first_passwords: { handle: string; password: string }[];
}
const send = async (what: string, csv: string, commit = true, id = randomUUID()) => {
  const a = await call(t, 'POST', '/imports', who, { id, what, csv, commit });
  if (a.status === 200) expect(ENDPOINTS.import.reply.safeParse(a.body).error?.issues ?? []).toEqual([]);
  return { status: a.status, code: a.body.code, problem: a.body.errors?.[0]?.message, told: a.body as unknown as Told };
};
const tags = async () => ((await call(t, 'GET', '/ropes', who)).body as unknown as { tag: string }[]).map((r) => r.tag);

describe('ropes', () => {
  test('are shown first and read in only when asked; once, however often the file is sent', async () => {
    const csv =
      '\uFEFFTag;Thing;Kind;Diameter mm;Length m;Note\r\nA-1;rope;dynamic;10,2;60;"stacks; long"\r\nA-2;karabiner;;;;\r\n';
    const seen = await send('ropes', csv, false);
    expect([seen.told.errors, seen.told.read_in, await tags()]).toEqual([0, false, ['Loft-1']]);
    const id = randomUUID();
    expect((await send('ropes', csv, true, id)).told.read_in).toBe(true);
    expect((await send('ropes', csv, true, id)).told.read_in).toBe(true);
    expect((await tags()).sort()).toEqual(['A-1', 'A-2', 'Loft-1']);
    expect((await send('ropes', `${csv}A-9;rope;dynamic;10;;`, true, id)).code).toBe('id-taken');
    const rope = (
      (await call(t, 'GET', '/ropes', who)).body as unknown as { tag: string; diameter_mm: number; note: string }[]
    ).find((r) => r.tag === 'A-1')!;
    expect(rope).toMatchObject({ diameter_mm: 10.2, note: 'stacks; long' });
  });

  test('with one wrong row none goes in, and every wrong cell is named by row and column', async () => {
    const csv =
      'tag,thing,kind,diameter_mm,length_m\nB-1,rope,dynamic,10,60\nB-2,rope,hemp,ten,60\nB-1,rope,dynamic,10,60\nA-1,rope,dynamic,10,60\n,rope,dynamic,10,60\nB-6,rope,dynamic,99,60\nB-7,rope,dynamic,,60\nB-8,rope,dynamic,10,60,extra\n';
    const { told } = await send('ropes', csv);
    expect(told.read_in).toBe(false);
    expect(told.rows.map((r) => [r.row, r.errors.map((e) => e.column)])).toEqual([
      [2, []],
      [3, ['kind', 'diameter_mm']],
      [4, ['tag']],
      [5, ['tag']],
      [6, ['tag']],
      [7, ['diameter_mm']],
      [8, ['diameter_mm']],
      [9, ['']],
    ]);
    expect(told.rows[2]!.errors[0]!.message).toBe('stands in row 2 already');
    expect((await tags()).includes('B-1')).toBe(false);
  });

  test('our own list can be read in elsewhere', async () => {
    const own = (await call(t, 'GET', '/ropes.csv', who)).text;
    const other = await member(t, (await organisation(t, 'Quay')).id, ['instructor']);
    const a = await call(t, 'POST', '/imports', other, { id: randomUUID(), what: 'ropes', csv: own, commit: true });
    expect([(a.body as unknown as Told).rows.flatMap((r) => r.errors), (a.body as unknown as Told).read_in]).toEqual([
      [],
      true,
    ]);
  });

  test('a file that is none is refused with what is missing', async () => {
    expect((await send('ropes', 'colour,size\nred,10')).problem).toMatch(/no column tag/);
    expect((await send('ropes', 'tag,kind')).problem).toMatch(/no rows/);
    expect((await send('ropes', `tag\n${'x\n'.repeat(2001)}`)).problem).toMatch(/at most 2000/);
  });
});

describe('people', () => {
  test('are read in with their roles and measures; who has no password gets one; sent again it is told anew while they have not come in', async () => {
    const id = randomUUID();
    const csv =
      'name,handle,roles,hand,length_unit,fist_mm,first_password\nMira Holt,Mira,instructor inspector,left,in,88,\nTam Reed,tam,learner,,,,a-long-password\n';
    const { told } = await send('people', csv, true, id);
    expect([told.errors, told.read_in, told.first_passwords.map((p) => p.handle)]).toEqual([0, true, ['mira']]);
    const again = (await send('people', csv, true, id)).told.first_passwords;
    expect(again).toEqual([{ handle: 'mira', password: expect.any(String) as unknown }]);
    expect(again[0]!.password).not.toBe(told.first_passwords[0]!.password);
    const people = (await call(t, 'GET', '/people', who)).body as unknown as {
      handle: string;
      hand: string;
      length_unit: string;
      fist_mm: number;
      roles: string[];
    }[];
    expect(people.find((p) => p.handle === 'mira')).toMatchObject({
      hand: 'left',
      length_unit: 'in',
      fist_mm: 88,
      roles: ['instructor', 'inspector'],
    });
    expect((await call(t, 'POST', '/session', null, { handle: 'mira', password: again[0]!.password })).status).toBe(
      200,
    );
    // what is shown of a file holds no password
    expect(JSON.stringify(told.rows)).not.toContain('a-long-password');
  });

  test('with a wrong row none goes in, also where a name is taken elsewhere', async () => {
    const { told } = await send(
      'people',
      'name,handle,roles,fist_mm\nOk One,ok.one,owner,90\nBad,b,king,300\nTaken,mira,owner,\n',
    );
    expect(told.rows.map((r) => r.errors.map((e) => e.column))).toEqual([
      [],
      ['handle', 'roles', 'fist_mm'],
      ['handle'],
    ]);
    expect((await call(t, 'POST', '/session', null, { handle: 'ok.one', password: 'whatever-it-is' })).status).toBe(
      401,
    );
    expect(((await call(t, 'GET', '/people', who)).body as unknown as unknown[]).length).toBe(3);
  });

  test('only instructors read files in', async () => {
    const inspector = await member(t, who.organisation, ['inspector']);
    expect(
      (
        await call(t, 'POST', '/imports', inspector, {
          id: randomUUID(),
          what: 'people',
          csv: 'name,handle,roles\nX,xx,owner',
          commit: true,
        })
      ).status,
    ).toBe(403);
  });
});
