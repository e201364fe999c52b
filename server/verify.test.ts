import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { cpSync, mkdtempSync, readdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import mysql from 'mysql2/promise';
import { canonicalBytes, contentHash, sha256 } from './canonical';
import { poolOptions } from './database';
import { demoId } from './demo/plant';
import { migrate, NewerDataError } from './migrate';
import { excessiveGrant, grantsOf } from './rights';
import { PROGRAM } from './record/covered';
import { adminUrl, call, checkBody, demoMember, testbed, type Member, type Testbed } from './testing/harness';
import { verifyOrganisation } from './verify';
import { join } from 'node:path';

let t: Testbed;
let admin: mysql.Connection;
let tove: Member;
const org = demoId('organisation');
beforeAll(async () => {
  t = await testbed('verify', { demo: true, alters: true });
  admin = await mysql.createConnection({ ...poolOptions(adminUrl()), database: poolOptions(t.databaseUrl).database! });
  tove = await demoMember(t, 'tove');
});
afterAll(async () => {
  await admin.end();
  await t.close();
});

describe('the demo', () => {
  test('holds what it should: 12 people, 18 ropes and other things, 60 checks and five on a round, two to take out of which one is open, one corrected', async () => {
    const rows = (await call(t, 'GET', '/checks?limit=200', tove)).body['items'] as {
      verdict: string;
      open_finding: boolean;
      corrected: boolean;
      demo: boolean;
      seen_at: string;
    }[];
    expect(rows).toHaveLength(65);
    expect(
      rows
        .filter((r) => r.verdict === 'take-out-and-retie')
        .map((r) => r.open_finding)
        .sort(),
    ).toEqual([false, true]);
    expect(rows.filter((r) => r.corrected)).toHaveLength(1);
    expect(rows.every((r) => r.demo)).toBe(true);
    const days = rows.map((r) => (t.clock.now.getTime() - new Date(r.seen_at).getTime()) / 86_400_000);
    expect([Math.max(...days) > 75, Math.max(...days) < 100, Math.min(...days) >= 0]).toEqual([true, true, true]);
    expect((await call(t, 'GET', '/people', tove)).body).toHaveLength(12);
    expect((await call(t, 'GET', '/ropes', tove)).body).toHaveLength(18);
    expect((await call(t, 'GET', '/demo-people')).body).toHaveLength(12);
  });
});

const verified = () => verifyOrganisation(t.db, org);
/** Changes the stored record behind the application's back, looks, and puts it back. */
async function altered(sql: string, values: unknown[], undo: string, undoValues: unknown[]): Promise<string[]> {
  await admin.query(sql, values);
  try {
    return [...(await verified()).faults];
  } finally {
    await admin.query(undo, undoValues);
  }
}

describe('verify', () => {
  test('finds nothing in an untouched record, and says its head', async () => {
    const v = await verified();
    expect(v.faults).toEqual([]);
    const head = (await call(t, 'GET', '/record/head', tove)).body;
    expect([v.count, v.head]).toEqual([head['count'], head['head_sha256']]);
  });

  test('finds nothing either when a device spells times and lengths its own way', async () => {
    const body = checkBody({ tier: demoId('corin'), rope: demoId('NL-07'), at: '2026-05-14T09:30:00Z' });
    const odd = {
      ...body,
      rope_diameter_mm: 10.2,
      seen_at: '2026-05-14T09:30:00.0001234Z',
      answers: [
        { point: 'tail', found: 'right', tail: { tail_mm: 130.1 + 0.2, method: 'ruler', uncertainty_mm: 0.1 + 0.2 } },
      ],
    };
    expect((await call(t, 'POST', '/checks', tove, odd)).status).toBe(200);
    expect((await verified()).faults).toEqual([]);
  });

  test('names the first entry whose content was changed, also with a hash that fits', async () => {
    const [[row]] = (await admin.query('SELECT bytes, sha256 FROM entries WHERE organisation = ? AND sequence = 12', [
      org,
    ])) as unknown as [[{ bytes: Buffer; sha256: string }]];
    const changed = Buffer.from(row.bytes.toString('utf8').replace('"demo":true', '"demo":false'));
    const put = 'UPDATE entries SET bytes = ?, sha256 = ? WHERE organisation = ? AND sequence = 12';
    expect((await altered(put, [changed, row.sha256, org], put, [row.bytes, row.sha256, org]))[0]).toMatch(
      /^entry 12 .*altered/,
    );
    const rehashed = await altered(put, [changed, sha256(changed), org], put, [row.bytes, row.sha256, org]);
    expect(rehashed.some((f) => /^entry 13 .*the link to the entry before/.test(f))).toBe(true);
  });

  test('every column that a list shows is held against the entries', async () => {
    const [[before]] = (await admin.query(
      'SELECT * FROM check_status WHERE organisation = ? ORDER BY sequence LIMIT 1',
      [org],
    )) as unknown as [[Record<string, unknown>]];
    const other: Record<string, unknown> = {
      seen_at: new Date('2026-01-01T00:00:00Z'),
      knot: 'bowline',
      rope: demoId('NL-13'),
      place: 'elsewhere',
      tied_by: demoId('rask'),
      checker: demoId('corin'),
      signer: demoId('corin'),
      verdict: 'put-right',
      points_verdict: 'put-right',
      open_finding: 1,
      awaits_signature: before['awaits_signature'] ? 0 : 1,
      corrected: 1,
      alone: 1,
      faults: 'loose',
      differs: 1,
      round_walk: demoId('x'),
      round_stop: 3,
      tail_mm: 1,
      tail_margin_mm: 1,
      profile: 'tree-work',
      profile_version: 9,
      demo: 0,
      tied_knot: demoId('x'),
      sequence: 999,
    };
    for (const [column, value] of Object.entries(other)) {
      const set = `UPDATE check_status SET ${column} = ? WHERE check_id = ?`;
      expect((await altered(set, [value, before['check_id']], set, [before[column], before['check_id']]))[0]).toMatch(
        new RegExp(`shown column ${column} was altered`),
      );
    }
  });

  test('a removed entry, a removed row, a changed knot and changed rules are found', async () => {
    const [[entry]] = (await admin.query('SELECT * FROM entries WHERE organisation = ? AND sequence = 20', [
      org,
    ])) as unknown as [[Record<string, unknown>]];
    expect(
      (
        await altered(
          'DELETE FROM entries WHERE organisation = ? AND sequence = 20',
          [org],
          'INSERT INTO entries SET ?',
          [entry],
        )
      )[0],
    ).toBe('entry 20 is missing');
    const [[status]] = (await admin.query('SELECT * FROM check_status WHERE organisation = ? LIMIT 1', [
      org,
    ])) as unknown as [[Record<string, unknown>]];
    expect(
      (
        await altered(
          'DELETE FROM check_status WHERE check_id = ?',
          [status['check_id']],
          'INSERT INTO check_status SET ?',
          [status],
        )
      )[0],
    ).toMatch(/missing/);
    const knot = 'UPDATE tied_knots SET knot = ? WHERE id = ?';
    expect(
      (
        await altered(knot, ['bowline-locked', demoId('knot 1')], knot, [
          'figure-eight-follow-through',
          demoId('knot 1'),
        ])
      )[0],
    ).toMatch(/tied knot .* was altered/);
    const rules = "UPDATE profile_versions SET content = REPLACE(content, ?, ?) WHERE profile = 'rope-access'";
    expect(
      (await altered(rules, ['"fists":1', '"fists":2'], rules, ['"fists":2', '"fists":1'])).some((f) =>
        /rules rope-access@1 are not those/.test(f),
      ),
    ).toBe(true);
    const unused = "UPDATE profile_versions SET content = REPLACE(content, ?, ?) WHERE profile = 'tree-work'";
    expect(
      (
        await altered(unused, ['"ropeDiameters":5', '"ropeDiameters":4'], unused, [
          '"ropeDiameters":4',
          '"ropeDiameters":5',
        ])
      )[0],
    ).toBe('rule set tree-work@1: its content was altered');
    expect((await verified()).faults).toEqual([]);
  });

  test('a cut tail is found by a head noted elsewhere, even when the head in the database was cut too', async () => {
    const v = await verified();
    const [[last]] = (await admin.query('SELECT * FROM entries WHERE organisation = ? AND sequence = ?', [
      org,
      v.count,
    ])) as unknown as [[Record<string, unknown>]];
    const [[status]] = (await admin.query('SELECT * FROM check_status WHERE check_id = ?', [
      last['about'],
    ])) as unknown as [[Record<string, unknown> | undefined]];
    await admin.query('DELETE FROM entries WHERE id = ?', [last['id']]);
    if (last['kind'] === 'check') await admin.query('DELETE FROM check_status WHERE check_id = ?', [last['about']]);
    await admin.query('UPDATE chain_heads SET sequence = ?, sha256 = ?, checks = checks - ? WHERE organisation = ?', [
      v.count - 1,
      last['previous_sha256'],
      last['kind'] === 'check' ? 1 : 0,
      org,
    ]);
    // what the cut entry held of a row is missed
    expect((await verified()).faults.join()).toMatch(/stands in no entry/);
    expect((await verifyOrganisation(t.db, org, { head: v.head, count: v.count })).faults[0]).toMatch(
      new RegExp(`entry ${v.count} is missing`),
    );
    await admin.query('INSERT INTO entries SET ?', [last]);
    if (last['kind'] === 'check') await admin.query('INSERT INTO check_status SET ?', [status]);
    await admin.query('UPDATE chain_heads SET sequence = ?, sha256 = ?, checks = checks + ? WHERE organisation = ?', [
      v.count,
      v.head,
      last['kind'] === 'check' ? 1 : 0,
      org,
    ]);
    expect((await verifyOrganisation(t.db, org, { head: v.head, count: v.count })).faults).toEqual([]);
    expect((await verifyOrganisation(t.db, org, { head: 'f'.repeat(64), count: v.count })).faults[0]).toMatch(
      /not the one that was noted/,
    );
  });
});

describe('rights', () => {
  test('the application’s account cannot change or remove an entry', async () => {
    for (const sql of [
      "UPDATE entries SET kind = 'check'",
      'DELETE FROM entries',
      'DROP TABLE entries',
      'ALTER TABLE entries ADD COLUMN x INT',
      "UPDATE profile_versions SET content = ''",
      'TRUNCATE entries',
    ])
      await expect(t.db.query(sql)).rejects.toMatchObject({
        code: expect.stringMatching(/DENIED/) as unknown as string,
      });
    const { grants, database } = await grantsOf(t.db);
    expect(excessiveGrant(grants, database)).toBeNull();
  });

  test('an account that could is recognised', () => {
    const to = 'TO `app`@`localhost`';
    for (const g of [
      `GRANT ALL PRIVILEGES ON *.* ${to} WITH GRANT OPTION`,
      `GRANT SELECT, UPDATE ON \`idiom\`.* ${to}`,
      `GRANT SELECT, INSERT, DELETE ON \`idiom\`.\`entries\` ${to}`,
      `GRANT UPDATE ON \`id%\`.* ${to}`,
      `GRANT DROP ON \`idiom\`.* ${to}`,
    ])
      expect(excessiveGrant([g], 'idiom')).toBe(g);
    for (const g of [
      `GRANT SELECT ON \`idiom\`.* ${to}`,
      `GRANT UPDATE ON \`idiom\`.\`people\` ${to}`,
      `GRANT ALL PRIVILEGES ON \`other\`.* ${to}`,
      `GRANT USAGE ON *.* ${to}`,
    ])
      expect(excessiveGrant([g], 'idiom')).toBeNull();
  });
});

test('data of a newer version are left alone', async () => {
  await admin.query("INSERT INTO schema_migrations VALUES (9999, '9999_future.sql', NOW())");
  await expect(migrate(admin as never, join(import.meta.dirname, 'migrations'))).rejects.toBeInstanceOf(NewerDataError);
  await admin.query('DELETE FROM schema_migrations WHERE version = 9999');
  expect(await migrate(admin as never, join(import.meta.dirname, 'migrations'))).toBe(0);
});

test('checks of data older than their count are counted when it is brought in', async () => {
  const folder = join(import.meta.dirname, 'migrations');
  const older = mkdtempSync(join(tmpdir(), 'idiom-older-'));
  for (const f of readdirSync(folder)) if (f < '0005') cpSync(join(folder, f), join(older, f));
  const old = await mysql.createConnection({ ...poolOptions(adminUrl()), database: undefined as never });
  const name = `counted_${randomUUID().replaceAll('-', '')}`;
  await old.query(`CREATE DATABASE ${name}`);
  await old.query(`USE ${name}`);
  await old.query("SET SESSION sql_mode = '', foreign_key_checks = 0");
  await migrate(old as never, older);
  for (const [organisation, checks] of [
    ['a', 3],
    ['b', 0],
    ['c', 1],
  ] as const) {
    await old.query('INSERT INTO chain_heads (organisation) VALUES (?)', [organisation]);
    for (let i = 0; i < checks; i++)
      await old.query('INSERT INTO check_status (check_id, organisation) VALUES (?, ?)', [
        `${organisation}${i}`,
        organisation,
      ]);
  }
  expect(await migrate(old as never, folder)).toBeGreaterThan(0);
  const [counted] = await old.query('SELECT organisation, checks FROM chain_heads ORDER BY organisation');
  expect(counted).toEqual([
    { organisation: PROGRAM, checks: 0 },
    { organisation: 'a', checks: 3 },
    { organisation: 'b', checks: 0 },
    { organisation: 'c', checks: 1 },
  ]);
  await old.end();
});

test('canonical bytes do not depend on the order of keys, hashes do on content', () => {
  expect(canonicalBytes({ b: 1, a: [1.0, 'é', null] }).toString()).toBe('{"a":[1,"é",null],"b":1}');
  expect(contentHash({ a: 1, b: 2 })).toBe(contentHash({ b: 2, a: 1 }));
  expect(contentHash({ a: 1 })).not.toBe(contentHash({ a: 2 }));
  // RFC 8785, 3.2.3
  expect(
    canonicalBytes(
      JSON.parse('{"numbers":[333333333.33333329,1E30,4.50,2e-3,0.000000000000000000000000001]}'),
    ).toString(),
  ).toBe('{"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27]}');
});

test('the first instructor by the one-time link, once', async () => {
  const empty = await testbed('setup', { settings: { setupToken: 'a-one-time-token' } });
  expect((await call(empty, 'GET', '/session')).body).toMatchObject({ setup_open: true, demo: false });
  const body = {
    token: 'a-one-time-token',
    organisation: 'Own',
    name: 'First',
    handle: 'first',
    password: 'a-long-password',
  };
  expect((await call(empty, 'POST', '/setup', null, { ...body, token: 'another-token' })).status).toBe(404);
  const made = await call(empty, 'POST', '/setup', null, body);
  expect(made.body['person']).toMatchObject({ handle: 'first', roles: ['instructor', 'inspector'] });
  expect((await call(empty, 'POST', '/setup', null, { ...body, handle: 'second' })).status).toBe(404);
  const rope = randomUUID();
  const me = {
    id: (made.body['person'] as { id: string }).id,
    cookie: String(made.headers['set-cookie']).split(';')[0]!,
    organisation: '',
  };
  await call(empty, 'POST', '/ropes', me, {
    id: rope,
    tag: 'R1',
    kind: 'dynamic',
    diameter_mm: 10,
    length_m: null,
    note: '',
  });
  expect((await call(empty, 'POST', '/checks', me, checkBody({ tier: me.id, rope }))).body['sequence']).toBe(3);
  await empty.close();
});
