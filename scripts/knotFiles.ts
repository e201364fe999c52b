/** Which knots there are, and the hash that says whether a baked form is stale. Used by the bake command and its test. */
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';

const root = join(import.meta.dirname, '..');
export const knotsFolder = join(root, 'core/knots');

export function knotIds(): string[] {
  return readdirSync(knotsFolder).filter((f) => statSync(join(knotsFolder, f)).isDirectory()).sort();
}

function sources(folder: string): string[] {
  return readdirSync(join(root, folder), { withFileTypes: true })
    .flatMap((e) => (e.isDirectory() ? [] : [join(folder, e.name)]))
    .filter((f) => f.endsWith('.ts') && !f.endsWith('.test.ts'));
}

/** SHA-256 over the knot's own inputs and over the source of curve, topology, rope and the authoring tools. */
export function inputHash(id: string): string {
  const files = [
    ...['core/curve', 'core/topology', 'core/rope'].flatMap(sources),
    ...['authoring', 'baking', 'drawing', 'eye-variants', 'laid', 'measures', 'objects', 'presenting', 'on-bight', 'single-paths', 'stored', 'view'].map((f) => `core/knots/${f}.ts`),
    'core/knots/bowline/parts.ts',
    'core/knots/alpine-butterfly/twist.ts',
    `core/knots/${id}/shape.ts`,
    `core/knots/${id}/presentation.ts`,
  ];
  const hash = createHash('sha256');
  for (const f of [...new Set(files)].sort()) hash.update(`${f}\n${readFileSync(join(root, f), 'utf8')}`);
  return hash.digest('hex');
}

const camel = (id: string) => id.replace(/-(\w)/g, (_, c: string) => c.toUpperCase());

/** The text of core/knots/entries.ts: the facts alone, light enough for a browser. */
export function entriesText(ids: readonly string[]): string {
  return [
    '// Made by `npm run bake` from the folders beside it. Do not edit.',
    "import type { KnotEntry } from './types';",
    ...ids.map((id) => `import { entry as ${camel(id)} } from './${id}/entry';`),
    '',
    `export const ENTRIES: readonly KnotEntry[] = [${ids.map(camel).join(', ')}];`,
    '',
  ].join('\n');
}

/** The text of core/knots/index.ts. */
export function indexText(ids: readonly string[]): string {
  return [
    '// Made by `npm run bake` from the folders beside it. Do not edit.',
    "import type { CatalogueKnot } from './stored';",
    ...ids.flatMap((id) => [`import { entry as ${camel(id)} } from './${id}/entry';`, `import { baked as ${camel(id)}Baked } from './${id}/baked';`, `import { ways as ${camel(id)}Ways } from './${id}/ways';`]),
    '',
    'export const CATALOGUE: readonly CatalogueKnot[] = [',
    ...ids.map((id) => `  { entry: ${camel(id)}, baked: ${camel(id)}Baked, ways: ${camel(id)}Ways },`),
    '];',
    '',
  ].join('\n');
}
