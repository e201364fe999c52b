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
const FACTS = [
  /^core\/knots\/shelf\/[^/]+\/(entry|baked|ways|presentation|allowed)\.ts$/,
  /^core\/knots\/catalogue\/(shelved|entries)\.ts$/,
  /^core\/knots\/facts\/(common-faults|faultKinds|words)\.ts$/,
  /^core\/profiles\/shipped\.ts$/,
  /^server\/demo\/scenario\.ts$/,
  /^core\/errors\/index\.ts$/,
  /^core\/inspect\/naming\/figures\/stored\.ts$/,
  /^core\/inspect\/naming\/lookalikes\/found\.ts$/,
  /^core\/knots\/tying\/keyFrames\.ts$/,
];
const TESTS = [/\.(test|spec)\.tsx?$/, /^e2e\//, /\/testing\//, /\/second-derivation\.ts$/];

const all = ['core', 'contract', 'server', 'web', 'e2e', 'bench', 'scripts']
  .flatMap(files)
  .filter((f) => /\.tsx?$/.test(f));
const useless = [...FACTS, ...TESTS].filter((r) => !all.some((f) => r.test(f)));
for (const r of useless) console.error(`matches no file: ${r}`);
const lines = (some) =>
  some
    .map((f) => readFileSync(join(root, f), 'utf8'))
    .reduce((sum, text) => sum + text.split('\n').filter((l) => l.trim() !== '').length, 0);
const counted = all.filter((f) => !FACTS.some((r) => r.test(f)));
const [tests, total] = [lines(counted.filter((f) => TESTS.some((r) => r.test(f)))), lines(counted)];
const share = (100 * tests) / total;
console.log(`tests: ${tests} of ${total} lines, ${share.toFixed(1)} %`);
process.exit(share >= 25 && share <= 33.5 && useless.length === 0 ? 0 : 1);
