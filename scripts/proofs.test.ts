/** What is proved cannot be changed unseen: tried on a copy of the project, by the command that the run uses. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sourcesOf } from './proofs/sources';

const root = join(import.meta.dirname, '..');
const SHELF = 'core/knots/shelf';
let copy: string;

beforeAll(() => {
  copy = mkdtempSync(join(tmpdir(), 'idiom-proofs-'));
  for (const folder of ['core', 'scripts', 'package.json', 'tsconfig.json'])
    cpSync(join(root, folder), join(copy, folder), { recursive: true });
  symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'));
});
afterAll(() => rmSync(copy, { recursive: true, force: true }));

const change = (file: string, from: string | RegExp, to: string) => {
  const path = join(copy, file);
  const before = readFileSync(path, 'utf8');
  const after = before.replace(from, to);
  if (after === before) throw new Error(`nothing to change in ${file}`);
  writeFileSync(path, after);
  return () => writeFileSync(path, before);
};
const node = (...args: string[]) =>
  spawnSync(process.execPath, ['--import', './scripts/lib/typescript.mjs', ...args], {
    cwd: copy,
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '' },
  });
const check = (...args: string[]) => {
  const { status, stderr } = node('scripts/checkProofs.ts', ...args);
  return { status, said: stderr };
};

/** As somebody would who wants a changed knot to pass: hash and seal made to fit, nothing proved. */
const FORGE = `
import { allItems, Origins } from './scripts/proofs/items';
import { readProofs, sealed, writeProofs } from './scripts/proofs/proofFile';
import { authored, bakedFrom, readBaked, writeBaked } from './scripts/proofs/shelf';
import { sourcesOf } from './scripts/proofs/sources';
const sources = sourcesOf();
const origins = new Origins(sources);
for (const knot of process.argv.slice(2)) {
  writeBaked(knot, { ...readBaked(knot)!, inputHash: bakedFrom(knot, (await authored(knot)).toBake, sources) });
  const proofs = readProofs(knot);
  for (const item of allItems().filter((i) => i.knot === knot)) {
    const proof = proofs[item.kind]![item.name]!;
    proofs[item.kind]![item.name] = sealed(item, origins.of(item), proof.figures);
  }
  writeProofs(knot, proofs);
}
`;

test('a changed control point, a hand-edited figure and a file that cannot be read are each found by name', () => {
  const undo = [
    change(`${SHELF}/overhand-stopper/shape.ts`, /scale: 1.35/, 'scale: 1.36'),
    change(`${SHELF}/figure-eight-stopper/proof.json`, /"setApart":[\d.]+/, '"setApart":1.5'),
    change(`${SHELF}/figure-nine-stopper/proof.json`, /$/, '}'),
  ];
  // without anything computed: what a short run looks at
  const { status, said } = check('--hashes', 'overhand-stopper', 'figure-eight-stopper', 'figure-nine-stopper');
  undo.forEach((back) => back());
  expect(status).toBe(1);
  expect(said).toMatch(/shapes of overhand-stopper: stale/);
  expect(said).toMatch(/form overhand-stopper\/right: stale, what it comes from has changed/);
  expect(said).toMatch(/form figure-eight-stopper\/right: its figures are not those that were proved/);
  expect(said).toMatch(/form figure-nine-stopper\/right: no proof/);
});

test('a changed solver makes every form stale; a comment, a type and a line break make none', () => {
  const hash = () => sourcesOf(copy).hash('core/proving/formProof.ts', `${SHELF}/overhand-stopper/shape.ts`);
  const before = hash();
  const worded = change('core/rope/forces.ts', /^/, '// another word\n\ntype NobodyMinds = string;\n');
  expect(hash()).toBe(before);
  expect(check('--at-sight', 'overhand-stopper')).toEqual({ status: 0, said: '' });
  worded();
  const back = change('core/rope/forces.ts', /\b0\.5\b/, '0.51');
  expect(hash()).not.toBe(before);
  back();
});

describe('a forged proof', () => {
  beforeAll(() => {
    const git = (...args: string[]) => spawnSync('git', args, { cwd: copy, encoding: 'utf8' }).status;
    const commit = (said: string) => {
      git('add', '-A');
      return git('-c', 'user.name=a', '-c', 'user.email=a@b.c', 'commit', '-qm', said);
    };
    git('init', '-q');
    writeFileSync(join(copy, '.gitignore'), 'node_modules\n');
    writeFileSync(join(copy, 'forge.mts'), FORGE);
    expect(commit('as it was')).toBe(0);
    change(`${SHELF}/figure-nine-stopper/shape.ts`, /scale: [\d.]+/, 'scale: 1.31');
    change(`${SHELF}/girth-hitch/proof.json`, /"everApart":[\d.]+/, '"everApart":1.2');
    expect(node('forge.mts', 'figure-nine-stopper', 'girth-hitch').status).toBe(0);
    expect(commit('better')).toBe(0);
  });

  test('of a changed shape: the laid form is made anew and is not what was proved', () => {
    const { status, said } = check('--at-sight', 'figure-nine-stopper');
    expect([status, said.trim()]).toEqual([
      1,
      'form figure-nine-stopper/right: laidHash computed anew is not what was proved',
    ]);
  });

  test('of better figures: nothing is seen at sight; what a commit touched is proved anew, and has others', () => {
    const { status, said } = check('girth-hitch');
    expect([status, said.trim()]).toEqual([1, 'form girth-hitch/right: proved anew it has other figures']);
  });
});
