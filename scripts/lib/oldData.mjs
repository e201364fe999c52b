/** The data as they were before an upgrade, kept beside until the new start has looked through the record. */
import { execFileSync, spawn } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, renameSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './install.mjs';
import { say, Stop } from './say.mjs';

/** so much stays free on the disk beside the copy, bytes */
const LEFT_FREE_BYTES = 500 * 1024 * 1024;
const SAY_EVERY_ms = 5000;

const making = (folder) => join(folder, 'mariadb.before.making');
/** Where they are kept; null where none are. */
export const keptBefore = (folder) =>
  existsSync(folder) && existsSync(join(folder, 'mariadb.before')) ? join(folder, 'mariadb.before') : null;

/** The newest migration that ships. */
export const newestMigration = () =>
  Number(
    readdirSync(join(root, 'server/migrations'))
      .filter((f) => /^\d{4}_.*\.sql$/.test(f))
      .sort()
      .at(-1)
      .slice(0, 4),
  );

const file = (folder) => join(folder, 'data-version');
/** The version that the data in a folder were last brought to; null where that is not written. */
export const dataVersion = (folder) => (existsSync(file(folder)) ? Number(readFileSync(file(folder), 'utf8')) : null);
export function noteDataVersion(folder, version) {
  writeFileSync(`${file(folder)}.new`, `${version}\n`);
  renameSync(`${file(folder)}.new`, file(folder));
}

const bytesOf = (path) => Number(execFileSync('du', ['-sb', path], { encoding: 'utf8' }).split('\t')[0]);
const MB = (bytes) => `${Math.ceil(bytes / 1024 / 1024)} MB`;

/**
 * Copies the data of a database that does not run. Made beside and renamed when whole.
 * @throws Stop where there is no room; then nothing was changed
 */
export async function keepOld(folder, undo) {
  const data = join(folder, 'mariadb');
  rmSync(making(folder), { recursive: true, force: true });
  const needed = bytesOf(data);
  const space = statfsSync(folder);
  const free = space.bavail * space.bsize;
  if (free < needed + LEFT_FREE_BYTES)
    throw new Stop(
      `The data are older than the program. Before they are changed a copy is kept beside them: ${MB(needed + LEFT_FREE_BYTES)} are needed in ${folder}, ${MB(free)} are free. Make room and start again. Nothing was changed.`,
      7,
    );
  say(`the data are older than the program: keeping a copy beside them, ${MB(needed)}`);
  const copy = spawn('cp', ['-a', '--reflink=auto', data, making(folder)], { stdio: 'ignore' });
  undo.push(() => copy.kill('SIGKILL'));
  const told = setInterval(() => say(`copied ${MB(bytesOf(making(folder)))} of ${MB(needed)}`), SAY_EVERY_ms);
  const code = await new Promise((r) => copy.on('exit', r));
  clearInterval(told);
  if (code !== 0) throw new Stop(`The copy of the old data could not be made in ${folder}. Nothing was changed.`, 7);
  execFileSync('sync', ['-f', making(folder)]);
  renameSync(making(folder), join(folder, 'mariadb.before'));
}

/** A copy that was not finished, or not wholly taken away: nothing is lost with it. */
export const clearHalfCopies = (folder) => rmSync(making(folder), { recursive: true, force: true });

/** The new start has looked through the record and found it as it was. */
export function dropOld(folder) {
  const kept = keptBefore(folder);
  if (!kept) return;
  // renamed first: half of a copy is never taken for one
  renameSync(kept, making(folder));
  rmSync(making(folder), { recursive: true, force: true });
}
