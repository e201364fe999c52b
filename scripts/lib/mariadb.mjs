/** A private MariaDB in a folder of its own: made, started, watched, stopped. */
import { execFileSync, spawn, spawnSync } from 'node:child_process';
import {
  chmodSync,
  chownSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statfsSync,
  writeFileSync,
} from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';
import { say, Stop } from './say.mjs';

const LEAST_FREE_BYTES = 300 * 1024 * 1024;
/** Of data that nobody misses after a run: nothing waits until it is on the disk, so a fall of the machine loses them. */
const NOT_KEPT = [
  'innodb_flush_log_at_trx_commit=0',
  'innodb_flush_method=nosync',
  'innodb_doublewrite=0',
  'sync_frm=0',
];
export const MARIADBD = '/usr/sbin/mariadbd';

/** The account the database runs as: mysql when we are root, else ourselves. */
export function databaseUser() {
  if (process.getuid() !== 0)
    return {
      name: execFileSync('id', ['-un'], { encoding: 'utf8' }).trim(),
      uid: process.getuid(),
      gid: process.getgid(),
    };
  const line = readFileSync('/etc/passwd', 'utf8')
    .split('\n')
    .find((l) => l.startsWith('mysql:'));
  if (!line)
    throw new Stop(
      'There is no account "mysql" on this machine although MariaDB is installed: reinstall mariadb-server.',
    );
  const [, , uid, gid] = line.split(':');
  return { name: 'mysql', uid: Number(uid), gid: Number(gid) };
}

/** Whether the database's user can get into a folder that exists. Tried, not assumed. */
export function canEnter(folder, user) {
  return (
    spawnSync('/bin/sh', ['-c', 'cd "$1"', 'sh', folder], { uid: user.uid, gid: user.gid, stdio: 'ignore', cwd: '/' })
      .status === 0
  );
}

export function processAlive(pid) {
  try {
    process.kill(pid, 0);
    return !readFileSync(`/proc/${pid}/stat`, 'utf8').includes(') Z ');
  } catch (error) {
    return error.code === 'EPERM';
  }
}

export function commandLine(pid) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ');
  } catch {
    return '';
  }
}

/** What runs on a folder. Its own note of it comes late, so the processes themselves are looked at. */
function processesOn(folder) {
  const by = `--defaults-file=${join(folder, 'my.cnf')} `;
  return readdirSync('/proc')
    .filter((p) => /^\d+$/.test(p))
    .map((p) => ({ pid: Number(p), line: commandLine(p) }))
    .filter(({ pid, line }) => line.includes(by) && processAlive(pid))
    .map(({ pid, line }) => ({ pid, makes: /install-db|--bootstrap/.test(line) }));
}
/** pid of a mariadbd that serves from this folder, or null. */
export const runningOn = (folder) => processesOn(folder).find((p) => !p.makes)?.pid ?? null;

/** A process that has ended in this moment is told nothing more. */
function tell(pid, signal) {
  try {
    process.kill(pid, signal);
  } catch (error) {
    if (error.code !== 'ESRCH') throw error;
  }
}
/** Whether a database greets whoever comes to its socket: from then on it hears that it is to stop. */
const greets = (folder) =>
  new Promise((done) => {
    const s = connect(join(folder, 'run/mariadb.sock'));
    const end = (yes) => (s.destroy(), done(yes));
    s.setTimeout(1000, () => end(false));
    s.once('data', () => end(true)).once('error', () => end(false));
  });

const within = async (ms, is) => {
  for (const until = Date.now() + ms; Date.now() < until; await new Promise((r) => setTimeout(r, 50)))
    if (await is()) return true;
  return is();
};
/**
 * Ends the database that an earlier start left on a folder. Told to stop while it comes up it would hang for ever: it is let come up first, and one
 * that does not go is killed (what was written down is there again at its next start).
 */
export async function endLeftDatabase(folder, { up_ms = 15_000, stop_ms = 30_000 } = {}) {
  // one that is still being made is made anew
  for (const { pid, makes } of processesOn(folder)) if (makes) tell(pid, 'SIGKILL');
  await within(stop_ms, () => !processesOn(folder).some((p) => p.makes));
  const pid = runningOn(folder);
  if (pid === null) return;
  say('a database of an earlier run is still there: stopping it first');
  const gone = () => !processAlive(pid);
  await within(up_ms, async () => gone() || (await greets(folder)));
  for (const [signal, ms] of [
    ['SIGTERM', stop_ms],
    ['SIGKILL', stop_ms],
  ]) {
    if (gone()) return;
    if (signal === 'SIGKILL') say('it does not stop: it is killed; what was written down is kept');
    tell(pid, signal);
    await within(ms, gone);
  }
}

/** Notes which process serves from a folder, so that one that was left behind is found. */
export const noteServer = (folder, pid) => writeFileSync(join(folder, 'run/server.pid'), `${pid}\n`);
export const forgetServer = (folder) => rmSync(join(folder, 'run/server.pid'), { force: true });
/** pid of a server that runs on this folder, or null. */
export function leftServer(folder) {
  const file = join(folder, 'run/server.pid');
  if (!existsSync(file)) return null;
  const pid = Number(readFileSync(file, 'utf8'));
  return pid > 0 && processAlive(pid) && commandLine(pid).includes('dist/server/main.js') ? pid : null;
}

/** The port that a database on this folder was told to listen at; null where it is not noted. */
export function portNoted(folder) {
  const file = join(folder, 'my.cnf');
  const port = existsSync(file) ? /^port=(\d+)$/m.exec(readFileSync(file, 'utf8'))?.[1] : undefined;
  return port === undefined ? null : Number(port);
}

const errors = (folder) => {
  try {
    return readFileSync(join(folder, 'run/error.log'), 'utf8')
      .split('\n')
      .filter((l) => l.includes('[ERROR]'))
      .slice(-3)
      .map((l) => l.replace(/^.*\[ERROR\] /, ''))
      .join(' ');
  } catch {
    return '';
  }
};

/** What every MariaDB has beside the data of those who use it. */
const OF_MARIADB = ['mysql', 'sys', 'performance_schema', 'test'];

/**
 * A database that an earlier program was stopped in the middle of making: there is nothing of ours in it. It is moved aside, not removed.
 */
function setAsideHalfMade(folder) {
  const data = join(folder, 'mariadb');
  if (!existsSync(data) || existsSync(join(folder, 'made'))) return;
  const within = readdirSync(data, { withFileTypes: true }).filter((e) => e.isDirectory());
  if (within.some((e) => !OF_MARIADB.includes(e.name) && !e.name.startsWith('#'))) return;
  const aside = join(folder, `mariadb.half-made-${Date.now()}`);
  renameSync(data, aside);
  if (within.length === 0) rmSync(aside, { recursive: true, force: true });
  else say(`a database that was never finished is moved to ${aside}`);
}

/**
 * Starts it.
 * @param folder absolute; made when missing
 * @param port TCP port on loopback, or null for the socket alone
 * @param throwaway its data are for a run only: it waits for no disk
 * @returns {{child, socket, stop: () => Promise<void>}}
 */
export async function startMariadb(folder, port, { onDeath = () => {}, throwaway = false } = {}) {
  const user = databaseUser();
  const run = join(folder, 'run');
  const data = join(folder, 'mariadb');
  const making = join(folder, 'mariadb.making');
  // another database that starts on this machine clears what it takes for its own leftovers from a shared one
  const scratch = join(folder, 'scratch');
  const socket = join(run, 'mariadb.sock');
  if (Buffer.byteLength(socket) > 100)
    throw new Stop(
      `The path of the data folder is too long for a socket (${socket}): set IDIOM_DATA to a shorter one.`,
    );
  mkdirSync(folder, { recursive: true });
  const space = statfsSync(folder);
  if (space.bavail * space.bsize < LEAST_FREE_BYTES)
    throw new Stop(
      `The disk of ${folder} is full: less than 300 MB are free. Make room, or set IDIOM_DATA to another disk. Nothing was changed.`,
      7,
    );
  const own = (f) => {
    mkdirSync(f, { recursive: true, mode: 0o750 });
    if (process.getuid() === 0) chownSync(f, user.uid, user.gid);
    chmodSync(f, f === run ? 0o755 : 0o750);
  };
  for (const f of [run, scratch]) own(f);
  setAsideHalfMade(folder);
  const cnf = join(folder, 'my.cnf');
  writeFileSync(
    cnf,
    [
      '[mariadbd]',
      `user=${user.name}`,
      `datadir=${data}`,
      `tmpdir=${scratch}`,
      `socket=${socket}`,
      `pid-file=${run}/mariadbd.pid`,
      `log-error=${run}/error.log`,
      port === null ? 'skip-networking' : `port=${port}\nbind-address=127.0.0.1`,
      'skip-name-resolve',
      'character-set-server=utf8mb4',
      'collation-server=utf8mb4_unicode_ci',
      'innodb_buffer_pool_size=128M',
      ...(throwaway ? NOT_KEPT : ['innodb_flush_log_at_trx_commit=1']),
      'sql_mode=TRADITIONAL,NO_ENGINE_SUBSTITUTION',
      // side by side tests have a pool each
      `max_connections=${port === null ? 200 : 60}`,
      '',
    ].join('\n'),
  );
  if (!existsSync(data)) {
    say('making the database');
    // made beside and renamed when whole: stopped in the middle, the next start makes it anew
    rmSync(making, { recursive: true, force: true });
    own(making);
    const r = spawnSync(
      'mariadb-install-db',
      [
        `--defaults-file=${cnf}`,
        `--user=${user.name}`,
        `--datadir=${making}`,
        '--auth-root-authentication-method=socket',
        `--auth-root-socket-user=${user.name === 'mysql' ? 'root' : user.name}`,
        '--skip-test-db',
      ],
      { encoding: 'utf8' },
    );
    if (r.status !== 0) {
      rmSync(making, { recursive: true, force: true });
      throw new Stop(
        /No space left/i.test(r.stdout + r.stderr)
          ? `The disk of ${folder} is full: make room and start again.`
          : `The database could not be made in ${data}: ${errors(folder) || (r.stderr || r.stdout).trim().split('\n').at(-1)}`,
      );
    }
    spawnSync('sync', ['-f', making]);
    renameSync(making, data);
    writeFileSync(join(folder, 'made'), '');
  }
  rmSync(join(run, 'error.log'), { force: true });
  // a group of its own: Ctrl-C in the terminal reaches us, and we stop it after the server
  const child = spawn(MARIADBD, [`--defaults-file=${cnf}`, `--user=${user.name}`], { stdio: 'ignore', detached: true });
  let stopping = false;
  child.on('exit', (code) => {
    if (!stopping) onDeath(code);
  });
  const ping = () =>
    spawnSync(
      'mariadb-admin',
      ['--no-defaults', '-S', socket, '-u', user.name === 'mysql' ? 'root' : user.name, 'ping'],
      { stdio: 'ignore' },
    ).status === 0;
  for (let i = 0; !ping(); i++) {
    if (child.exitCode !== null || child.signalCode !== null || i > 1200) {
      stopping = true;
      if (child.exitCode === null) child.kill('SIGKILL');
      throw new Stop(`The database did not start: ${errors(folder) || 'see ' + join(run, 'error.log')}`);
    }
    await new Promise((r) => setTimeout(r, 50));
  }
  const stop = async () => {
    stopping = true;
    if (child.exitCode === null && child.signalCode === null) {
      const gone = new Promise((r) => child.on('exit', r));
      child.kill('SIGTERM');
      await gone;
    }
    for (const f of ['mariadb.sock', 'mariadbd.pid']) rmSync(join(run, f), { force: true });
  };
  return {
    child,
    socket,
    adminUrl: `mysql://${user.name === 'mysql' ? 'root' : user.name}@localhost/mysql?socket=${encodeURIComponent(socket)}`,
    stop,
  };
}
