/**
 * npm start: installs what is missing, starts a private MariaDB, brings it up to date, builds when stale,
 * serves, and prints one URL. Node built-ins only: it runs before anything is installed.
 * Settings: PORT, IDIOM_HOST, IDIOM_DB_PORT, IDIOM_DATA, IDIOM_DATABASE_URL with IDIOM_DATABASE_ADMIN_URL, IDIOM_DEMO.
 */
import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { join } from 'node:path';
import { ensureBuilt, ensurePackages, ensureSystem, root } from './lib/install.mjs';
import { endLeftDatabase, forgetServer, leftServer, MARIADBD, noteServer, startMariadb } from './lib/mariadb.mjs';
import {
  clearHalfCopies,
  dataVersion,
  dropOld,
  keepOld,
  keptBefore,
  newestMigration,
  noteDataVersion,
} from './lib/oldData.mjs';
import { appPassword, dataFolder, portFree, portFrom, signingKeyIn, takeFolder, witnessIn } from './lib/place.mjs';
import { pendingOn, prepareSaying } from './lib/prepare.mjs';
import { say, Stop } from './lib/say.mjs';

const env = process.env;
const undo = [];
let server = null;
let ending = false;
/** of the data; null where the database is somebody else's */
let folder = null;

async function end(code) {
  if (ending) return;
  ending = true;
  if (server && server.exitCode === null && server.signalCode === null) {
    const gone = new Promise((r) => server.on('exit', r));
    server.kill('SIGTERM');
    await Promise.race([gone, new Promise((r) => setTimeout(r, 8000))]);
    if (server.exitCode === null && server.signalCode === null) server.kill('SIGKILL');
  }
  if (folder) forgetServer(folder);
  for (const f of undo.reverse()) await f();
  process.exit(code);
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
  process.on(signal, () => {
    if (!ending) say('stopping');
    void end(0);
  });

/** A part that keeps dying is not started for ever: at most five times in a minute. */
const deaths = [];
function mayRestart() {
  const now = Date.now();
  deaths.push(now);
  return deaths.filter((t) => now - t < 60_000).length <= 5;
}

async function database(folder, port) {
  const started = startMariadb(folder, port, {
    onDeath: () => {
      if (ending) return;
      if (!mayRestart())
        return void (console.error(`The database keeps stopping: see ${folder}/run/error.log`), end(9));
      say('the database stopped unexpectedly: starting it again');
      database(folder, port).catch((error) => {
        console.error(error.message);
        void end(9);
      });
    },
  });
  coming = started.then((db) => (current = db));
  return coming;
}
/** Ends a server that an earlier start left: asked first, then made to. */
async function endLeftServer(folder) {
  const pid = leftServer(folder);
  if (!pid) return;
  say('a server of an earlier run is still there: stopping it first');
  process.kill(pid, 'SIGTERM');
  for (let i = 0; leftServer(folder) && i < 300; i++) {
    if (i === 100) process.kill(pid, 'SIGKILL');
    await new Promise((r) => setTimeout(r, 100));
  }
}
let current = null;
/** a database that is on its way up: who stops must wait for it, or it is left behind */
let coming = Promise.resolve(null);

function serve(extra, first) {
  server = spawn(process.execPath, [join(root, 'dist/server/main.js')], {
    cwd: root,
    detached: true,
    stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
    env: { ...env, ...extra, NODE_ENV: 'production' },
  });
  if (folder) noteServer(folder, server.pid);
  return new Promise((ready, fail) => {
    let up = false;
    server.stdout.on('data', (text) => {
      if (String(text).includes('listening')) {
        up = true;
        ready();
      } else process.stdout.write(text);
    });
    server.on('exit', (code) => {
      if (ending) return;
      if (!up && first) return fail(new Stop('', code || 1)); /* it has said why */
      if (!mayRestart()) return void (console.error('The server keeps stopping.'), end(9));
      say('the server stopped unexpectedly: starting it again');
      serve(extra, false).catch(() => {});
    });
  });
}

/** The old data are kept until the record was looked through, and as long as something in it is not as it was written. */
function afterUpgrade(folder, kept, faults) {
  if (faults.length === 0) {
    say('the record was looked through: each entry as written; the copy of the old data is removed');
    return dropOld(folder);
  }
  for (const f of faults.slice(0, 5)) say(f);
  say(`the record is not as it was written (npm run verify says all of it); the data of before stay in ${kept}`);
}

async function main() {
  const port = portFrom(env, 'PORT', 8080);
  const host = env.IDIOM_HOST ?? '127.0.0.1';
  const external = env.IDIOM_DATABASE_URL;
  if (external && !env.IDIOM_DATABASE_ADMIN_URL)
    throw new Stop(
      'IDIOM_DATABASE_URL needs IDIOM_DATABASE_ADMIN_URL beside it: an account that may make tables and rights.',
    );
  if (!external && process.getuid() !== 0) ensureSystem([[MARIADBD, 'mariadb-server']]);
  ensurePackages();
  say('packages are there');
  let adminUrl = env.IDIOM_DATABASE_ADMIN_URL;
  let appUrl = external;
  let dbPort = 0;
  if (!external) {
    ensureSystem([[MARIADBD, 'mariadb-server']]);
    folder = dataFolder(env);
    undo.push(takeFolder(folder));
    clearHalfCopies(folder);
    await endLeftServer(folder);
    if (!(await portFree(port, host)))
      throw new Stop(`Port ${port} on ${host} is taken: set PORT to a free one, or stop what uses it.`, 4);
    await endLeftDatabase(folder);
    dbPort = portFrom(env, 'IDIOM_DB_PORT', 33306);
    if (!(await portFree(dbPort)))
      throw new Stop(`Port ${dbPort} for the database is taken: set IDIOM_DB_PORT to a free one.`, 4);
    undo.push(() => coming.catch(() => null).then(() => current?.stop()));
    const db = await database(folder, dbPort);
    say('database is up');
    adminUrl = db.adminUrl;
    appUrl = `mysql://idiom:${appPassword(folder, () => randomBytes(24).toString('hex'))}@127.0.0.1:${dbPort}/idiom`;
  } else if (!(await portFree(port, host)))
    throw new Stop(`Port ${port} on ${host} is taken: set PORT to a free one, or stop what uses it.`, 4);
  ensureBuilt();
  say('program is built');
  if (folder && dataVersion(folder) !== newestMigration() && !keptBefore(folder)) {
    if ((await pendingOn(adminUrl, appUrl, undo)).pending.length > 0) {
      // a copy of a database that writes is none
      await current.stop();
      await keepOld(folder, undo);
      await database(folder, dbPort);
      say('database is up again');
    }
  }
  const kept = folder && keptBefore(folder);
  const prepared = await prepareSaying(adminUrl, appUrl, undo, { verified: kept !== null });
  if (kept) afterUpgrade(folder, kept, prepared.faults);
  if (folder) noteDataVersion(folder, newestMigration());
  say(
    prepared.migrations > 0
      ? `database prepared (${prepared.migrations} migration${prepared.migrations > 1 ? 's' : ''})`
      : 'database is up to date',
  );
  const setupToken = prepared.people === 0 ? randomBytes(20).toString('hex') : null;
  const beside = folder ?? join(root, '.data');
  await serve(
    {
      IDIOM_SIGNING_KEY: env.IDIOM_SIGNING_KEY ?? signingKeyIn(beside),
      IDIOM_WITNESS: env.IDIOM_WITNESS ?? witnessIn(beside),
      IDIOM_DATABASE_URL: prepared.url,
      IDIOM_WEB_ROOT: join(root, 'dist/web'),
      PORT: String(port),
      IDIOM_HOST: host,
      ...(setupToken ? { IDIOM_SETUP_TOKEN: setupToken } : {}),
    },
    true,
  );
  const base = `http://${host.includes(':') ? `[${host}]` : host}:${port}/`;
  say(setupToken ? 'ready; this link makes the first instructor, once:' : 'ready');
  console.log(setupToken ? `${base}setup#${setupToken}` : base);
}

main().catch((error) => {
  // what is broken off because we stop is no fault
  if (error.message !== '' && !ending)
    console.error(error instanceof Stop ? error.message : `Something unforeseen: ${error.stack ?? error}`);
  void end(error instanceof Stop ? error.code : 1);
});
