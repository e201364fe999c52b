/** Adding a knot is adding one folder: the example of docs/adding-a-knot.md, begun by the command and built in a copy of the project, is found everywhere without touching another file. */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { execFileSync, spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..');
const SHELF = 'core/knots/shelf';
const ID = 'triple-overhand-stopper';
let copy: string;
const node = (...args: string[]) =>
  execFileSync(process.execPath, ['--import', './scripts/lib/typescript.mjs', ...args], {
    cwd: copy,
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '' },
  });

beforeAll(() => {
  copy = mkdtempSync(join(tmpdir(), 'idiom-knot-'));
  for (const folder of ['core', 'contract', 'server', 'scripts', 'package.json', 'tsconfig.json', 'tsconfig.core.json'])
    cpSync(join(root, folder), join(copy, folder), { recursive: true });
  symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'));
  node('scripts/newKnot.ts', ID, '--like', 'double-overhand-stopper');
  const page = readFileSync(join(root, 'docs/adding-a-knot.md'), 'utf8');
  for (const [, name, text] of page.matchAll(/<!-- file: (\S+) -->\n\n?```ts\n([\s\S]*?)```/g))
    writeFileSync(join(copy, SHELF, ID, name!), text!);
  node('scripts/bake.ts', ID);
});
afterAll(() => rmSync(copy, { recursive: true, force: true }));

test('the page’s example bakes and is found on the shelf, in choose, in the pictures and among the facts', () => {
  writeFileSync(
    join(copy, 'look.ts'),
    `import { choose } from './core/choose';
     import { knotIds, shapeOf } from './core/knots/catalogue/catalogue';
     import { ENTRIES } from './core/knots/catalogue/entries';
     import { searchKnots } from './core/knots/facts/search';
     import { drawVector } from './core/picture';
     import { SHIPPED_PROFILES } from './core/profiles';
     import { generalFactsMarkdown } from './scripts/docs/generalFacts';
     const job = { purpose: 'stopper', profile: 'rope-access', rope: { kind: 'low-stretch', diameter_mm: 11 }, second_rope: null, pulls: ['standing-eye'], object: 'none', end_free: true, untie: 'any', must_pass: [], team: 'anyone', life_load: false } as const;
     const c = choose(job, SHIPPED_PROFILES.find((p) => p.id === 'rope-access')!);
     const svg = drawVector(shapeOf('${ID}', 'right', 'tight').map(({ marks: _, ...k }) => k), { face: 'front', theme: 'paper', size_px: 200, crop: 'knot', knotRadius_ropeDiameters: 4, title: 'x', cutTail: true });
     console.log(JSON.stringify({
       listed: knotIds().filter((k) => k === '${ID}').length, found: searchKnots(ENTRIES, 'triple overhand stopper').knots, suited: c.suited.filter((s) => s.knot === '${ID}').length,
       everywhere: c.suited.length + c.nearly.length + c.excluded.length === knotIds().length, crossings: (svg.match(/data-crossing/g) ?? []).length, facts: generalFactsMarkdown().includes('## Triple overhand stopper'),
     }));`,
  );
  const seen = JSON.parse(node('look.ts')) as Record<string, unknown>;
  expect(seen).toEqual({
    listed: 1,
    found: [ID],
    suited: 1,
    everywhere: true,
    crossings: expect.any(Number),
    facts: true,
  });
  expect(seen['crossings']).toBeGreaterThanOrEqual(3);
});

test('nothing but its own folder and what is generated has changed', () => {
  const { stdout } = spawnSync('diff', ['-rq', join(root, 'core'), join(copy, 'core')], { encoding: 'utf8' });
  const changed = stdout
    .trim()
    .split('\n')
    .map((line) => line.replaceAll(copy, '').replaceAll(root, ''))
    .sort();
  expect(changed).toEqual([
    ...[
      'inspect/naming/figures/stored',
      'inspect/naming/lookalikes/found',
      'knots/catalogue/entries',
      'knots/catalogue/shelved',
    ].map((f) => `Files /core/${f}.ts and /core/${f}.ts differ`),
    `Only in /${SHELF}: ${ID}`,
  ]);
});

const refusal = (...args: string[]) =>
  spawnSync(process.execPath, ['--import', './scripts/lib/typescript.mjs', 'scripts/newKnot.ts', ...args], {
    cwd: copy,
    encoding: 'utf8',
  });

test.each([
  ['an id that is none', ['Left Hand'], /is no id: lower-case words/],
  ['one that is there', ['bowline'], /stands on the shelf already/],
  ['a model that is not there', ['new-one', '--like', 'granny'], /no knot of the shelf. Those there: alpine-butterfly/],
  ['none', [], /name the new knot by its id/],
])('%s is refused, and it is said what to do', (_, args, said) => {
  const { status, stderr } = refusal(...args);
  expect([status, said.test(stderr)]).toEqual([1, true]);
});

test('what is begun from a knot of two ropes says so, and is held against nothing yet', () => {
  expect(refusal('begun-only', '--like', 'offset-overhand').status).toBe(0);
  const shape = readFileSync(join(copy, SHELF, 'begun-only/shape.ts'), 'utf8');
  expect(shape).toContain('Begun from offset-overhand');
  expect(readFileSync(join(copy, SHELF, 'begun-only/entry.ts'), 'utf8')).toMatch(
    /id: 'begun-only'[\s\S]*form_certainty: 'one-derivation'/,
  );
});
