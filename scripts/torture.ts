/**
 * npm run torture [-- --seed N --kills N]: kills a first start, and the upgrade of data of every version, at seeded moments; each is
 * started again and its record looked through. Ends with 1 where one does not start again, is accused, or has lost something.
 */
import { parseArgs } from 'node:util';
import { DATA_VERSIONS } from '../server/testing/dataVersions';
import { ensureBuilt, ensurePackages, ensureSystem } from './lib/install.mjs';
import { MARIADBD } from './lib/mariadb.mjs';
import { clearTemplates, killed, killsOf, undisturbed } from './torture/killing';

const { values } = parseArgs({
  options: { seed: { type: 'string', default: '1' }, kills: { type: 'string', default: '60' } },
});
const [seed, count] = [Number(values.seed), Number(values.kills)];
if (!Number.isInteger(seed) || !Number.isInteger(count) || count < 1) {
  console.error('--seed and --kills are whole numbers.');
  process.exit(2);
}
ensurePackages();
ensureSystem([[MARIADBD, 'mariadb-server']]);
ensureBuilt();
const from = [0, ...DATA_VERSIONS];
const usual = new Map<number, Awaited<ReturnType<typeof undisturbed>>>();
for (const f of from) {
  usual.set(f, await undisturbed(f));
  const u = usual.get(f)!;
  console.log(
    `${f === 0 ? 'a first start' : `data of version ${f}`}: ready after ${u.takes_ms} ms, ${u.entries} entries`,
  );
}
let bad = 0;
for (const [i, k] of killsOf(seed, count, from).entries()) {
  const o = await killed(k, usual.get(k.from)!);
  if (o.wrong !== '') bad++;
  console.log(
    `${i + 1} of ${count}: ${o.from === 0 ? 'first start' : `version ${o.from}`}, ${o.how} after ${o.killedAfter_ms} ms${o.again === null ? '' : ' and once more'}: ${o.wrong === '' ? 'started again, nothing accused, nothing missing' : o.wrong}`,
  );
}
clearTemplates();
console.log(`${count} kills, seed ${seed}: ${count - bad} started again with everything, ${bad} did not`);
process.exit(bad > 0 ? 1 : 0);
