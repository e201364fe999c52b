/** Runs the built prepare step and reads what it says. */
import { spawn, spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { root } from './install.mjs';
import { say, Stop } from './say.mjs';

const SCRIPT = join(root, 'dist/server/prepare.js');
const settings = (adminUrl, appUrl, env) => ({
  ...env,
  IDIOM_DATABASE_ADMIN_URL: adminUrl,
  IDIOM_DATABASE_URL: appUrl,
  IDIOM_MIGRATIONS: join(root, 'server/migrations'),
});

function answerOf(status, stdout, stderr) {
  if (status !== 0)
    throw new Stop((stderr || 'The database could not be prepared.').trim().split('\n').at(-1), status ?? 6);
  return JSON.parse(stdout.trim().split('\n').at(-1));
}

/** @returns {{url: string, migrations: number, people: number}} */
export function prepare(adminUrl, appUrl, env = process.env) {
  const r = spawnSync(process.execPath, [SCRIPT], {
    cwd: root,
    encoding: 'utf8',
    env: settings(adminUrl, appUrl, env),
  });
  return answerOf(r.status, r.stdout, r.stderr);
}

/** Runs it beside us, so that it ends when we do. @param undo gets how to end it @param what it is doing is said */
async function running(adminUrl, appUrl, undo, args, extra) {
  const child = spawn(process.execPath, [SCRIPT, ...args], {
    cwd: root,
    // a group of its own: it is we who end it, before the database
    detached: true,
    stdio: ['ignore', 'pipe', 'pipe', 'pipe'],
    env: { ...settings(adminUrl, appUrl, process.env), IDIOM_SAY: '3', ...extra },
  });
  const gone = new Promise((r) => child.on('close', r));
  undo.push(async () => {
    if (child.exitCode === null && child.signalCode === null) child.kill('SIGKILL');
    await gone;
  });
  let [out, err] = ['', ''];
  child.stdout.on('data', (t) => (out += t));
  child.stderr.on('data', (t) => (err += t));
  child.stdio[3].on('data', (t) => String(t).trim().split('\n').forEach(say));
  return answerOf(await gone, out, err);
}

/** @returns {Promise<{pending: number[]}>} migrations that data which are there still need */
export const pendingOn = (adminUrl, appUrl, undo) => running(adminUrl, appUrl, undo, ['--pending'], {});
/** @returns {Promise<{url: string, migrations: number, people: number, faults: string[] | null}>} */
export const prepareSaying = (adminUrl, appUrl, undo, { verified }) =>
  running(adminUrl, appUrl, undo, [], verified ? { IDIOM_VERIFY_AFTER: '1' } : {});
