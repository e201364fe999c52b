/** npm run bench [name]: prints figures, asserts nothing. Runs bench/*.bench.ts against a server and database of its own. */
import { spawnSync } from 'node:child_process';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { browserWanted } from './lib/browser.mjs';
import { ensureBuilt, ensurePackages, ensureSystem, root } from './lib/install.mjs';
import { MARIADBD } from './lib/mariadb.mjs';
import { testDatabase, testServer } from './lib/testbed.mjs';

ensurePackages();
ensureSystem([[MARIADBD, 'mariadb-server'], browserWanted()]);
ensureBuilt();
const db = await testDatabase({ throwaway: false });
// under load each asks from an address of their own, and the limit of requests is on as it is in use
const asInUse = { IDIOM_RATE_PER_MINUTE: '1200', IDIOM_PROXIES: '127.0.0.1' };
const server = await testServer(db, 'bench', process.argv[2] === 'load' ? asInUse : {});
try {
  for (const file of readdirSync(join(root, 'bench')).filter(
    (f) => f.endsWith('.bench.ts') && (!process.argv[2] || f.startsWith(process.argv[2])),
  )) {
    console.log(`\n${file}`);
    spawnSync(process.execPath, ['--import', './scripts/lib/typescript.mjs', join('bench', file)], {
      cwd: root,
      stdio: 'inherit',
      env: { ...process.env, IDIOM_TEST_URL: server.url, IDIOM_TEST_DATABASE: server.databaseUrl },
    });
  }
} finally {
  await server.stop();
  await db.stop();
}
