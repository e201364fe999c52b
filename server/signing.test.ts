/** Heads that are signed, and a witness that was told of them, against somebody with the database's password. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { generateKeyPairSync, randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import mysql from 'mysql2/promise';
import { buildApp } from './app';
import type { Context } from './context';
import { poolOptions } from './database';
import { signerFrom } from './record/signerFrom';
import { signedHeads, Signer, signingKey, type SignedHead } from './record/signing';
import { toldTo, witnessAt } from './record/witness';
import { listsAnew } from './listsAnew';
import { adminUrl, call, checkBody, member, organisation, testbed, type Member, type Testbed } from './testing/harness';
import { verifyCommand, verifyOrganisation } from './verify';

let t: Testbed;
let folder: string;
let org: string;
let me: Member;
let second: Member;
let tier: Member;
let rope: string;
let admin: mysql.Connection;
let context: Context;
const keyFile = (name: string): string => {
  const file = join(folder, `${name}.pem`);
  const { privateKey, publicKey } = generateKeyPairSync('ed25519');
  writeFileSync(file, privateKey.export({ type: 'pkcs8', format: 'pem' }));
  writeFileSync(`${file}.pub`, publicKey.export({ type: 'spki', format: 'pem' }));
  return file;
};
let key: string;
let witness: string;

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'idiom-signing-'));
  key = keyFile('own');
  witness = join(folder, 'elsewhere/heads.jsonl');
  t = await testbed('signing', { alters: true });
  ({ id: org, rope } = await organisation(t, 'Loft'));
  [me, second, tier] = [
    await member(t, org, ['instructor']),
    await member(t, org, ['inspector']),
    await member(t, org, ['owner']),
  ];
  const settings = {
    version: 't',
    ratePerMinute: 0,
    webRoot: null,
    setupToken: null,
    logLevel: 'silent',
    signingKeyFile: key,
    witness,
  };
  const now = () => t.clock.now;
  const signer = (await signerFrom(settings, t.db, now, () => undefined))!;
  context = { db: t.db, now, settings, signer };
  await t.app.close();
  Object.assign(t, { app: await buildApp(context) });
  admin = await mysql.createConnection({
    ...poolOptions(adminUrl()),
    database: poolOptions(t.databaseUrl).database!,
    timezone: 'Z',
  });
  await admin.query("SET SESSION foreign_key_checks = 0, sql_mode = ''");
});
afterAll(async () => {
  await admin.end();
  await t.close();
  rmSync(folder, { recursive: true, force: true });
});

const record = async () => {
  const body = checkBody({ tier: tier.id, rope });
  expect((await call(t, 'POST', '/checks', me, body)).status).toBe(200);
  return body.id;
};
const told = async () => (await new Promise((r) => setTimeout(r, 50)), toldTo(witness));
const faults = async (outside: object = {}) => (await verifyOrganisation(t.db, org, undefined, outside)).faults;
const pub = async () => (await import('node:fs')).readFileSync(`${key}.pub`, 'utf8');
/** Everything of some tables, put back afterwards. */
async function kept(tables: readonly string[], meanwhile: () => Promise<void>): Promise<void> {
  const before = new Map<string, object[]>();
  for (const table of tables) before.set(table, (await admin.query(`SELECT * FROM ${table}`))[0] as object[]);
  try {
    await meanwhile();
  } finally {
    for (const table of tables) {
      await admin.query(`DELETE FROM ${table}`);
      for (const row of before.get(table)!) await admin.query(`INSERT INTO ${table} SET ?`, [row]);
    }
  }
}

describe('a head is signed', () => {
  test('with every page, file and sign-off that leaves; where nothing was added it is the one there is; a witness is told', async () => {
    const check = await record();
    const page = await call(t, 'GET', `/checks/${check}.pdf`, me);
    expect(page.status).toBe(200);
    const csv = await call(t, 'GET', '/checks.csv', me);
    expect(String(csv.headers['x-record-head'])).toMatch(/^\d+ [0-9a-f]{64}$/);
    expect(String(csv.headers['x-record-signature'])).toMatch(/^1 [0-9a-f]{16} [0-9a-f]{128}$/);
    await call(t, 'POST', `/checks/${check}/signatures`, second, { id: randomUUID(), agrees: true, note: '' });
    await call(t, 'GET', '/ropes.json', me);
    await call(t, 'POST', `/people/${tier.id}/sign-offs`, me, {
      id: randomUUID(),
      knot: 'bowline',
      may: 'tie',
      given: true,
    });
    const heads = await signedHeads(t.db, org);
    expect(heads.map((h) => [h.number, h.why])).toEqual([
      [1, 'page'],
      [2, 'sign-off'],
      [3, 'sign-off'],
    ]);
    expect(await told()).toEqual(heads);
    expect(await faults({ key: await pub(), witness: await told() })).toEqual([]);
  });
  test('by no key but one of ed25519', () => {
    const file = join(folder, 'rsa.pem');
    writeFileSync(
      file,
      generateKeyPairSync('rsa', { modulusLength: 2048 }).privateKey.export({ type: 'pkcs8', format: 'pem' }),
    );
    expect(() => signingKey(file)).toThrow(/none of ed25519/);
  });
});

describe('who holds the database alone', () => {
  const cut = async () => {
    // the last entry goes with all that speaks of it, and the head says the one before
    const [[last]] = (await admin.query('SELECT * FROM entries WHERE organisation = ? ORDER BY sequence DESC LIMIT 1', [
      org,
    ])) as unknown as [[{ id: string; sequence: number; previous_sha256: string; bytes: Buffer }]];
    const body = (JSON.parse(last.bytes.toString()) as { body: { rows: { table: string; key: string }[] } }).body;
    for (const { table, key: id } of body.rows) await admin.query(`DELETE FROM ${table} WHERE id = ?`, [id]);
    await admin.query('DELETE FROM entries WHERE id = ?', [last.id]);
    await admin.query('UPDATE chain_heads SET sequence = ?, sha256 = ? WHERE organisation = ?', [
      last.sequence - 1,
      last.previous_sha256,
      org,
    ]);
    return last.sequence;
  };
  const TABLES = ['entries', 'chain_heads', 'sign_offs', 'signed_heads', 'signing_keys'];
  test('cuts off the tail: a signed head is over an entry that is not there', async () => {
    await kept(TABLES, async () => {
      const n = await cut();
      expect((await faults())[0]).toMatch(new RegExp(`^entry ${n} is missing: the signed head 3 was signed over it`));
    });
  });
  test('takes the signed head away too: the witness was told of it', async () => {
    await kept(TABLES, async () => {
      const n = await cut();
      await admin.query('DELETE FROM signed_heads WHERE organisation = ? AND number = 3', [org]);
      expect(await faults()).toEqual([]);
      const wrong = await faults({ witness: await told() });
      expect(wrong[0]).toMatch(
        new RegExp(`^entry ${n} is missing: the head 3 that the witness was told was signed over it`),
      );
      expect(wrong).toContain('the signed head 3 that the witness was told is not here');
    });
  });
  test('signs with a key of their own: it is not the one that lies beside the data', async () => {
    await kept([...TABLES, 'people'], async () => {
      const other = signingKey(keyFile('forger'));
      // all of it anew: key exchanged, heads signed again
      await admin.query('DELETE FROM signed_heads');
      await admin.query('UPDATE signing_keys SET id = ?, public_key = ?', [other.id, other.public_pem]);
      await new Signer(t.db, other, () => t.clock.now, null).sign(org, 'hour');
      expect((await faults({ key: await pub() }))[0]).toBe(
        'the key that lies beside the data is not one that the record was signed by',
      );
      expect((await faults({ witness: await told() })).length).toBeGreaterThan(0);
      // the key is held by the program's own chain
      const [program] = await new Promise<[string[]]>(
        (r) => void verifyOrganisation(t.db, '00000000-0000-0000-0000-000000000000').then((v) => r([[...v.faults]])),
      );
      expect(program.join()).toMatch(/signing_keys/);
    });
  });
  test('alters a signed head in any column: its signature does not fit, or it does not follow', async () => {
    for (const [column, value] of [
      ['sequence', 1],
      ['sha256', 'f'.repeat(64)],
      ['why', 'hour'],
      ['signed_at', new Date('2026-01-01T00:00:00Z')],
      ['previous_sha256', '1'.repeat(64)],
      ['signature', '0'.repeat(128)],
      ['signing_key', '0'.repeat(16)],
    ] as const)
      await kept(['signed_heads'], async () => {
        await admin.query(`UPDATE signed_heads SET ${column} = ? WHERE organisation = ? AND number = 2`, [value, org]);
        expect([column, (await faults()).length > 0]).toEqual([column, true]);
      });
    expect(await faults()).toEqual([]);
  });
  test('may not change or remove one by the application’s account', async () => {
    await expect(t.db.query('UPDATE signed_heads SET sequence = 1')).rejects.toThrow(/denied/);
    await expect(t.db.query('DELETE FROM signed_heads')).rejects.toThrow(/denied/);
  });
});

describe('the command', () => {
  test('holds the record against the key and the witness that it is given', async () => {
    const run = async (...args: string[]) => {
      const lines: string[] = [];
      return { code: await verifyCommand(args, t.databaseUrl, (l) => void lines.push(l)), lines: lines.join('\n') };
    };
    expect((await run('--key', `${key}.pub`, '--witness', witness)).code).toBe(0);
    expect((await run('--key', `${keyFile('another')}.pub`)).code).toBe(1);
    const forged = join(folder, 'forged.jsonl');
    const [head] = await told();
    writeFileSync(forged, `${JSON.stringify({ ...head, organisation: randomUUID() })}\n`);
    const wrong = await run('--witness', forged);
    expect([wrong.code, /An organisation that is not there/.test(wrong.lines)]).toEqual([1, true]);
  });
});

test('a witness at another address is told in order, also of what it could not be told at first', async () => {
  const lines: string[] = [];
  let refuses = true;
  const server = createServer((request, response) => {
    let body = '';
    request.on('data', (d) => (body += String(d)));
    request.on('end', () => {
      if (!refuses) lines.push(...body.trim().split('\n'));
      response.writeHead(refuses ? 500 : 204).end();
    });
  });
  await new Promise<void>((r) => server.listen(0, '127.0.0.1', r));
  const { port } = server.address() as { port: number };
  const complaints: string[] = [];
  const w = witnessAt(`http://127.0.0.1:${port}/`, (why) => void complaints.push(why));
  const head = (number: number) => ({ number }) as SignedHead;
  w.note(head(1));
  await w.told();
  expect(complaints).toEqual(['the witness answers 500']);
  refuses = false;
  w.note(head(2));
  await w.told();
  expect(lines.map((l) => (JSON.parse(l) as SignedHead).number)).toEqual([1, 2]);
  server.close();
});

test('what lists show is made anew past what only says how rows stand', async () => {
  expect(await listsAnew(t.db)).toBeGreaterThan(3);
  expect(await faults()).toEqual([]);
});
