/** Whatever of the record can be altered is altered once, and seen by its own name; and what the command says of it. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import mysql from 'mysql2/promise';
import { canonicalBytes, sha256 } from './canonical';
import { poolOptions } from './database';
import { demoId } from './demo/plant';
import { adminUrl, organisation, testbed, type Testbed } from './testing/harness';
import { compareStatuses, verifyCommand, verifyEntry, verifyOrganisation } from './verify';

type Row = Record<string, unknown>;
let t: Testbed;
let admin: mysql.Connection;
const org = demoId('organisation');
beforeAll(async () => {
  t = await testbed('verify_each', { demo: true, alters: true });
  admin = await mysql.createConnection({ ...poolOptions(adminUrl()), database: poolOptions(t.databaseUrl).database! });
});
afterAll(async () => {
  await admin.end();
  await t.close();
});

const found = async (): Promise<readonly string[]> => (await verifyOrganisation(t.db, org)).faults;
const first = async (sql: string, values: readonly unknown[] = [org]): Promise<Row> =>
  ((await admin.query(sql, values as unknown[]))[0] as Row[])[0]!;

/** One column of one row altered, what is said of it, and put back. */
async function altered(table: string, key: Row, column: string, value: unknown): Promise<readonly string[]> {
  const by = Object.keys(key)
    .map((k) => `${k} = ?`)
    .join(' AND ');
  const before = (await first(`SELECT ${column} AS was FROM ${table} WHERE ${by}`, Object.values(key)))['was'];
  const set = (to: unknown) =>
    admin.query(`UPDATE ${table} SET ${column} = ? WHERE ${by}`, [to, ...Object.values(key)] as unknown[]);
  await admin.query('SET foreign_key_checks = 0');
  try {
    await set(value);
    return await found();
  } finally {
    await set(before);
    await admin.query('SET foreign_key_checks = 1');
  }
}
const without = async (table: string, key: string, row: Row): Promise<readonly string[]> => {
  await admin.query('SET foreign_key_checks = 0');
  await admin.query(`DELETE FROM ${table} WHERE ${key} = ?`, [row[key]] as unknown[]);
  try {
    return await found();
  } finally {
    await admin.query(`INSERT INTO ${table} SET ?`, [row]);
    await admin.query('SET foreign_key_checks = 1');
  }
};

describe('each column beside an entry', () => {
  test.each([
    ['previous_sha256', 'a'.repeat(64), 'the column previous_sha256'],
    ['id', demoId('x'), 'the id'],
    ['kind', 'signature', 'the column kind'],
    ['about', demoId('x'), 'the column about'],
    ['recorded_by', demoId('x'), 'the column recorded_by'],
    ['recorded_at', new Date('2026-01-01T00:00:00Z'), 'the column recorded_at'],
    ['sha256', 'b'.repeat(64), 'its content'],
  ])('%s', async (column, value, said) => {
    const faults = await altered('entries', { organisation: org, sequence: 7 }, column, value);
    expect(faults[0]).toMatch(new RegExp(`^entry 7 \\(.*\\): ${said} was altered`));
  });

  test('bytes that cannot be read, and bytes that say the same in another order', async () => {
    const row = await first('SELECT * FROM entries WHERE organisation = ? AND sequence = 7');
    const bytes = row['bytes'] as Buffer;
    const seen = (changed: Buffer) =>
      altered('entries', { organisation: org, sequence: 7 }, 'bytes', changed).then((f) => f[0]);
    expect(await seen(Buffer.from('{"no'))).toBe(`entry 7 (${row['id'] as string}): its bytes cannot be read`);
    const reordered = Object.fromEntries(Object.entries(JSON.parse(bytes.toString('utf8')) as Row).reverse());
    expect(await seen(Buffer.from(JSON.stringify(reordered)))).toBe(
      `entry 7 (${row['id'] as string}): its bytes are not canonical`,
    );
  });

  test('an entry that stands in the place of another, or in another organisation', () => {
    const entry = {
      organisation: org,
      sequence: 3,
      id: demoId('e'),
      kind: 'check',
      previous_sha256: 'c'.repeat(64),
      recorded_by: demoId('p'),
      recorded_at: '2026-01-01T00:00:00.000Z',
      body: {},
    };
    const stored = (change: Row) => {
      const bytes = canonicalBytes({ ...entry, ...change } as unknown as Parameters<typeof canonicalBytes>[0]);
      return {
        ...entry,
        about: entry.id,
        bytes,
        sha256: sha256(bytes),
        recorded_at: new Date(entry.recorded_at),
      } as unknown as Parameters<typeof verifyEntry>[0];
    };
    const said = (change: Row, sequence = 3, previous = entry.previous_sha256) =>
      verifyEntry(stored(change), sequence, previous).faults.map((f) => f.replace(/^.*\): /, ''));
    expect(said({})).toEqual([]);
    expect(said({ sequence: 4 })).toEqual(['the number was altered']);
    expect(said({ organisation: demoId('x') })).toEqual(['the organisation was altered']);
    expect(said({}, 3, 'd'.repeat(64))).toEqual(['the link to the entry before was altered']);
    expect(verifyEntry(stored({}), 2, entry.previous_sha256)).toEqual({ faults: ['entry 2 is missing'], entry: null });
  });
});

test.each([
  ['knot', 'bowline'],
  ['rope', demoId('NL-13')],
  ['place', 'elsewhere'],
  ['tied_by', demoId('rask')],
  ['tied_at', new Date('2026-01-01T00:00:00Z')],
])('of a tied knot: %s', async (column, value) => {
  const id = demoId('knot 1');
  expect((await altered('tied_knots', { id }, column, value))[0]).toMatch(
    new RegExp(`^entry \\d+: the tied knot ${id} was altered or removed$`),
  );
});

test('a tied knot that is gone', async () => {
  const row = await first('SELECT * FROM tied_knots WHERE id = ?', [demoId('knot 1')]);
  expect((await without('tied_knots', 'id', row))[0]).toMatch(/the tied knot .* was altered or removed/);
});

describe('what is shown of a rope', () => {
  test('each column is held against the entries', async () => {
    const row = await first('SELECT * FROM rope_status WHERE organisation = ? ORDER BY rope LIMIT 1');
    for (const [column, value] of [
      ['sequence', 9999],
      ['retired', row['retired'] ? 0 : 1],
      ['open_damages', 7],
      ['hard_falls', 7],
      ['cut_m', 3.25],
    ] as const)
      expect(await altered('rope_status', { rope: row['rope'] }, column, value)).toContain(
        `rope ${row['rope'] as string}: the shown column ${column} was altered`,
      );
  });

  test('a row that is gone, and one of a rope that has no entry', async () => {
    const row = await first('SELECT * FROM rope_status WHERE organisation = ? ORDER BY rope LIMIT 1');
    expect(await without('rope_status', 'rope', row)).toEqual([
      `rope ${row['rope'] as string}: what its list shows is missing`,
    ]);
    const free = await first(
      'SELECT id FROM ropes WHERE organisation = ? AND id NOT IN (SELECT rope FROM rope_status) LIMIT 1',
    );
    await admin.query('INSERT INTO rope_status SET ?', [{ ...row, rope: free['id'] }]);
    expect(await found()).toEqual([`rope ${free['id'] as string}: something is shown of it, but there is no entry`]);
    await admin.query('DELETE FROM rope_status WHERE rope = ?', [free['id']] as unknown[]);
  });
});

test('a walked round that is gone, or finished at another time', async () => {
  const row = await first('SELECT * FROM round_walks WHERE organisation = ? AND finished_at IS NOT NULL LIMIT 1');
  const said = new RegExp(`^entry \\d+: the walked round ${row['id'] as string} was altered or removed$`);
  expect((await altered('round_walks', { id: row['id'] }, 'finished_at', new Date('2026-01-01T00:00:00Z')))[0]).toMatch(
    said,
  );
  expect((await without('round_walks', 'id', row))[0]).toMatch(said);
});

test('the head of the chain, and how many checks it counts', async () => {
  const { count } = await verifyOrganisation(t.db, org);
  const { checks } = await first('SELECT checks FROM chain_heads WHERE organisation = ?');
  for (const [column, value, said] of [
    ['sequence', count + 1, `the chain's head says ${count + 1} entries, ${count} are there`],
    ['sha256', 'a'.repeat(64), `the chain's head says ${count} entries, ${count} are there`],
    ['checks', Number(checks) + 1, `the head says another number of checks than the ${Number(checks)} that are there`],
  ] as const)
    expect(await altered('chain_heads', { organisation: org }, column, value)).toEqual([said]);
});

test('a row of the list that no entry stands behind, and entries without their check', () => {
  const status = { check_id: 'c', sequence: 4 } as unknown as Parameters<typeof compareStatuses>[1][number];
  expect(compareStatuses(new Map(), [status])).toEqual(['check c: shown in the list, but there is no entry']);
  expect(compareStatuses(new Map([['c', []]]), [status])).toEqual(['check c: entries without their check']);
});

describe('a head that was noted', () => {
  test('of a record that was empty then, and of one that is shorter now', async () => {
    const { count, head } = await verifyOrganisation(t.db, org);
    const of = async (noted: { head: string; count: number }) => (await verifyOrganisation(t.db, org, noted)).faults;
    expect(await of({ head: '0'.repeat(64), count: 0 })).toEqual([]);
    expect(await of({ head, count: 0 })).toEqual(['entry 0 is not the one that was noted as head']);
    expect(await of({ head, count })).toEqual([]);
    expect(await of({ head, count: count - 1 })).toEqual([`entry ${count - 1} is not the one that was noted as head`]);
    expect(await of({ head, count: count + 1 })).toEqual([
      `entry ${count + 1} is missing: ${count + 1} entries were noted, ${count} are there`,
    ]);
  });
});

describe('the command', () => {
  const command = async (...args: string[]) => {
    const lines: string[] = [];
    const code = await verifyCommand(args, t.databaseUrl, (line) => void lines.push(...line.split('\n')));
    return { code, lines };
  };

  test('says of each organisation how many entries are as written, and ends with 0', async () => {
    const { count, head } = await verifyOrganisation(t.db, org);
    const other = await organisation(t, 'Gull Head');
    const { code, lines } = await command();
    const { name } = await first('SELECT name FROM organisations WHERE id = ?');
    expect(code).toBe(0);
    expect(lines).toContain(`${name as string}: ${count} entries, each as written, each judgement computed again.`);
    expect(lines).toContain(`  --organisation ${org} --head ${head} --count ${count}`);
    expect(lines[0]).toMatch(/^The program: \d+ entries, each as written/);
    expect(lines).toHaveLength(6);
    expect((await command('--organisation', other.id)).lines).toEqual([
      'Gull Head: 1 entries, each as written, each judgement computed again.',
      expect.stringMatching(new RegExp(`^  --organisation ${other.id} --head [0-9a-f]{64} --count 1$`)),
    ]);
    expect((await command('--organisation', org, '--head', head, '--count', String(count))).code).toBe(0);
    expect((await command('--organisation', org, '--head', 'f'.repeat(64), '--count', String(count))).code).toBe(1);
    // what is asked of one cannot be asked of all
    await expect(command('--head', head, '--count', String(count))).rejects.toThrow(
      '--head needs --organisation: each has a chain of its own.',
    );
  });

  test('what an entry was judged by is lost: nothing is accused, and it is said how many cannot be judged again', async () => {
    const knot = 'figure-eight-follow-through';
    const row = await first('SELECT * FROM knot_entries WHERE knot = ?', [knot]);
    await admin.query('DELETE FROM knot_entries WHERE knot = ?', [knot] as unknown[]);
    const { cannotBeJudgedAgain, faults } = await verifyOrganisation(t.db, org);
    const { code, lines } = await command('--organisation', org);
    await admin.query('INSERT INTO knot_entries SET ?', [row]);
    expect([faults, cannotBeJudgedAgain > 0, code]).toEqual([[], true, 0]);
    expect(lines[0]).toMatch(
      new RegExp(
        `entries, each as written; ${cannotBeJudgedAgain} judgements cannot be computed again: what they were made by is lost\\.$`,
      ),
    );
  });

  test('names what is altered first, then some of the rest and how many more, and ends with 1', async () => {
    await admin.query("UPDATE check_status SET place = 'elsewhere' WHERE organisation = ?", [org]);
    const { faults } = await verifyOrganisation(t.db, org);
    expect(faults.length).toBeGreaterThan(20);
    const { code, lines } = await command('--organisation', org);
    expect([code, lines.length]).toEqual([1, 21]);
    expect(lines[0]).toContain(`: ${faults[0]!}`);
    expect(lines[1]).toBe(`  also: ${faults[1]!}`);
    expect(lines[20]).toBe(`  and ${faults.length - 20} more`);
  });

  test.each([
    [['--head', 'a'.repeat(64)], '--head and --count belong together.'],
    [['--count', '3'], '--head and --count belong together.'],
    [['--head', 'a', '--count', '3.5'], '--count is a whole number.'],
    [['--organisation', 'nobody'], 'There is no such organisation.'],
  ])('%j cannot be run, and why', async (args, said) => {
    await expect(command(...args)).rejects.toThrow(said);
  });
});
