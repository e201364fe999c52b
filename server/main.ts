/** Listens. Started by scripts/start.mjs, which has prepared the database. */
import { endingBy } from './endsWithStart';
import { buildApp } from './app';
import { CATALOGUE } from '../core/knots/catalogue/shelved';
import { join } from 'node:path';
import { motionOf } from '../core/knots/tying/motions';
import { openPool, poolOptions } from './database';
import { chainsNamed } from './record/covered';
import { signerFrom } from './record/signerFrom';
import { excessiveGrant, grantsOf } from './rights';
import { settingsFrom } from './settings';

const BETWEEN_MOTIONS_ms = 60;
const SIGN_EVERY_ms = 3_600_000;
const settings = settingsFrom(process.env);
const db = openPool(poolOptions(settings.databaseUrl));
const { grants, database } = await grantsOf(db).catch((error: unknown) => {
  console.error(`The database does not answer: ${(error as Error).message}`);
  process.exit(6);
});
const excess = excessiveGrant(grants, database);
if (excess) {
  console.error(
    `The database account may change or remove entries of the record (${excess}). Use an account with only the rights that the start command gives, and start again.`,
  );
  await db.end();
  process.exit(3);
}
const recordingDb = openPool({ ...poolOptions(settings.databaseUrl), connectionLimit: 6 });
const healthDb = openPool({ ...poolOptions(settings.databaseUrl), connectionLimit: 2 });
const now = () => new Date();
const signer = await signerFrom(settings, db, now);
const app = await buildApp({
  ...(signer && { signer }),
  db,
  recordingDb,
  healthDb,
  now,
  settings: { ...settings, workFile: settings.workFile ?? join(import.meta.dirname, 'work/worker.js') },
});
endingBy(async () => {
  await app.close();
  await Promise.all([db.end(), recordingDb.end(), healthDb.end()]);
});
try {
  await app.listen({ port: settings.port, host: settings.host });
} catch (error) {
  const e = error as { code?: string; message: string };
  console.error(
    e.code === 'EADDRINUSE'
      ? `Port ${settings.port} is taken: set PORT to a free one, or stop what uses it.`
      : e.message,
  );
  await db.end();
  process.exit(4);
}
/** Every chain that has grown since is signed: at the start, and every hour. */
const signAll = async (why: 'start' | 'hour') => {
  for (const chain of signer ? await chainsNamed(db) : []) await signer!.sign(chain, why);
};
const failed = (error: unknown) => app.log.error({ err: error }, 'heads were not signed');
await signAll('start').catch(failed);
setInterval(() => void signAll('hour').catch(failed), SIGN_EVERY_ms).unref();
console.log('listening');
// the motions take a while to make ready: one after another, with room for requests between
const ways = CATALOGUE.flatMap(({ entry, ways: told }) => Object.keys(told).map((way) => [entry.id, way] as const));
const makeReady = () => {
  const next = ways.shift();
  if (!next) return;
  motionOf(...next);
  setTimeout(makeReady, BETWEEN_MOTIONS_ms).unref();
};
setTimeout(makeReady, BETWEEN_MOTIONS_ms).unref();
