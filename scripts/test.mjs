/**
 * npm test: types, lint, format, import directions, what nothing uses, generated files, proofs, share of tests, unit tests, then journeys in a
 * real browser against real databases. Ends with "N passed, N failed" and exits by it. Installs what is missing.
 *   --unit, --browser, --checks   only that part
 *   --changed                     only what a change can reach, and what was left out
 */
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { browserWanted } from './lib/browser.mjs';
import { ensureBuilt, ensurePackages, ensureSystem, root } from './lib/install.mjs';
import { MARIADBD } from './lib/mariadb.mjs';
import { say, Stop } from './lib/say.mjs';
import { testDatabase } from './lib/testbed.mjs';
import { changedFiles, reach } from './run/changed.mjs';
import { Results } from './run/results.mjs';
import { beside, run, serve, undo } from './run/tasks.mjs';

const FLAGS = ['--unit', '--browser', '--checks', '--changed'];
const flags = process.argv.slice(2).filter((a) => FLAGS.includes(a));
const rest = process.argv.slice(2).filter((a) => !FLAGS.includes(a));
const wants = (part) => !flags.some((f) => f !== '--changed') || flags.includes(`--${part}`);
const results = new Results();
const begun = Date.now();

const bin = (p) => join('node_modules', p);
const tsx = (script, ...args) => ['--import', './scripts/lib/typescript.mjs', script, ...args];
const tsc = (project) => [
  bin('typescript7/bin/tsc'),
  '-p',
  project,
  '--incremental',
  '--tsBuildInfoFile',
  `node_modules/.cache/idiom/${project}.tsbuildinfo`,
];
const CHECKS = {
  lint: [bin('oxlint/bin/oxlint'), '--deny-warnings'],
  format: [bin('prettier/bin/prettier.cjs'), '--check', '--log-level', 'warn'],
  directions: [
    bin('dependency-cruiser/bin/dependency-cruise.mjs'),
    ...['--config', '.dependency-cruiser.cjs', '--output-type', 'err', 'core', 'contract', 'server', 'web'],
  ],
};

async function checks() {
  const all = [
    { name: 'lint', args: [...CHECKS.lint, '.'] },
    { name: 'types', args: tsc('tsconfig.json') },
    { name: 'format', args: [...CHECKS.format, '.'] },
    { name: 'types of core alone', args: tsc('tsconfig.core.json') },
    { name: 'import directions', args: CHECKS.directions },
    { name: 'nothing unused', args: [bin('knip/bin/knip.js'), '--no-progress'] },
    { name: 'generated pages are fresh', args: tsx('scripts/docs.ts', '--check') },
    { name: 'share of tests', args: ['scripts/share.mjs'] },
  ];
  await beside(all, (name, ok, seconds) => results.check(name, ok, seconds));
  // a pool of processes of its own
  await beside([{ name: 'proofs', args: tsx('scripts/checkProofs.ts') }], (...ended) => results.check(...ended));
}

async function unit(args) {
  // tests that start the program side by side find it built
  if (args.length === 0 || args.some((a) => /scripts\/(start|torture)/.test(a))) ensureBuilt();
  const db = await testDatabase();
  undo.push(() => db.stop());
  // a run of some is no measure of what each takes when all is run
  const out = join(root, args.length > 0 ? 'dist/jest-some.json' : 'dist/jest.json');
  rmSync(out, { force: true });
  const jest = ['--experimental-vm-modules', '--no-warnings', bin('jest/bin/jest.js')];
  await run([...jest, '--ci', '--json', `--outputFile=${out}`, ...args], {
    env: { IDIOM_TEST_ADMIN_URL: db.adminUrl, IDIOM_TEST_SOCKET: db.socket },
  });
  results.readUnit(out);
}

async function browser(args) {
  ensureBuilt();
  const db = await testDatabase();
  undo.push(() => db.stop());
  const out = join(root, 'dist/e2e.json');
  rmSync(out, { force: true });
  const test = { IDIOM_TEST_ADMIN_URL: db.adminUrl, IDIOM_TEST_SOCKET: db.socket };
  const servers = await serve('server/testing/sideBySide.ts', { ...test, IDIOM_WEB_ROOT: join(root, 'dist/web') });
  const env = { ...test, IDIOM_TEST_SERVERS: servers };
  const { code } = await run([bin('@playwright/test/cli.js'), 'test', ...args], { env });
  results.readBrowser(out, code);
}

// a form that comes from what it came from before has the codes it had
const atSight = (knots) => (knots.length > 0 ? ['--at-sight', ...knots] : ['--hashes']);

async function changed() {
  const { files, of } = changedFiles();
  const { near, each, knots, proofs, journey, said } = reach(files);
  say(`${files.length} files, ${of}`);
  const code = files.filter((f) => /\.(ts|tsx|mjs|js)$/.test(f) && !f.endsWith('/baked.ts'));
  const tasks = [
    { name: 'types', args: tsc('tsconfig.json') },
    ...(code.length > 0 ? [{ name: 'lint', args: [...CHECKS.lint, '--no-error-on-unmatched-pattern', ...code] }] : []),
    { name: 'format', args: [...CHECKS.format, '--ignore-unknown', ...files] },
    ...(proofs ? [{ name: 'proofs, at sight', args: tsx('scripts/checkProofs.ts', ...atSight(knots)) }] : []),
  ];
  await beside(tasks, (...ended) => results.check(...ended));
  if (near.length > 0) await unit(['--runTestsByPath', ...near]);
  if (each.length > 0) await unit([...each, '-t', knots.join('|')]);
  if (journey) await browser([`${journey}.spec.ts`]);
  console.log(`left out: ${said.join('; ')}`);
}

async function main() {
  ensurePackages();
  ensureSystem([[MARIADBD, 'mariadb-server'], browserWanted()]);
  mkdirSync(join(root, 'dist'), { recursive: true });
  mkdirSync(join(root, 'node_modules/.cache/idiom'), { recursive: true });
  if (flags.includes('--changed')) return changed();
  if (wants('checks')) await checks();
  if (wants('unit')) await unit(rest);
  if (wants('browser')) await browser(rest);
}

let ending = false;
async function end() {
  if (ending) return;
  ending = true;
  for (const f of undo.reverse()) await f();
  const seconds = (Date.now() - begun) / 1000;
  const slowest = results.slowest(20);
  if (slowest.length > 0) console.log('the slowest:');
  for (const [s, name] of slowest) console.log(`${s.toFixed(1).padStart(7)} s  ${name}`);
  for (const name of results.failures) console.log(`FAILED: ${name}`);
  const { passed, failures } = results;
  writeFileSync(join(root, 'dist/run.json'), JSON.stringify({ seconds, flags, passed, failed: failures.length }));
  console.log(`${passed} passed, ${failures.length} failed in ${seconds.toFixed(0)} s`);
  console.log(`${passed} passed, ${failures.length} failed`);
  process.exit(failures.length === 0 && passed > 0 ? 0 : 1);
}
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => void (results.fail(`stopped by ${signal}`), end()));
main().then(end, (error) => {
  console.error(error instanceof Stop ? error.message : error);
  results.fail('the run itself');
  return end();
});
