/** What must be there before anything runs: node packages, system packages, the built program. */
import { execFileSync, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { say, Stop } from './say.mjs';

export const root = join(import.meta.dirname, '../..');
const stamp = join(root, 'node_modules/.package-lock.json');

/** npm ci when there are no packages, or older ones than the lock names. */
export function ensurePackages() {
  const lock = join(root, 'package-lock.json');
  if (existsSync(stamp) && statSync(stamp).mtimeMs >= statSync(lock).mtimeMs - 1000) return;
  // a fresh checkout's lock may carry a newer time than what was installed from the same lock
  const note = join(root, 'node_modules/.idiom-lock');
  const hash = createHash('sha256').update(readFileSync(lock)).digest('hex');
  if (existsSync(stamp) && existsSync(note) && readFileSync(note, 'utf8') === hash) return;
  say('installing packages (npm ci), about a minute');
  const install = (said, ...how) =>
    spawnSync('npm', ['ci', '--include=dev', '--no-progress', '--loglevel=error', ...how], {
      cwd: root,
      stdio: ['ignore', 'ignore', said],
    }).status === 0;
  // what this machine has already is not asked for again; where that is too old, everything is
  if (!install('ignore', '--prefer-offline') && !install('inherit'))
    throw new Stop(
      'The packages could not be installed: npm ci failed (its words are above). Is the npm registry reachable?',
    );
  writeFileSync(note, hash);
}

/** apt-get install of what is missing; each of [file that shows it is there, Debian package]. */
export function ensureSystem(wanted) {
  const missing = wanted.filter(([file]) => !existsSync(file)).map(([, name]) => name);
  if (missing.length === 0) return;
  if (process.getuid() !== 0)
    throw new Stop(
      `${missing.join(' and ')} is not installed, and only root can install it: run "apt-get install ${missing.join(' ')}" as root, or name a running database with IDIOM_DATABASE_URL and IDIOM_DATABASE_ADMIN_URL.`,
    );
  say(`installing ${missing.join(' and ')} (apt-get), about a minute`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const apt = (args) =>
    spawnSync('apt-get', ['-qq', '-o', 'DPkg::Lock::Timeout=300', ...args], {
      env,
      stdio: ['ignore', 'ignore', 'pipe'],
      encoding: 'utf8',
    });
  apt(['update']);
  const r = apt(['install', '-y', '--no-install-recommends', ...missing]);
  if (r.status !== 0)
    throw new Stop(`apt-get could not install ${missing.join(' and ')}: ${(r.stderr ?? '').trim().split('\n').at(-1)}`);
}

function filesUnder(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((e) =>
    e.isDirectory() ? filesUnder(join(folder, e.name)) : [join(folder, e.name)],
  );
}

/** Builds interface and server into dist/ when their sources changed since the last build. */
export function ensureBuilt() {
  const hash = createHash('sha256');
  for (const folder of ['core', 'contract', 'server', 'web'])
    for (const f of filesUnder(join(root, folder))
      .filter((x) => !/\.test\.tsx?$/.test(x))
      .sort())
      hash.update(f.slice(root.length)).update(readFileSync(f));
  for (const f of ['package-lock.json', 'vite.config.ts', 'scripts/lib/install.mjs'])
    hash.update(readFileSync(join(root, f)));
  const wanted = hash.digest('hex');
  const mark = join(root, 'dist/.built');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === wanted) return false;
  say('building interface and server');
  rmSync(mark, { force: true });
  mkdirSync(join(root, 'dist'), { recursive: true });
  const tool = (name, args) => {
    try {
      execFileSync(process.execPath, [join(root, 'node_modules', name), ...args], {
        cwd: root,
        stdio: ['ignore', 'ignore', 'pipe'],
      });
    } catch (error) {
      throw new Stop(
        `The build failed: ${String(error.stderr ?? error.message)
          .trim()
          .split('\n')
          .slice(-5)
          .join(' ')}`,
      );
    }
  };
  tool('vite/bin/vite.js', ['build', '--logLevel', 'error']);
  execFileSync(
    join(root, 'node_modules/.bin/esbuild'),
    [
      'server/main.ts',
      'server/prepare.ts',
      'server/verify.ts',
      'server/confirm.ts',
      'server/work/worker.ts',
      '--bundle',
      '--platform=node',
      '--format=esm',
      '--target=node20',
      '--packages=external',
      '--outdir=dist/server',
      '--log-level=error',
    ],
    { cwd: root, stdio: 'inherit' },
  );
  for (const f of filesUnder(join(root, 'dist/web')).filter((x) => /\.(js|css|html|svg|json)$/.test(x))) {
    const bytes = readFileSync(f);
    writeFileSync(`${f}.gz`, gzipSync(bytes, { level: 9 }));
    writeFileSync(`${f}.br`, brotliCompressSync(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }));
  }
  writeFileSync(mark, wanted);
  return true;
}
