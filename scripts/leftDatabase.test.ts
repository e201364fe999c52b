import { afterAll, afterEach, expect, test } from '@jest/globals';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer, type Server } from 'node:net';
import { join } from 'node:path';
import { endLeftDatabase, runningOn } from './lib/mariadb.mjs';

const folder = mkdtempSync('/tmp/idiom-left-');
mkdirSync(join(folder, 'run'));
afterAll(() => rmSync(folder, { recursive: true }));
const left: ChildProcess[] = [];
let greeter: Server | null = null;
afterEach(() => {
  for (const c of left.splice(0)) c.kill('SIGKILL');
  greeter?.close();
  greeter = null;
  rmSync(join(folder, 'run/mariadb.sock'), { force: true });
});

/** Something that stands in for a database on the folder. @param onStop what it does when it is told to stop */
async function stands(
  onStop: string,
  more: readonly string[] = [],
): Promise<{ readonly gone: Promise<string | null> }> {
  const c = spawn(
    process.execPath,
    [
      '-e',
      `process.on('SIGTERM', () => { ${onStop} }); setInterval(() => {}, 1000); console.log('stands')`,
      '--',
      `--defaults-file=${folder}/my.cnf`,
      ...more,
      '--user=mysql',
    ],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  );
  left.push(c);
  const gone = new Promise<string | null>((r) => c.on('exit', (_code, signal) => r(signal)));
  await new Promise((r) => c.stdout.once('data', r));
  return { gone };
}

test('a database that was left is found before it has written down its number, and asked to stop', async () => {
  const { gone } = await stands('process.exit(0)');
  expect(runningOn(folder)).not.toBeNull();
  expect(runningOn(`${folder}-other`)).toBeNull();
  await endLeftDatabase(folder, { up_ms: 0 });
  expect(await gone).toBeNull();
  expect(runningOn(folder)).toBeNull();
});
test('one that comes up still is let come up before it is asked', async () => {
  const { gone } = await stands("process.exit(require('fs').existsSync('" + folder + "/run/mariadb.sock') ? 0 : 9)");
  setTimeout(() => {
    greeter = createServer((s) => s.end('greeting')).listen(join(folder, 'run/mariadb.sock'));
  }, 300);
  await endLeftDatabase(folder);
  expect(await gone).toBeNull();
  expect(left[0]!.exitCode).toBe(0);
});
test('one that does not go is killed, and one that is still being made at once', async () => {
  const hangs = await stands('');
  await endLeftDatabase(folder, { up_ms: 0, stop_ms: 200 });
  expect(await hangs.gone).toBe('SIGKILL');
  const making = await stands('', ['--bootstrap']);
  expect(runningOn(folder)).toBeNull();
  await endLeftDatabase(folder);
  expect(await making.gone).toBe('SIGKILL');
});
