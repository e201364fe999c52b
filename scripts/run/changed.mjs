/** What a change can reach: for `npm test -- --changed`. */
import { execFileSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { basename, join } from 'node:path';
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
/** Longer than this a test is left out of a short run, unless it is what was changed, seconds. */
const LONG_s = 10;

/** Those that take long, where all was never run here. */
const KNOWN_LONG = [
  ...['newKnot', 'proofs', 'start', 'proofs/figures'].map((t) => `scripts/${t}.test.ts`),
  ...['inspect/naming/naming', 'knots/tying/leading', 'knots/catalogue/knots', 'knots/catalogue/invariants'].map(
    (t) => `core/${t}.test.ts`,
  ),
  ...['documents/card', 'garbage', 'verify', 'routes/catalogue'].map((t) => `server/${t}.test.ts`),
];

/** Tests that took long when all was run last, by path. */
function longTests() {
  const file = join(root, 'dist/jest.json');
  if (!existsSync(file)) {
    const lost = KNOWN_LONG.filter((t) => !existsSync(join(root, t)));
    if (lost.length > 0) throw new Error(`scripts/run/changed.mjs names tests that are not there: ${lost.join(', ')}`);
    return KNOWN_LONG;
  }
  return JSON.parse(readFileSync(file, 'utf8'))
    .testResults.filter((t) => t.endTime - t.startTime > 1000 * LONG_s)
    .map((t) => t.name.slice(t.name.indexOf(root) === 0 ? root.length + 1 : 0));
}

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
 * @returns what to run of the unit tests (`related`: files whose tests run; `each`: tests run for some knots alone), which journey, and what is left out
 */
export function reach(files) {
  // what is proved comes from core alone, the packages it uses, and what proves it
  const proofs = files.some((f) => /^(core\/|scripts\/proofs\/|package-lock\.json$)/.test(f));
  const source = files.filter((f) => /\.(ts|tsx)$/.test(f));
  const knots = knotsIn(files);
  const others = source.filter((f) => !SHELF.test(f) && /^(core|contract|server|web|scripts)\//.test(f));
  const tests = source.filter((f) => /\.test\.tsx?$/.test(f));
  const long = longTests().filter((t) => !tests.includes(t));
  const stations = [...new Set(source.flatMap((f) => /^web\/stations\/([^/]+)\//.exec(f)?.[1] ?? []))];
  const parts = source.some((f) => /^web\/(?!stations\/)/.test(f)) && stations.length === 0 ? ['check'] : [];
  const specs = source.filter((f) => /^e2e\/.*\.spec\.ts$/.test(f)).map((f) => basename(f, '.spec.ts'));
  const journeys = [...new Set([...specs, ...[...stations, ...parts].flatMap((s) => JOURNEYS[s] ?? [])])].slice(0, 1);
  const all = readdirSync(join(root, 'e2e')).filter((f) => f.endsWith('.spec.ts'));
  return {
    related: others,
    each: knots.length > 0 ? EACH_KNOT : [],
    knots,
    proofs,
    leftOut: long,
    journey: journeys[0] ?? null,
    said: [
      ...(long.length > 0 ? [`tests of more than ${LONG_s} s: ${long.join(', ')}`] : []),
      ...(knots.length > 0 && others.length === 0 ? ['tests of what only reads the catalogue'] : []),
      `${all.length - (journeys.length > 0 ? 1 : 0)} of ${all.length} journeys in the browser`,
      proofs ? 'what is proved anew of the stored forms (npm run prove)' : 'proofs: nothing they come from has changed',
      'unused exports, share of tests',
    ],
  };
}
