/** Where the data live, and who runs on them. */
import { createHash, createPublicKey, generateKeyPairSync } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, realpathSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname, isAbsolute, join, resolve } from 'node:path';
import { root } from './install.mjs';
import { canEnter, commandLine, databaseUser, processAlive } from './mariadb.mjs';
import { say, Stop } from './say.mjs';

const TEMPORARY = ['/tmp', '/var/tmp', '/dev/shm', '/run'];

const real = (path) => {
  let p = resolve(path);
  const rest = [];
  while (!existsSync(p)) {
    rest.unshift(p.split('/').at(-1));
    p = dirname(p);
  }
  return join(realpathSync(p), ...rest);
};
export const isTemporary = (path) => TEMPORARY.some((t) => path === t || path.startsWith(`${t}/`));

/** The data folder: IDIOM_DATA, or .data, or the fallback under /var/lib when the database cannot live there. */
export function dataFolder(env = process.env) {
  const given = env.IDIOM_DATA;
  const wanted = real(given ? (isAbsolute(given) ? given : join(root, given)) : join(root, '.data'));
  if (given && isTemporary(wanted))
    throw new Stop(`${wanted} is a temporary folder and may be emptied: set IDIOM_DATA to a folder that stays.`);
  const fallback = join('/var/lib/idiom', createHash('sha256').update(root).digest('hex').slice(0, 16));
  if (isTemporary(wanted)) {
    say(`the checkout lies in a temporary folder: data go to ${fallback}`);
    mkdirSync(fallback, { recursive: true });
    return fallback;
  }
  mkdirSync(wanted, { recursive: true });
  if (canEnter(wanted, databaseUser())) return wanted;
  if (process.getuid() !== 0)
    throw new Stop(`The database cannot get into ${wanted}: set IDIOM_DATA to a folder you own.`);
  say(`the database's user cannot get into ${wanted}: data go to ${fallback}`);
  mkdirSync(fallback, { recursive: true });
  return fallback;
}

/** Takes the folder for this process. @returns release */
export function takeFolder(folder) {
  mkdirSync(join(folder, 'run'), { recursive: true });
  const file = join(folder, 'run/idiom.lock');
  for (;;) {
    try {
      writeFileSync(file, `${process.pid}\n`, { flag: 'wx' });
      return () => rmSync(file, { force: true });
    } catch (error) {
      if (error.code === 'ENOSPC') throw new Stop(`The disk of ${folder} is full: make room and start again.`, 7);
      if (error.code !== 'EEXIST') throw error;
      const pid = Number(readFileSync(file, 'utf8'));
      if (
        pid > 0 &&
        pid !== process.pid &&
        processAlive(pid) &&
        /scripts\/(start|verify|screenshots|bench)\.mjs/.test(commandLine(pid))
      )
        throw new Stop(`Idiom is already running on ${folder} (process ${pid}): use that one, or stop it first.`, 8);
      rmSync(file, { force: true });
    }
  }
}

/** Whether a TCP port is free on a host. */
export function portFree(port, host = '127.0.0.1') {
  return new Promise((done) => {
    const s = createServer();
    s.once('error', () => done(false));
    s.listen(port, host, () => s.close(() => done(true)));
  });
}

export function freePort() {
  return new Promise((done) => {
    const s = createServer().listen(0, '127.0.0.1', () => {
      const { port } = s.address();
      s.close(() => done(port));
    });
  });
}

/** A whole number from the environment. */
export function portFrom(env, name, fallback) {
  const text = env[name];
  if (text === undefined || text === '') return fallback;
  const v = Number(text);
  if (!Number.isInteger(v) || v < 1 || v > 65535)
    throw new Stop(`${name} must be a port from 1 to 65535, not "${text}".`);
  return v;
}

/** Password of the application's account, kept in the data folder for this machine's root alone. */
export function appPassword(folder, make) {
  const file = join(folder, 'account.json');
  if (existsSync(file)) return JSON.parse(readFileSync(file, 'utf8')).password;
  const password = make();
  writeFileSync(file, JSON.stringify({ password }), { mode: 0o600 });
  return password;
}

/** The key that heads of the record are signed with lies beside the data, not in them; its public half may be handed out. */
export function signingKeyIn(folder) {
  const file = join(folder, 'signing-key.pem');
  if (!existsSync(file)) {
    mkdirSync(folder, { recursive: true });
    const { privateKey } = generateKeyPairSync('ed25519');
    // written beside and renamed: half a key is none
    writeFileSync(`${file}.new`, privateKey.export({ type: 'pkcs8', format: 'pem' }), { mode: 0o600 });
    renameSync(`${file}.new`, file);
  }
  writeFileSync(publicKeyIn(folder), createPublicKey(readFileSync(file)).export({ type: 'spki', format: 'pem' }));
  return file;
}
export const publicKeyIn = (folder) => join(folder, 'signing-key.pub.pem');
/** What the simulated witness keeps, where none other is named: a place of its own, not in the database. */
export const witnessIn = (folder) => join(folder, 'witness/heads.jsonl');
