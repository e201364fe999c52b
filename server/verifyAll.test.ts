/** From the schema itself: every column of every row is held by the record, or stands with its reason in a list by hand. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { generateKeyPairSync, randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import mysql from 'mysql2/promise';
import { poolOptions } from './database';
import { keeping } from './record/keeping';
import { signerFrom } from './record/signerFrom';
import { insertPasskey } from './tables/passkeys';
import { erasePerson } from './tables/people';
import { COVERED, COVERED_TABLES, DERIVED, LEFT_OUT, type CoveredTable } from './record/covered';
import {
  adminUrl,
  call,
  checkBody,
  member,
  organisation,
  PASSWORD,
  testbed,
  type Member,
  type Testbed,
} from './testing/harness';
import { chainsToVerify, verifyOrganisation } from './verify';

interface Column {
  readonly table: string;
  readonly column: string;
  readonly type: string;
  readonly key: string;
}
type Row = Record<string, unknown>;
let t: Testbed;
let admin: mysql.Connection;
let org: string;

beforeAll(async () => {
  t = await testbed('verify_all', { alters: true });
  admin = await mysql.createConnection({
    ...poolOptions(adminUrl()),
    database: poolOptions(t.databaseUrl).database!,
    timezone: 'Z',
  });
  await admin.query("SET SESSION foreign_key_checks = 0, sql_mode = ''");
  await everyKindOfRow();
});
afterAll(async () => {
  await admin.end();
  await t.close();
});

/** At least one row in every table that there is. */
async function everyKindOfRow(): Promise<void> {
  const own = await organisation(t, 'Loft');
  org = own.id;
  const checker = await member(t, org, ['instructor', 'inspector']);
  const tier = await member(t, org, ['owner']);
  const done = async (method: string, path: string, body: object, as: Member = checker) => {
    const a = await call(t, method, path, as, body);
    if (a.status !== 200) throw new Error(`${method} ${path}: ${a.text}`);
    return a;
  };
  const folder = mkdtempSync(join(tmpdir(), 'idiom-key-'));
  const file = join(folder, 'key.pem');
  writeFileSync(file, generateKeyPairSync('ed25519').privateKey.export({ type: 'pkcs8', format: 'pem' }));
  const signer = (await signerFrom({ signingKeyFile: file } as never, t.db, () => t.clock.now))!;
  rmSync(folder, { recursive: true });
  await signer.sign(org, 'start');
  const check = checkBody({ tier: tier.id, rope: own.rope });
  await done('POST', '/checks', check);
  await done('POST', '/people/me/pin', { password: PASSWORD, pin: '8842' }, tier);
  await call(t, 'POST', `/checks/${check.id}/signatures`, checker, {
    id: randomUUID(),
    agrees: true,
    note: '',
    signer: { person: tier.id, pin: '1397' },
  });
  await done('POST', `/tied-knots/${check.tied_knot.id}/events`, {
    id: randomUUID(),
    kind: 'moved',
    moved_to: 'Quay',
    note: 'x',
  });
  const ended = checkBody({ tier: tier.id, rope: own.rope });
  await done('POST', '/checks', ended);
  await done('POST', `/tied-knots/${ended.tied_knot.id}/end`, { why: 'taken out' });
  await done('POST', `/ropes/${own.rope}/events`, {
    id: randomUUID(),
    event: 'hard-fall',
    happened_at: '2026-05-14T09:00:00.000Z',
    note: '',
  });
  await keeping(t.db, { organisation: org, by: tier.id, now: t.clock.now }, (k) =>
    insertPasskey(k, {
      person: tier.id,
      name: 'My telephone',
      rp_id: 'loft.example',
      credential_id: Buffer.alloc(16, 7),
      public_key: Buffer.alloc(77, 3),
      transports: ['internal'],
      counter: 4,
    }),
  );
  const [round, walk, trial, person] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()];
  await done('POST', '/rounds', {
    id: round,
    name: 'Gallery',
    stops: [{ place: 'mast foot', knot: 'clove-hitch', rope: own.rope }],
  });
  await done('POST', '/round-walks', { id: walk, round });
  await done('POST', `/round-walks/${walk}/finish`, { id: randomUUID(), note: '' });
  await done('POST', '/passing-trials', {
    id: trial,
    knot: 'offset-overhand',
    device: 'ring',
    opening_mm: 40,
    rope_diameter_mm: 11,
    tail_mm: 300,
    result: 'stuck',
    caught: 'edge',
    note: 'n',
  });
  await done('POST', `/passing-trials/${trial}/withdrawals`, { id: randomUUID(), reason: 'tried with another rope' });
  await done('POST', '/people', { id: person, name: 'New', handle: 'new-one', password: PASSWORD, roles: ['learner'] });
  await done('PATCH', `/people/${person}`, { roles: ['learner', 'owner'] });
  await done('POST', `/people/${person}/sign-offs`, { id: randomUUID(), knot: 'bowline', may: 'tie', given: true });
  await done('POST', '/imports', {
    id: randomUUID(),
    what: 'ropes',
    csv: 'tag,kind,diameter_mm\nZ-1,dynamic,10\n',
    commit: true,
  });
  // the last one that was signed is missed by a witness alone: of these it is the first
  await signer.sign(org, 'hour');
  await done('POST', '/jobs', {
    id: randomUUID(),
    name: 'A job',
    rope: own.rope,
    job: {
      purpose: 'tie-in',
      profile: 'sport-crag',
      rope: { kind: 'dynamic', diameter_mm: 10 },
      second_rope: null,
      pulls: ['standing-eye'],
      object: 'harness',
      end_free: true,
      untie: 'any',
      must_pass: [],
      team: 'trained',
      life_load: true,
    },
  });
}

const found = async (): Promise<string[]> => {
  const faults: string[] = [];
  for (const { id } of await chainsToVerify(t.db)) faults.push(...(await verifyOrganisation(t.db, id)).faults);
  return faults;
};
async function columns(): Promise<Column[]> {
  const [all] = await admin.query(
    'SELECT table_name AS `table`, column_name AS `column`, column_type AS type, column_key AS `key` FROM information_schema.columns WHERE table_schema = DATABASE() ORDER BY table_name, ordinal_position',
  );
  return all as Column[];
}
const isCovered = (table: string): table is CoveredTable => table in COVERED;
const leftOutOf = (table: string): Readonly<Record<string, string>> =>
  isCovered(table) ? ((COVERED[table] as { leftOut?: Record<string, string> }).leftOut ?? {}) : {};

/** A row to alter: one that hangs, one of the organisation where there are several. */
async function rowOf(table: string): Promise<Row> {
  const [some] = await admin.query(
    `SELECT * FROM ${table}${table === 'tied_knots' ? ' WHERE ended_at IS NULL' : ''} ${table === 'people' ? 'ORDER BY pin_hash IS NULL' : ''} LIMIT 1`,
  );
  return (some as Row[])[0]!;
}
/** Another value of the same type. */
function otherThan(value: unknown, type: string): unknown {
  const choices = /^(?:enum|set)\((.*)\)$/
    .exec(type)?.[1]
    ?.split(',')
    .map((s) => s.slice(1, -1));
  if (choices) return choices.find((c) => c !== value && !String(value).includes(c));
  if (/^(tinyint\(1\)|boolean)/.test(type)) return value ? 0 : 1;
  if (/^(int|bigint|smallint|tinyint|double|float)/.test(type)) return Number(value ?? 0) + 1000;
  if (/^(datetime|date)/.test(type))
    return new Date(((value as Date | null) ?? new Date('2020-01-01T00:00:00Z')).getTime() + 86_400_000);
  if (/^(binary|longblob|blob|varbinary)/.test(type)) {
    const bytes = Buffer.from((value as Buffer | null) ?? Buffer.alloc(32));
    bytes[0] = bytes[0]! ^ 1;
    return bytes;
  }
  const text = typeof value === 'string' && value !== '' ? value : '0';
  return `${text.slice(0, -1)}${text.endsWith('0') ? '1' : '0'}`;
}
const isSame = (a: unknown, b: unknown) => a === b || (a instanceof Date && b instanceof Date && +a === +b);
/** Alters one column of one row, looks, and puts it back. */
async function altered({ table, column, type }: Column): Promise<{ faults: string[]; changed: boolean }> {
  const row = await rowOf(table);
  const value = otherThan(row[column], type);
  const keys = Object.entries(row).filter(
    ([k, v]) => k !== column && v !== null && !(v instanceof Buffer) && typeof v !== 'number',
  );
  const where = keys
    .slice(0, 8)
    .map(([k]) => `${k} = ?`)
    .join(' AND ');
  const values = keys.slice(0, 8).map(([, v]) => v);
  const set = async (v: unknown) =>
    admin.query(`UPDATE ${table} SET ${column} = ? WHERE ${where} LIMIT 1`, [v, ...values]);
  await set(value);
  const faults = await found();
  const [now] = await admin.query(`SELECT ${column} AS v FROM ${table} WHERE ${where} LIMIT 1`, values);
  const changed = !isSame((now as { v: unknown }[])[0]?.v, row[column]);
  await set(row[column]);
  return { faults, changed };
}

test('nothing is accused before anything is altered', async () => {
  expect(await found()).toEqual([]);
});

test('each table is held by the record, follows from it, or stands with its reason in the list; there are no others', async () => {
  const tables = [...new Set((await columns()).map((c) => c.table))];
  const known = [...COVERED_TABLES, ...DERIVED, ...Object.keys(LEFT_OUT)];
  expect(new Set(known).size).toBe(known.length);
  expect([...tables].sort()).toEqual([...known].sort());
  for (const table of tables) {
    if (table in LEFT_OUT) continue;
    const [rows] = await admin.query(`SELECT COUNT(*) AS n FROM ${table}`);
    expect([table, (rows as { n: number }[])[0]!.n > 0]).toEqual([table, true]);
  }
});

test('every column of every table, altered, is seen; but for those that stand in the list', async () => {
  const blind: string[] = [];
  let tried = 0;
  for (const c of await columns()) {
    if (c.table in LEFT_OUT || c.column in leftOutOf(c.table)) continue;
    const { faults, changed } = await altered(c);
    expect([c.table, c.column, changed]).toEqual([c.table, c.column, true]);
    tried++;
    if (faults.length === 0) blind.push(`${c.table}.${c.column}`);
  }
  expect(blind).toEqual([]);
  expect(tried).toBeGreaterThan(140);
  expect(await found()).toEqual([]);
});

test('what is left out and worked out again, or opens a seal, is seen too; a secret is not looked at', async () => {
  const of = async (table: string, column: string) =>
    (await altered((await columns()).find((c) => c.table === table && c.column === column)!)).faults.length > 0;
  expect([
    await of('tied_knots', 'due_at'),
    await of('people', 'name_salt'),
    await of('people', 'password_hash'),
    await of('people', 'pin_hash'),
  ]).toEqual([true, true, false, false]);
});

describe.each([...COVERED_TABLES, ...DERIVED])('of %s', (table) => {
  test('a row that is removed is missed', async () => {
    const row = await rowOf(table);
    const [[key]] = (await admin.query(`SHOW KEYS FROM ${table} WHERE Key_name = 'PRIMARY'`)) as unknown as [
      [{ Column_name: string }],
    ];
    await admin.query(
      `DELETE FROM ${table} WHERE ${Object.keys(row)
        .filter((k) => row[k] !== null && !(row[k] instanceof Buffer) && typeof row[k] !== 'number')
        .map((k) => `${k} = ?`)
        .join(' AND ')} LIMIT 1`,
      Object.values(row).filter((v) => v !== null && !(v instanceof Buffer) && typeof v !== 'number'),
    );
    const faults = await found();
    await admin.query(`INSERT INTO ${table} SET ?`, [row]);
    expect([table, key.Column_name, faults.length > 0]).toEqual([table, key.Column_name, true]);
    expect(await found()).toEqual([]);
  });
});

test('a row that was put in beside the record is named', async () => {
  const forged = { ...(await rowOf('sign_offs')), id: randomUUID(), knot: 'figure-eight-follow-through' };
  await admin.query('INSERT INTO sign_offs SET ?', [forged]);
  expect(await found()).toEqual([`the row ${forged.id} of sign_offs stands in no entry`]);
  await admin.query('DELETE FROM sign_offs WHERE id = ?', [forged.id]);
});

test('two people’s names exchanged are seen, and nothing of a name stands in the record', async () => {
  const [[a, b]] = (await admin.query('SELECT id, name FROM people ORDER BY id LIMIT 2')) as unknown as [
    [{ id: string; name: string }, { id: string; name: string }],
  ];
  const name = (id: string, to: string) => admin.query('UPDATE people SET name = ? WHERE id = ?', [to, id]);
  await name(a.id, b.name);
  await name(b.id, a.name);
  expect(await found()).toEqual([a.id, b.id].map((id) => `the names in the row ${id} of people were altered`));
  await name(a.id, a.name);
  await name(b.id, b.name);
  const [bytes] = await admin.query('SELECT bytes FROM entries');
  for (const { bytes: text } of bytes as { bytes: Buffer }[]) expect(text.includes(a.name)).toBe(false);
});

test('names are erased by an entry, and verify after it; without one they are accused, and so is a name put back', async () => {
  const { id } = await member(t, org, ['learner']);
  const erasedBeside = () =>
    admin.query(
      "UPDATE people SET name = 'a person, erased', handle = 'erased-00000000', name_salt = NULL WHERE id = ?",
      [id],
    );
  const before = ((await admin.query('SELECT * FROM people WHERE id = ?', [id]))[0] as Row[])[0]!;
  await erasedBeside();
  expect(await found()).toEqual([`the names in the row ${id} of people were altered or erased`]);
  await admin.query('UPDATE people SET ? WHERE id = ?', [before, id]);
  await keeping(t.db, { organisation: org, by: id, now: t.clock.now }, (k) => erasePerson(k, id));
  expect(await found()).toEqual([]);
  await admin.query("UPDATE people SET name = 'Somebody' WHERE id = ?", [id]);
  expect(await found()).toEqual([`the names in the row ${id} of people were altered`]);
  await admin.query("UPDATE people SET name = 'a person, erased' WHERE id = ?", [id]);
});

test('an organisation that is gone whole, with all it had, is missed; so is one of which only the record is gone', async () => {
  const tables = [...new Set((await columns()).filter((c) => c.column === 'organisation').map((c) => c.table))];
  const kept = new Map<string, Row[]>();
  for (const table of tables)
    kept.set(table, (await admin.query(`SELECT * FROM ${table} WHERE organisation = ?`, [org]))[0] as Row[]);
  const back = async (table: string) => {
    for (const row of kept.get(table)!) await admin.query(`INSERT INTO ${table} SET ?`, [row]);
  };
  for (const table of ['entries', 'chain_heads'])
    await admin.query(`DELETE FROM ${table} WHERE organisation = ?`, [org]);
  expect((await found()).length).toBeGreaterThan(10);
  for (const table of tables) await admin.query(`DELETE FROM ${table} WHERE organisation = ?`, [org]);
  const row = ((await admin.query('SELECT * FROM organisations WHERE id = ?', [org]))[0] as Row[])[0]!;
  await admin.query('DELETE FROM organisations WHERE id = ?', [org]);
  expect(await found()).toEqual([`the row ${org} of organisations was removed`]);
  await admin.query('INSERT INTO organisations SET ?', [row]);
  for (const table of tables) await back(table);
  expect(await found()).toEqual([]);
});
