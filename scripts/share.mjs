/**
 * Share of test lines in all TypeScript lines, tables of facts and generated files not counted: 25 to 33 %. A knot derived a second time, by another
 * motion, is there for the tests alone, which hold the two against each other: it counts as test.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './lib/install.mjs';

const files = (folder) =>
  readdirSync(join(root, folder), { withFileTypes: true }).flatMap((e) =>
    e.isDirectory() ? files(join(folder, e.name)) : [join(folder, e.name)],
  );
const facts = [
  /^core\/knots\/[^/]+\/(entry|baked|ways|presentation)\.ts$/,
  /^core\/knots\/(index|entries|common-faults)\.ts$/,
  /^core\/profiles\/shipped\.ts$/,
  /^server\/demo\/scenario\.ts$/,
  /^core\/errors\/index\.ts$/,
  /^core\/knots\/faultKinds\.ts$/,
  /^core\/inspect\/(figures|foundLookalikes)\.ts$/,
];
let tests = 0;
let all = 0;
for (const f of ['core', 'contract', 'server', 'web', 'e2e', 'bench', 'scripts'].flatMap(files)) {
  if (!/\.tsx?$/.test(f) || facts.some((r) => r.test(f))) continue;
  const lines = readFileSync(join(root, f), 'utf8')
    .split('\n')
    .filter((l) => l.trim() !== '').length;
  all += lines;
  if (
    /\.(test|spec)\.tsx?$/.test(f) ||
    f.startsWith('e2e/') ||
    /\/testing\//.test(f) ||
    f.endsWith('/second-derivation.ts')
  )
    tests += lines;
}
const share = (100 * tests) / all;
console.log(`tests: ${tests} of ${all} lines, ${share.toFixed(1)} %`);
process.exit(share >= 25 && share <= 33.5 ? 0 : 1);
