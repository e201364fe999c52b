import { afterAll, describe, expect, test } from '@jest/globals';
import { randomUUID } from 'node:crypto';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import mysql from 'mysql2/promise';
import { openPool, poolOptions, rows, type Database } from './database';
import { allOrNothing } from './demo/allOrNothing';
import { stepsIn, type AtStep, type Step } from './migrate';
import { pendingOn, prepareAll } from './preparing';
import { DATA_VERSIONS, loadDataVersion } from './testing/dataVersions';
import { PROGRAM } from './record/covered';
import { adminUrl } from './testing/harness';
import { chainsToVerify, verifyOrganisation } from './verify';

const MIGRATIONS = join(import.meta.dirname, 'migrations');
const SOCKET = process.env['IDIOM_TEST_SOCKET']!;
const open: Database[] = [];
afterAll(() => Promise.all(open.map((db) => db.end())));

const named = (name: string) => {
  const unique = `${name}_${randomUUID().slice(0, 8)}`;
  return { unique, url: `mysql://${unique}:pw@localhost/${unique}?socket=${encodeURIComponent(SOCKET)}` };
};
const prepared = (url: string, at?: AtStep) => prepareAll(adminUrl(), url, MIGRATIONS, null, { ...(at && { at }) });
const opened = (url: string): Database => {
  const db = openPool(poolOptions(url));
  open.push(db);
  return db;
};
async function nothingAccused(db: Database): Promise<number> {
  let entries = 0;
  for (const { id } of await chainsToVerify(db)) {
    const v = await verifyOrganisation(db, id);
    expect(v.faults).toEqual([]);
    entries += v.count;
  }
  return entries;
}
/** The tables as they are made, without what numbers itself. */
async function schemaOf(db: Database): Promise<unknown[]> {
  return rows(
    db,
    'SELECT table_name, column_name, column_type, is_nullable, column_default, collation_name FROM information_schema.columns WHERE table_schema = DATABASE() ORDER BY table_name, column_name',
  );
}
async function keysOf(db: Database): Promise<unknown[]> {
  return rows(
    db,
    'SELECT table_name, index_name, seq_in_index, column_name, non_unique FROM information_schema.statistics WHERE table_schema = DATABASE() ORDER BY table_name, index_name, seq_in_index',
  );
}

describe('data of every version', () => {
  test('lie here, packed and small: one for each version up to the one before this', () => {
    const newest = Math.max(...stepsIn(MIGRATIONS).names.keys());
    expect([newest, newest - 1]).toContain(DATA_VERSIONS.at(-1));
    expect(DATA_VERSIONS).toEqual(DATA_VERSIONS.map((_, k) => k + 1));
    for (const f of readdirSync(join(import.meta.dirname, 'testing/dataVersions')))
      expect(statSync(join(import.meta.dirname, 'testing/dataVersions', f)).size).toBeLessThan(300_000);
  });

  test.each(DATA_VERSIONS)(
    'version %s, stopped at every step before it is written down: started again it goes on; nothing is accused',
    async (version) => {
      const { unique, url } = named('stopped');
      loadDataVersion(version, unique, SOCKET);
      const before = opened(url.replace(`${unique}:pw`, 'root:').replace('root:@', 'root@'));
      const entriesBefore = await rows<{ sha256: string }>(
        before,
        'SELECT sha256 FROM entries WHERE organisation <> ? ORDER BY organisation, sequence',
        [PROGRAM],
      );
      expect(entriesBefore.length).toBeGreaterThan(50);
      const { pending } = await pendingOn(adminUrl(), url, MIGRATIONS);
      const steps = stepsIn(MIGRATIONS).steps.filter((s) => pending.includes(s.version));
      const stopped = new Set<Step>();
      const twice: Step[] = [];
      for (let starts = 0; ; starts++) {
        expect(starts).toBeLessThanOrEqual(steps.length);
        try {
          await prepared(url, (when, step) => {
            if (when !== 'done') return;
            if (stopped.has(step) || [...stopped].some((s) => s.version === step.version && s.step === step.step)) {
              twice.push(step);
              return;
            }
            stopped.add(step);
            throw new Error('killed here');
          });
          break;
        } catch (error) {
          expect((error as Error).message).toBe('killed here');
        }
      }
      // each was done a second time, as it had not been written down
      expect(twice).toEqual(steps);
      const db = opened(url);
      expect(await nothingAccused(db)).toBeGreaterThanOrEqual(entriesBefore.length);
      const after = await rows<{ sha256: string }>(
        db,
        'SELECT sha256 FROM entries WHERE organisation <> ? ORDER BY organisation, sequence',
        [PROGRAM],
      );
      expect(after.slice(0, entriesBefore.length)).toEqual(entriesBefore);
      // and it is what a fresh start makes
      const fresh = named('fresh');
      await prepared(fresh.url);
      const other = opened(fresh.url);
      expect(await schemaOf(db)).toEqual(await schemaOf(other));
      expect(await keysOf(db)).toEqual(await keysOf(other));
      expect((await pendingOn(adminUrl(), url, MIGRATIONS)).pending).toEqual([]);
    },
  );

  test('left by a program that wrote down no steps, between its migrations and its lists: the lists are made anew', async () => {
    const { unique, url } = named('left');
    const version = DATA_VERSIONS.at(-1)!;
    loadDataVersion(version, unique, SOCKET);
    const admin = await mysql.createConnection({ ...poolOptions(adminUrl()), database: unique });
    await admin.query("UPDATE check_status SET faults = '', made_for = NULL");
    await admin.end();
    await prepared(url);
    await nothingAccused(opened(url));
  });
});

describe('what is written as one', () => {
  test('stands whole or not at all, its transactions with it', async () => {
    const { url } = named('one');
    await prepared(url);
    const db = opened(url);
    const insert = (c: { query: Database['query'] }, name: string) =>
      c.query('INSERT INTO organisations (id, name, demo, created_at) VALUES (?, ?, FALSE, NOW(3))', [
        randomUUID(),
        name,
      ]);
    const count = async () => (await rows<{ n: number }>(db, 'SELECT COUNT(*) AS n FROM organisations'))[0]!.n;
    const before = await count();
    const write = (fail: boolean) =>
      allOrNothing(db, async (one) => {
        const c = await one.getConnection();
        await c.beginTransaction();
        await insert(c, 'kept');
        await c.commit();
        await c.beginTransaction();
        await insert(c, 'taken back');
        await c.rollback();
        await insert(one, 'beside');
        if (fail) throw new Error('killed here');
      });
    await expect(write(true)).rejects.toThrow('killed here');
    expect(await count()).toBe(before);
    await write(false);
    expect(await count()).toBe(before + 2);
  });
});

test('every step that ships can be repeated by its very words', () => {
  const repeatable = [
    /^CREATE TABLE IF NOT EXISTS /,
    /^ALTER TABLE \w+\s+(?:(?:ADD (?:COLUMN|KEY|UNIQUE KEY)|DROP (?:COLUMN|KEY|FOREIGN KEY)|MODIFY COLUMN|CHANGE COLUMN) IF (?:NOT )?EXISTS [^;]+)$/,
    /^(?:UPDATE|INSERT IGNORE|DELETE) /,
  ];
  for (const { statement, version, step } of stepsIn(MIGRATIONS).steps)
    expect([version, step, repeatable.some((r) => r.test(statement))]).toEqual([version, step, true]);
  // each part of a change of a table says it, not the first alone
  for (const { statement } of stepsIn(MIGRATIONS).steps.filter((s) => s.statement.startsWith('ALTER')))
    for (const part of statement.match(
      /\b(?:ADD|MODIFY|CHANGE|DROP) (?:COLUMN|KEY|UNIQUE KEY|FOREIGN KEY)\b(?! IF)/g,
    ) ?? [])
      throw new Error(`${part} without IF: ${statement}`);
  expect(readFileSync(join(MIGRATIONS, '0001_records.sql'), 'utf8')).toContain('IF NOT EXISTS');
});
