/**
 * A hundred faults while checks are being recorded, 25 of each kind: kill -9 of the server, kill -9 of the database, the connection cut
 * between request and answer, the same request sent twice at once. The sender does what the interface does: it sends the same request again
 * until it is answered. Counted at the end, against what was sent: lost, doubled, altered.
 */
import { randomUUID } from 'node:crypto';
import { mkdtempSync, chmodSync, rmSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startMariadb } from '../scripts/lib/mariadb.mjs';
import { testServer } from '../scripts/lib/testbed.mjs';
import { contentHash } from '../server/canonical';
import { openPool, poolOptions } from '../server/database';
import { demoId } from '../server/demo/plant';
import { checkBody } from '../server/testing/harness';
import { verifyOrganisation } from '../server/verify';
import { signedIn } from './measure';

const FAULTS = 100;
const KINDS = ['server killed', 'database killed', 'answer cut off', 'sent twice'] as const;
const folder = mkdtempSync(join(tmpdir(), 'idiom-'));
chmodSync(folder, 0o755);
let db = await startMariadb(folder, null);
let server = await testServer(db, 'injected');
const organisation = demoId('organisation');
const { cookie } = await signedIn(server.url);
const before = await fetch(`${server.url}/api/v1/record/head`, { headers: { cookie } }).then(
  (r) => r.json() as Promise<{ count: number }>,
);

const body = () =>
  checkBody(
    { tier: demoId('corin'), rope: demoId('NL-08'), at: new Date(Date.now() - 600_000).toISOString() },
    { rope_diameter_mm: 10.2, seen_at: new Date(Date.now() - 60_000).toISOString(), note: randomUUID() },
  );
const send = (text: string) =>
  fetch(`${server.url}/api/v1/checks`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', cookie },
    body: text,
    signal: AbortSignal.timeout(8000),
  });
const wait = (ms: number) => new Promise((r) => setTimeout(r, ms));
/** A fixed order of moments, so that a run can be made again. */
let seed = 20;
const moment = () => (seed = (seed * 1_103_515_245 + 12_345) % 2_147_483_648) / 2_147_483_648;

/** Sent again until it is answered: the same request. */
async function untilAnswered(text: string): Promise<{ sequence: number; sha256: string }> {
  for (let tries = 0; tries < 60; tries++) {
    try {
      const r = await send(text);
      if (r.ok) return (await r.json()) as { sequence: number; sha256: string };
      if (r.status < 500 && r.status !== 429) throw new Error(`refused: ${r.status} ${await r.text()}`);
    } catch (error) {
      if ((error as Error).message.startsWith('refused')) throw error;
    }
    await wait(150);
  }
  throw new Error('never answered');
}
/** Hands the request over and hangs up before the answer. */
const cutOff = (text: string) =>
  new Promise<void>((done) => {
    const { port } = new URL(server.url);
    const socket = connect(Number(port), '127.0.0.1', () => {
      socket.write(
        `POST /api/v1/checks HTTP/1.1\r\nhost: 127.0.0.1:${port}\r\ncontent-type: application/json\r\ncookie: ${cookie}\r\ncontent-length: ${Buffer.byteLength(text)}\r\n\r\n${text}`,
      );
      setTimeout(() => {
        socket.destroy();
        done();
      }, moment() * 12);
    });
    socket.on('error', () => done());
  });

const sent = new Map<string, { text: string; answer: { sequence: number; sha256: string } }>();
for (let i = 0; i < FAULTS; i++) {
  const kind = KINDS[i % KINDS.length]!;
  const b = body();
  const text = JSON.stringify(b);
  const early =
    kind === 'sent twice'
      ? Promise.all([send(text), send(text)])
      : kind === 'answer cut off'
        ? cutOff(text)
        : send(text);
  const settled = Promise.resolve(early).catch(() => null);
  if (kind === 'server killed') {
    await wait(moment() * 14);
    server.child.kill('SIGKILL');
    await settled;
    server = await testServer(db, 'injected');
  } else if (kind === 'database killed') {
    await wait(moment() * 14);
    db.child.kill('SIGKILL');
    await new Promise((r) =>
      db.child.exitCode === null && db.child.signalCode === null ? db.child.on('exit', r) : r(null),
    );
    await settled;
    db = await startMariadb(folder, null);
  }
  await settled;
  sent.set(b.id, { text, answer: await untilAnswered(text) });
}
const pool = openPool(poolOptions(server.databaseUrl));
const verification = await verifyOrganisation(pool, organisation);
const [rows] = (await pool.query(
  'SELECT id, sequence, sha256, bytes FROM entries WHERE organisation = ? AND sequence > ?',
  [organisation, before.count],
)) as unknown as [{ id: string; sequence: number; sha256: string; bytes: Buffer }[]];
let [lost, doubled, altered] = [0, 0, 0];
for (const [id, { text, answer }] of sent) {
  const found = rows.filter((r) => r.id === id);
  if (found.length === 0) lost++;
  if (found.length > 1) doubled++;
  const wanted = JSON.parse(text) as { note: string; answers: { point: string; found: string }[] };
  const kept = found[0] && (JSON.parse(found[0].bytes.toString('utf8')) as { body: typeof wanted }).body;
  if (
    !kept ||
    kept.note !== wanted.note ||
    contentHash(kept.answers) !== contentHash(wanted.answers) ||
    found[0]!.sequence !== answer.sequence ||
    found[0]!.sha256 !== answer.sha256
  )
    altered++;
}
const strangers = rows.filter((r) => !sent.has(r.id)).length;
console.log(
  `${FAULTS} faults, ${FAULTS / KINDS.length} each of: ${KINDS.join(', ')}. Checks sent ${sent.size}, entries there ${rows.length}: lost ${lost}, doubled ${doubled + strangers}, altered ${altered}; the record verified: ${verification.faults.length === 0 ? 'each entry as written' : verification.faults.slice(0, 3).join('; ')}.`,
);
await pool.end();
await server.stop();
await db.stop();
rmSync(folder, { recursive: true, force: true });
