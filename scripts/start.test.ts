import { afterAll, afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:net';
import { join } from 'node:path';
import { freePort, isTemporary, portFree } from './lib/place.mjs';

const root = join(import.meta.dirname, '..');
const START = join(root, 'scripts/start.mjs');
// beside the checkout's own data, so that it is no temporary folder and the database's user can get there
const data = mkdtempSync('/var/lib/idiom-test-');
spawnSync('chmod', ['755', data]);
afterAll(() => rmSync(data, { recursive: true, force: true }));

/** What a test left running, because it failed, is ended before the next one. */
const running = new Set<ChildProcess>();
afterEach(async () => {
  await Promise.all(
    [...running].map((child) => {
      const gone = new Promise((r) => child.on('exit', r));
      child.kill('SIGTERM');
      return gone;
    }),
  );
});
/** Asked again and again until it is so; the limit of the test is for what hangs. */
async function until(so: () => Promise<boolean>): Promise<void> {
  while (!(await so())) await new Promise((r) => setTimeout(r, 100));
}

interface Run {
  readonly code: number | null;
  readonly out: string;
  readonly err: string;
}
function start(env: Record<string, string>): {
  child: ChildProcess;
  said: (text: string | RegExp) => Promise<string>;
  done: Promise<Run>;
} {
  const child = spawn(process.execPath, [START], {
    cwd: root,
    env: { PATH: process.env['PATH']!, HOME: process.env['HOME'] ?? '/root', ...env },
  });
  let out = '';
  let err = '';
  const waiting: { text: string | RegExp; ready: (out: string) => void }[] = [];
  child.stdout.on('data', (t) => {
    out += String(t);
    for (const w of waiting) if (typeof w.text === 'string' ? out.includes(w.text) : w.text.test(out)) w.ready(out);
  });
  child.stderr.on('data', (t) => (err += String(t)));
  const done = new Promise<Run>((r) => child.on('exit', (code) => r({ code, out, err })));
  running.add(child);
  void done.then(() => running.delete(child));
  return {
    child,
    done,
    said: (text) =>
      Promise.race([
        new Promise<string>((ready) => {
          waiting.push({ text, ready });
          if (typeof text === 'string' ? out.includes(text) : text.test(out)) ready(out);
        }),
        done.then((r) => {
          throw new Error(`ended with ${r.code}: ${r.err}${r.out}`);
        }),
      ]),
  };
}
/** A free port that nobody is given for a call of his own between two starts: below those that the system hands out. */
async function lastingPort(): Promise<number> {
  for (;;) {
    const candidate = 20_000 + Math.floor(Math.random() * 12_000);
    if (await portFree(candidate)) return candidate;
  }
}
const refused = (env: Record<string, string>) => start(env).done;

describe('what cannot work is said in one sentence', () => {
  let taken: Server;
  let takenPort: number;
  beforeAll(async () => {
    taken = createServer();
    await new Promise<void>((r) => taken.listen(0, '127.0.0.1', r));
    takenPort = (taken.address() as { port: number }).port;
  });
  afterAll(() => void taken.close());

  test.each([
    ['a port that is none', () => ({ PORT: 'eighty' }), /^PORT must be a port from 1 to 65535, not "eighty"\.$/],
    [
      'a temporary folder',
      () => ({ IDIOM_DATA: '/tmp/idiom-here' }),
      /temporary folder .*set IDIOM_DATA to a folder that stays/,
    ],
    [
      'a database without its administrator',
      () => ({ IDIOM_DATABASE_URL: 'mysql://a:b@127.0.0.1:1/x' }),
      /needs IDIOM_DATABASE_ADMIN_URL/,
    ],
    [
      'a taken port',
      () => ({ PORT: String(takenPort), IDIOM_DATA: data }),
      /^Port \d+ on 127\.0\.0\.1 is taken: set PORT to a free one/,
    ],
  ])('%s', async (_name, env, sentence) => {
    const { code, err } = await refused(env());
    expect(err.trim()).toMatch(sentence);
    expect(err.trim().split('\n')).toHaveLength(1);
    expect(code).not.toBe(0);
  });

  test('a taken database port', async () => {
    const { code, err } = await refused({
      PORT: String(await freePort()),
      IDIOM_DB_PORT: String(takenPort),
      IDIOM_DATA: data,
    });
    expect(err).toContain(`Port ${takenPort} for the database is taken: set IDIOM_DB_PORT`);
    expect(code).not.toBe(0);
  });

  test('a database that is not there, by URL', async () => {
    const { code, err } = await refused({
      PORT: String(await freePort()),
      IDIOM_DATABASE_URL: 'mysql://a:b@127.0.0.1:9/x',
      IDIOM_DATABASE_ADMIN_URL: 'mysql://root@127.0.0.1:9/mysql',
    });
    expect(err).toMatch(/could not be prepared/);
    expect(code).not.toBe(0);
  });
});

describe('a start', () => {
  let port: number;
  let dbPort: number;
  const env = () => ({ PORT: String(port), IDIOM_DB_PORT: String(dbPort), IDIOM_DATA: data, IDIOM_DEMO: '0' });
  beforeAll(async () => {
    port = await lastingPort();
    dbPort = await lastingPort();
  });

  test('ends by one URL; without demo it is the first instructor’s link; a second one is refused; Ctrl-C leaves nothing behind', async () => {
    const first = start(env());
    const out = await first.said(/http:\/\/127\.0\.0\.1:\d+\/setup#[0-9a-f]{40}/);
    expect(out.trim().split('\n').at(-1)).toMatch(/^http/);
    expect(await (await fetch(`http://127.0.0.1:${port}/api/v1/health`)).json()).toMatchObject({
      status: 'ok',
      database: 'ok',
    });
    const token = /#([0-9a-f]{40})/.exec(out)![1]!;
    const made = await fetch(`http://127.0.0.1:${port}/api/v1/setup`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ token, organisation: 'Own', name: 'First', handle: 'first', password: 'a-long-password' }),
    });
    expect(made.status).toBe(200);

    const second = await refused({ ...env(), PORT: String(await freePort()) });
    expect(second.err).toMatch(/Idiom is already running on .* \(process \d+\)/);
    expect(second.code).not.toBe(0);

    first.child.kill('SIGINT');
    expect((await first.done).code).toBe(0);
    expect(readdirSync(join(data, 'run')).filter((f) => f !== 'error.log')).toEqual([]);
    const left = spawnSync('pgrep', ['-f', join(data, 'my.cnf')], { encoding: 'utf8' }).stdout.trim();
    expect(left).toBe('');
  });

  test('again: the data stay, and no second first instructor is asked for', async () => {
    const again = start(env());
    const out = await again.said(/\nhttp:\/\/127\.0\.0\.1:\d+\/\n/);
    expect(out).not.toContain('setup#');
    const signedIn = await fetch(`http://127.0.0.1:${port}/api/v1/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ handle: 'first', password: 'a-long-password' }),
    });
    expect(signedIn.status).toBe(200);

    const verified = spawnSync(process.execPath, [join(root, 'scripts/verify.mjs')], {
      env: { PATH: process.env['PATH']!, HOME: process.env['HOME'] ?? '/root', ...env() },
      encoding: 'utf8',
    });
    expect(verified.stdout).toMatch(/^The program: \d+ entries, each as written[^]*\nOwn: 1 entries, each as written/);
    expect(verified.status).toBe(0);

    // the database dies: it is started again, and the server finds it
    const pid = Number(readFileSync(join(data, 'run/mariadbd.pid'), 'utf8'));
    process.kill(pid, 'SIGKILL');
    await again.said('starting it again');
    await until(async () => (await fetch(`http://127.0.0.1:${port}/api/v1/health`)).status === 200);
    again.child.kill('SIGTERM');
    expect((await again.done).code).toBe(0);
    expect(spawnSync('pgrep', ['-f', join(data, 'my.cnf')], { encoding: 'utf8' }).stdout.trim()).toBe('');
  });

  test('stopped while the database comes up again, it leaves none behind', async () => {
    const run = start(env());
    await run.said(/\nhttp:/);
    process.kill(Number(readFileSync(join(data, 'run/mariadbd.pid'), 'utf8')), 'SIGKILL');
    await run.said('starting it again');
    run.child.kill('SIGTERM');
    expect((await run.done).code).toBe(0);
    expect(spawnSync('pgrep', ['-f', join(data, 'my.cnf')], { encoding: 'utf8' }).stdout.trim()).toBe('');
  });

  test('the start command itself killed: nothing keeps the port, and the next start takes over', async () => {
    const killed = start(env());
    await killed.said(/\nhttp:/);
    killed.child.kill('SIGKILL');
    await killed.done;
    await until(() =>
      fetch(`http://127.0.0.1:${port}/api/v1/health`).then(
        () => false,
        () => true,
      ),
    );
    const next = start(env());
    expect(await next.said(/\nhttp:/)).toContain('a database of an earlier run is still there: stopping it first');
    next.child.kill('SIGINT');
    expect((await next.done).code).toBe(0);
  });

  test('data of a newer program are left alone', async () => {
    // the stored version is raised by the administrator's own client
    const db = start(env());
    await db.said('/\n');
    spawnSync('mariadb', [
      '--no-defaults',
      '-S',
      join(data, 'run/mariadb.sock'),
      '-u',
      'root',
      'idiom',
      '-e',
      "INSERT INTO schema_migrations VALUES (9999, '9999_future.sql', NOW())",
    ]);
    db.child.kill('SIGINT');
    await db.done;
    const { code, err } = await refused(env());
    const newest = Number(
      readdirSync(join(root, 'server/migrations'))
        .filter((f) => f.endsWith('.sql'))
        .sort()
        .at(-1)!
        .slice(0, 4),
    );
    expect(err.trim()).toBe(
      `The data are of version 9999, this program knows version ${newest}: start the newer program, or use another data folder.`,
    );
    expect(code).toBe(5);
    expect(existsSync(join(data, 'run/idiom.lock'))).toBe(false);
  });
});

test('a database that an earlier program was stopped in the middle of making is put aside, and made anew', async () => {
  const folder = mkdtempSync('/var/lib/idiom-test-');
  spawnSync('chmod', ['755', folder]);
  mkdirSync(join(folder, 'mariadb/mysql'), { recursive: true });
  writeFileSync(join(folder, 'mariadb/ibdata1'), 'half of a file');
  // nor does a copy stay that was not finished, or not wholly taken away
  mkdirSync(join(folder, 'mariadb.before.making/mysql'), { recursive: true });
  const run = start({
    PORT: String(await freePort()),
    IDIOM_DB_PORT: String(await freePort()),
    IDIOM_DATA: folder,
    IDIOM_DEMO: '0',
  });
  expect(await run.said(/setup#/)).toContain('a database that was never finished is moved to');
  run.child.kill('SIGINT');
  expect((await run.done).code).toBe(0);
  expect(readdirSync(folder).some((f) => f.startsWith('mariadb.half-made-'))).toBe(true);
  expect(readdirSync(folder)).not.toContain('mariadb.before.making');
  rmSync(folder, { recursive: true, force: true });
});

test('temporary folders are known', () => {
  expect(['/tmp', '/tmp/x', '/var/tmp/a', '/dev/shm/x'].map(isTemporary)).toEqual([true, true, true, true]);
  expect(['/tmpx', '/home/a', '/var/lib/idiom'].map(isTemporary)).toEqual([false, false, false]);
});
