/**
 * npm run mutate [-- --count <breaks a module> --seed <n> --module <name>]: breaks the code on purpose, one small change
 * at a time, and says what share of it the nearest tests notice; what they do not notice is listed. Breaks that do not
 * compile are no breaks: another is drawn. `--module known`: those that once nobody noticed, all of which have to be
 * noticed now. No part of the run; exit 1 where less is noticed than asked.
 */
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { mkdirSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { breaksOf, compiler, type Break } from './mutate/breaking';
import { knownBreaks } from './mutate/known';
import { MODULES, type Module } from './mutate/modules';
import { Sandbox } from './mutate/sandbox';
import { root } from './proofs/sources';
import { testDatabase } from './lib/testbed.mjs';

const KNOWN = 'known';
const { values } = parseArgs({
  options: {
    count: { type: 'string', default: '50' },
    seed: { type: 'string', default: '1' },
    module: { type: 'string', multiple: true },
  },
});
const count = Number(values.count);
const asks = (name: string) => !values.module || values.module.includes(name);
const wanted = MODULES.filter((m) => asks(m.name));
if (!(count > 0) || (wanted.length === 0 && !asks(KNOWN))) {
  console.error(`--count is a number of breaks; --module is one of ${KNOWN}, ${MODULES.map((m) => m.name).join(', ')}`);
  process.exit(2);
}

/** A break may keep a loop from ending: noticed when it takes this many times as long as nothing broken. */
const TOO_LONG = 6;
const LEAST_ms = 20_000;

/** All breaks of a module in an order that the seed gives. */
async function shuffled(module: Module): Promise<Break[]> {
  const all = (await Promise.all(module.files.map(breaksOf))).flat();
  const random = xoroshiro128plus(Number(values.seed));
  for (let i = all.length - 1; i > 0; i--) {
    const k = uniformInt(random, 0, i);
    [all[i], all[k]] = [all[k]!, all[i]!];
  }
  return all;
}

const begun = Date.now();
const db = await testDatabase();
const env = { IDIOM_TEST_ADMIN_URL: db.adminUrl, IDIOM_TEST_SOCKET: db.socket };
const sandboxes = Array.from({ length: Math.max(1, availableParallelism()) }, () => new Sandbox(env));
const compiles = compiler();
const minutes = () => ((Date.now() - begun) / 60_000).toFixed(1);

interface Tried {
  readonly module: string;
  readonly noticed: number;
  readonly tried: number;
  readonly asked: number;
  readonly survived: readonly Omit<Break, 'broken'>[];
}

async function tried(module: Module): Promise<Tried> {
  const breaks = await shuffled(module);
  const before = Date.now();
  if (await sandboxes[0]!.notices(null, '', module.tests, 30 * 60_000))
    throw new Error(`the tests of ${module.name} do not pass as it stands`);
  const most_ms = Math.max(LEAST_ms, TOO_LONG * (Date.now() - before));
  let noticed = 0;
  let drawn = 0;
  const survived: Omit<Break, 'broken'>[] = [];
  await Promise.all(
    sandboxes.map(async (sandbox) => {
      for (let next = breaks.pop(); next && drawn < count; next = breaks.pop()) {
        if (!compiles(next)) continue;
        drawn++;
        const { broken, ...what } = next;
        if (await sandbox.notices(next.file, broken, module.tests, most_ms)) noticed++;
        else {
          survived.push(what);
          console.log(
            `not noticed: ${next.file}:${next.line} ${next.kind}: ${oneLine(next.from)} => ${oneLine(next.to)}`,
          );
        }
      }
    }),
  );
  const n = noticed + survived.length;
  console.log(
    `${module.name}: ${noticed} of ${n} noticed, ${((100 * noticed) / n).toFixed(0)} % (asked ${100 * module.asked} %), ${minutes()} min`,
  );
  return { module: module.name, noticed, tried: n, asked: module.asked, survived };
}

async function known(): Promise<Tried> {
  const waiting = knownBreaks();
  const survived: Omit<Break, 'broken'>[] = [];
  const n = waiting.length;
  await Promise.all(
    sandboxes.map(async (sandbox) => {
      for (let next = waiting.pop(); next; next = waiting.pop()) {
        const { broken, ...what } = next.what;
        if (await sandbox.notices(what.file, broken, [[next.test]], 30 * 60_000)) continue;
        survived.push(what);
        console.log(`not noticed: ${what.file}:${what.line}: ${oneLine(what.from)} => ${oneLine(what.to)}`);
      }
    }),
  );
  console.log(`${KNOWN}: ${n - survived.length} of ${n} noticed (asked all), ${minutes()} min`);
  return { module: KNOWN, noticed: n - survived.length, tried: n, asked: 1, survived };
}
const oneLine = (text: string) => text.replace(/\s+/g, ' ').slice(0, 90);

const all: Tried[] = [];
async function end() {
  sandboxes.forEach((s) => s.end());
  await db.stop();
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void end().then(() => process.exit(1)));
try {
  if (asks(KNOWN)) all.push(await known());
  for (const module of wanted) all.push(await tried(module));
} finally {
  await end();
}
mkdirSync(join(root, 'dist'), { recursive: true });
writeFileSync(join(root, 'dist/mutate.json'), JSON.stringify({ seed: values.seed, count, all }, null, 1));
const [noticed, n] = [all.reduce((s, m) => s + m.noticed, 0), all.reduce((s, m) => s + m.tried, 0)];
console.log(`${noticed} of ${n} breaks noticed, ${((100 * noticed) / n).toFixed(1)} %, in ${minutes()} min`);
const less = all.filter((m) => m.noticed < m.asked * m.tried);
for (const m of less) console.error(`less than asked: ${m.module}`);
process.exit(less.length === 0 ? 0 : 1);
