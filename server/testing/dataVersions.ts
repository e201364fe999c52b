/** A small data set of every version of the data that was ever in use: what its own program planted. Packed dumps. */
import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliDecompressSync } from 'node:zlib';

const FOLDER = join(import.meta.dirname, 'dataVersions');

/** Oldest first. */
export const DATA_VERSIONS: readonly number[] = readdirSync(FOLDER)
  .map((f) => Number(/^v(\d+)\.sql\.br$/.exec(f)?.[1]))
  .filter((v) => !Number.isNaN(v))
  .sort((a, b) => a - b);

export const dumpOf = (version: number): Buffer =>
  brotliDecompressSync(readFileSync(join(FOLDER, `v${version}.sql.br`)));

/** Puts the data of a version into a database that is made for it. @throws what the client says */
export function loadDataVersion(version: number, database: string, socket: string): void {
  const client = (args: string[], input: string | Buffer) => {
    const r = spawnSync('mariadb', ['--no-defaults', '-S', socket, '-u', 'root', ...args], { input, encoding: 'utf8' });
    if (r.status !== 0) throw new Error(r.stderr);
  };
  client([], `CREATE DATABASE \`${database}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  client([database], dumpOf(version));
}
