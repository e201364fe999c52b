/** npm run screenshots: one current picture of each main view in docs/screenshots, from demo data of a fixed day. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { browserWanted } from './lib/browser.mjs';
import { ensureBuilt, ensurePackages, ensureSystem, root } from './lib/install.mjs';
import { MARIADBD } from './lib/mariadb.mjs';
import { testDatabase, testServer } from './lib/testbed.mjs';

ensurePackages();
ensureSystem([[MARIADBD, 'mariadb-server'], browserWanted()]);
ensureBuilt();
const db = await testDatabase();
const server = await testServer(db, 'pictures');
try {
  const r = spawnSync(process.execPath, ['--import', './scripts/lib/typescript.mjs', 'scripts/takeScreenshots.ts'], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, IDIOM_TEST_URL: server.url, IDIOM_PICTURES: join(root, 'docs/screenshots') },
  });
  process.exitCode = r.status ?? 1;
} finally {
  await server.stop();
  await db.stop();
}
