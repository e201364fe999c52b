/** What a change can reach: for `npm test -- --changed`. */
import { execFileSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { root } from '../lib/install.mjs';

const git = (...args) =>
  execFileSync('git', args, { cwd: root, encoding: 'utf8' })
    .split('\n')
    .filter((f) => f !== '');

/** Files that are not committed; where all is, those of the last commit. @returns {{files: string[], of: string}} */
export function changedFiles() {
  const open = [...git('diff', '--name-only', 'HEAD'), ...git('ls-files', '--others', '--exclude-standard')];
  const files = open.length > 0 ? open : git('diff', '--name-only', 'HEAD~1', 'HEAD');
  return {
    files: [...new Set(files)].filter((f) => existsSync(join(root, f))),
    of: open.length > 0 ? 'what is not committed' : 'the last commit',
  };
}

const SHELF = /^core\/knots\/shelf\/([^/]+)\//;
/** Knots whose folder a change touches. */
export const knotsIn = (files) => [...new Set(files.flatMap((f) => SHELF.exec(f)?.[1] ?? []))];

/** Tests that look at every knot one by one: by name they look at some alone. */
const EACH_KNOT = ['core/knots/catalogue/knots.test.ts', 'core/knots/catalogue/entries.test.ts'];
/** What the tests of a short run may take together, seconds, by what they took when all was run last: on two processors half of it. */
const TOGETHER_s = 30;
/** Taken for a test that was never timed here. */
const UNKNOWN_s = 2;

/** Those that take long, where all was never run here. */
const KNOWN_LONG = [
  ...['newKnot', 'proofs', 'start', 'proofs/figures'].map((t) => `scripts/${t}.test.ts`),
  ...['inspect/naming/naming', 'knots/tying/leading', 'knots/catalogue/knots', 'knots/catalogue/invariants'].map(
    (t) => `core/${t}.test.ts`,
  ),
  ...['documents/card', 'garbage', 'verify', 'routes/catalogue'].map((t) => `server/${t}.test.ts`),
];

/** How long each file of tests took when all was run last, seconds by path. @returns {(test: string) => number} */
function timings() {
  const file = join(root, 'dist/jest.json');
  if (!existsSync(file)) {
    const lost = KNOWN_LONG.filter((t) => !existsSync(join(root, t)));
    if (lost.length > 0) throw new Error(`scripts/run/changed.mjs names tests that are not there: ${lost.join(', ')}`);
    return (test) => (KNOWN_LONG.includes(test) ? TOGETHER_s : UNKNOWN_s);
  }
  const took = new Map(
    JSON.parse(readFileSync(file, 'utf8')).testResults.map((t) => [
      t.name.slice(root.length + 1),
      (t.endTime - t.startTime) / 1000,
    ]),
  );
  return (test) => took.get(test) ?? UNKNOWN_s;
}

const CODE = /^(core|contract|server|web|scripts)\/.*\.(ts|tsx|mjs)$/;
const TEST = /\.test\.tsx?$/;
/** Imports of something that is there at run time. */
const IMPORT = /^(?:import|export)\s(?!type\b)(?:[^;']*?from\s+)?'(\.[^']+)'|\bimport\('(\.[^']+)'\)/gm;

/**
 * Tests that reach a changed file by imports, the nearest first.
 * @param files changed @param read the text of each file of the project, by path from the root
 * @returns {{test: string, steps: number}[]} how many imports lie between
 */
export function testsThatReach(files, read) {
  const importers = new Map();
  for (const [file, text] of read)
    for (const [, from, later] of text.matchAll(IMPORT)) {
      const path = join(dirname(file), from ?? later);
      const found = [path, `${path}.ts`, `${path}.tsx`, join(path, 'index.ts')].find((f) => read.has(f));
      if (found) importers.set(found, [...(importers.get(found) ?? []), file]);
    }
  const steps = new Map(files.map((f) => [f, 0]));
  const waiting = [...steps.keys()];
  for (let file = waiting.shift(); file !== undefined; file = waiting.shift())
    for (const by of importers.get(file) ?? []) {
      if (steps.has(by)) continue;
      steps.set(by, steps.get(file) + 1);
      waiting.push(by);
    }
  return [...steps].filter(([f]) => TEST.test(f)).map(([test, n]) => ({ test, steps: n }));
}

/**
 * The nearest of them, as many as a short run has time for; those that were changed themselves always.
 * @param reached the nearest first @param took seconds by test
 */
export function withinTime(reached, took, together_s = TOGETHER_s) {
  const run = [];
  const leftOut = [];
  let sum = 0;
  for (const { test, steps } of reached) {
    if (steps > 0 && sum + took(test) > together_s) leftOut.push(test);
    else {
      run.push(test);
      sum += took(test);
    }
  }
  return { run, leftOut };
}

const allCode = () =>
  new Map(
    git('ls-files', '--cached', '--others', '--exclude-standard')
      .filter((f) => CODE.test(f) && !f.endsWith('/baked.ts') && existsSync(join(root, f)))
      .map((f) => [f, readFileSync(join(root, f), 'utf8')]),
  );

/** Pages and the journeys that go there: by the folder of the station. */
const JOURNEYS = {
  choose: 'choosing',
  tie: 'shelf',
  check: 'tie-in',
  log: 'lives',
  teach: 'naming',
  today: 'nothing-lost',
};

/**
 * @returns what to run of the unit tests (`near`: whole files of tests; `each`: tests run for some knots alone), which journey, and what is left out
 */
export function reach(files) {
  // what is proved comes from core alone, the packages it uses, and what proves it
  const proofs = files.some((f) => /^(core\/|scripts\/proofs\/|package-lock\.json$)/.test(f));
  const source = files.filter((f) => /\.(ts|tsx)$/.test(f));
  const knots = knotsIn(files);
  const others = files.filter((f) => !SHELF.test(f) && CODE.test(f));
  const near = withinTime(testsThatReach(others, allCode()), timings());
  const stations = [...new Set(source.flatMap((f) => /^web\/stations\/([^/]+)\//.exec(f)?.[1] ?? []))];
  const parts = source.some((f) => /^web\/(?!stations\/)/.test(f)) && stations.length === 0 ? ['check'] : [];
  const specs = source.filter((f) => /^e2e\/.*\.spec\.ts$/.test(f)).map((f) => basename(f, '.spec.ts'));
  const journeys = [...new Set([...specs, ...[...stations, ...parts].flatMap((s) => JOURNEYS[s] ?? [])])].slice(0, 1);
  const all = readdirSync(join(root, 'e2e')).filter((f) => f.endsWith('.spec.ts'));
  return {
    near: near.run,
    each: knots.length > 0 ? EACH_KNOT : [],
    knots,
    proofs,
    journey: journeys[0] ?? null,
    said: [
      ...(near.leftOut.length > 0
        ? [`${near.leftOut.length} files of tests that are farther off or take long: ${near.leftOut.join(', ')}`]
        : []),
      ...(knots.length > 0 && others.length === 0 ? ['tests of what only reads the catalogue'] : []),
      `${all.length - (journeys.length > 0 ? 1 : 0)} of ${all.length} journeys in the browser`,
      proofs
        ? 'what is proved or computed anew of the stored forms (npm run prove)'
        : 'proofs: nothing they come from has changed',
      'unused exports, share of tests',
    ],
  };
}
