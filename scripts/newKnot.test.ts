/** Adding a knot is adding one folder: the example of docs/adding-a-knot.md, built in a copy of the project, is found everywhere without touching another file. */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { execFileSync, spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const root = join(import.meta.dirname, '../..');
const ID = 'left-hand-stopper';
let copy: string;
const node = (...args: string[]) =>
  execFileSync(process.execPath, ['--import', 'tsx', ...args], {
    cwd: copy,
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '' },
  });

beforeAll(() => {
  copy = mkdtempSync(join(tmpdir(), 'idiom-knot-'));
  for (const folder of ['core', 'contract', 'server', 'scripts', 'package.json', 'tsconfig.json', 'tsconfig.core.json'])
    cpSync(join(root, folder), join(copy, folder), { recursive: true });
  symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'));
  const page = readFileSync(join(root, 'docs/adding-a-knot.md'), 'utf8');
  mkdirSync(join(copy, 'core/knots', ID));
  for (const [, name, text] of page.matchAll(/<!-- file: (\S+) -->\n```ts\n([\s\S]*?)```/g))
    writeFileSync(join(copy, 'core/knots', ID, name!), text!);
  node('scripts/bake.ts', ID);
});
afterAll(() => rmSync(copy, { recursive: true, force: true }));

test('the page’s example bakes and is found on the shelf, in choose, in the pictures and among the facts', () => {
  writeFileSync(
    join(copy, 'look.ts'),
    `import { choose } from './core/choose';
     import { knotIds, shapeOf } from './core/knots/catalogue';
     import { ENTRIES } from './core/knots/entries';
     import { searchKnots } from './core/knots/search';
     import { drawVector } from './core/picture';
     import { SHIPPED_PROFILES } from './core/profiles';
     import { generalFactsMarkdown } from './scripts/docs/generalFacts';
     const job = { purpose: 'stopper', profile: 'rope-access', rope: { kind: 'low-stretch', diameter_mm: 11 }, second_rope: null, pulls: ['standing-eye'], object: 'none', end_free: true, untie: 'any', must_pass: [], team: 'anyone', life_load: false } as const;
     const c = choose(job, SHIPPED_PROFILES.find((p) => p.id === 'rope-access')!);
     const svg = drawVector(shapeOf('${ID}', 'right', 'tight').map(({ marks: _, ...k }) => k), { face: 'front', theme: 'paper', size_px: 200, crop: 'knot', knotRadius_ropeDiameters: 4, title: 'x', cutTail: true });
     console.log(JSON.stringify({
       listed: knotIds().filter((k) => k === '${ID}').length, found: searchKnots(ENTRIES, 'left hand').knots, suited: c.suited.filter((s) => s.knot === '${ID}').length,
       everywhere: c.suited.length + c.nearly.length + c.excluded.length === knotIds().length, crossings: (svg.match(/data-crossing/g) ?? []).length, facts: generalFactsMarkdown().includes('## Left-hand stopper'),
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
    'Files /core/inspect/figures.ts and /core/inspect/figures.ts differ',
    'Files /core/inspect/foundLookalikes.ts and /core/inspect/foundLookalikes.ts differ',
    'Files /core/knots/entries.ts and /core/knots/entries.ts differ',
    'Files /core/knots/index.ts and /core/knots/index.ts differ',
    `Only in /core/knots: ${ID}`,
  ]);
});
