/** Runs the built prepare step and reads what it says. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { root } from './install.mjs';
import { Stop } from './say.mjs';

/** @returns {{url: string, migrations: number, people: number}} */
export function prepare(adminUrl, appUrl, env = process.env) {
  const r = spawnSync(process.execPath, [join(root, 'dist/server/prepare.js')], {
    cwd: root,
    encoding: 'utf8',
    env: {
      ...env,
      IDIOM_DATABASE_ADMIN_URL: adminUrl,
      IDIOM_DATABASE_URL: appUrl,
      IDIOM_MIGRATIONS: join(root, 'server/migrations'),
    },
  });
  if (r.status !== 0)
    throw new Stop((r.stderr || 'The database could not be prepared.').trim().split('\n').at(-1), r.status ?? 6);
  return JSON.parse(r.stdout.trim().split('\n').at(-1));
}
