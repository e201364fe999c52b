/**
 * npm test: types, lint, import directions, generated files, share of tests, unit tests, then journeys in a real
 * browser against a real database. Ends with "N passed, N failed" and exits by it. Installs what is missing.
 *   --unit, --browser, --checks   only that part
 */
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ensureBuilt, ensurePackages, ensureSystem, root } from './lib/install.mjs';
import { MARIADBD } from './lib/mariadb.mjs';
import { say, Stop } from './lib/say.mjs';
import { testDatabase, testServer } from './lib/testbed.mjs';

const only = process.argv.slice(2).filter((a) => ['--unit', '--browser', '--checks'].includes(a));
const wants = (part) => only.length === 0 || only.includes(`--${part}`);
const rest = process.argv.slice(2).filter((a) => !only.includes(a));
let passed = 0;
let failed = 0;
/** what failed by name, said again at the end, where it is not buried in the output */
const failures = [];
function fail(name) {
  failed++;
  failures.push(name);
}
const undo = [];

function run(args, env = {}) {
  return new Promise((done) => {
    const child = spawn(process.execPath, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });
    undo.push(() => child.exitCode === null && child.kill('SIGTERM'));
    child.on('exit', (code) => done(code ?? 1));
  });
}
async function check(name, args) {
  const code = await run(args);
  say(`${code === 0 ? 'passed' : 'FAILED'}: ${name}`);
  if (code === 0) passed++;
  else fail(name);
}
/** Browser tests that did not end as they should. */
const unexpectedIn = (suites) =>
  suites.flatMap((s) => [
    ...s.specs.filter((x) => !x.ok).map((x) => `${x.file}: ${x.title}`),
    ...unexpectedIn(s.suites ?? []),
  ]);
const bin = (p) => join('node_modules', p);

async function main() {
  ensurePackages();
  ensureSystem([
    [MARIADBD, 'mariadb-server'],
    ['/usr/bin/chromium', 'chromium'],
  ]);
  mkdirSync(join(root, 'dist'), { recursive: true });
  if (wants('checks')) {
    await check('types', [bin('typescript/bin/tsc'), '-p', 'tsconfig.json']);
    await check('types of core alone', [bin('typescript/bin/tsc'), '-p', 'tsconfig.core.json']);
    await check('lint', [bin('eslint/bin/eslint.js'), '.', '--max-warnings', '0']);
    await check('import directions', [
      bin('dependency-cruiser/bin/dependency-cruise.mjs'),
      '--config',
      '.dependency-cruiser.cjs',
      '--output-type',
      'err',
      'core',
      'contract',
      'server',
      'web',
    ]);
    await check('generated files are fresh', ['--import', 'tsx', 'scripts/checkGenerated.ts']);
    await check('share of tests', ['scripts/share.mjs']);
    await check('ways of tying, proved', ['--import', 'tsx', 'scripts/prove.ts']);
  }
  if (!wants('unit') && !wants('browser')) return;
  const db = await testDatabase();
  undo.push(() => db.stop());
  if (wants('unit')) {
    const out = join(root, 'dist/jest.json');
    const before = failures.length;
    rmSync(out, { force: true });
    await run(
      ['--experimental-vm-modules', '--no-warnings', bin('jest/bin/jest.js'), '--json', `--outputFile=${out}`, ...rest],
      { IDIOM_TEST_ADMIN_URL: db.adminUrl, IDIOM_TEST_SOCKET: db.socket },
    );
    if (!existsSync(out)) fail('unit tests: no result');
    else {
      const r = JSON.parse(readFileSync(out, 'utf8'));
      passed += r.numPassedTests;
      for (const file of r.testResults) {
        const wrong = file.assertionResults.filter((t) => t.status === 'failed');
        for (const t of wrong) fail(`${relative(root, file.name)}: ${t.fullName}`);
        if (file.status === 'failed' && wrong.length === 0) fail(`${relative(root, file.name)}: could not run`);
      }
      if (!r.success && failures.length === before) fail('unit tests: ended with an error');
    }
  }
  if (wants('browser')) {
    ensureBuilt();
    const server = await testServer(db, 'journeys');
    undo.push(() => server.stop());
    const out = join(root, 'dist/e2e.json');
    rmSync(out, { force: true });
    const code = await run([bin('@playwright/test/cli.js'), 'test', ...rest], {
      IDIOM_TEST_URL: server.url,
      IDIOM_TEST_ADMIN_URL: db.adminUrl,
      IDIOM_TEST_SOCKET: db.socket,
    });
    if (!existsSync(out)) fail('browser tests: no result');
    else {
      const { stats, suites } = JSON.parse(readFileSync(out, 'utf8'));
      passed += stats.expected + stats.flaky;
      for (const name of unexpectedIn(suites)) fail(name);
      if (code !== 0 && stats.unexpected === 0) fail('browser tests: ended with an error');
    }
  }
}

let ending = false;
async function end() {
  if (ending) return;
  ending = true;
  for (const f of undo.reverse()) await f();
  for (const name of failures) console.log(`FAILED: ${name}`);
  console.log(`${passed} passed, ${failed} failed`);
  process.exit(failed === 0 && passed > 0 ? 0 : 1);
}
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => void (fail(`stopped by ${signal}`), end()));
main().then(end, (error) => {
  console.error(error instanceof Stop ? error.message : error);
  fail('the run itself');
  return end();
});
