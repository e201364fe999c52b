/** Which knots there are, and the hash that says whether a baked form is stale. Used by the bake command and its test. */
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';

const root = join(import.meta.dirname, '..');
export const knotsFolder = join(root, 'core/knots/shelf');

export function knotIds(): string[] {
  return readdirSync(knotsFolder)
    .filter((f) => statSync(join(knotsFolder, f)).isDirectory())
    .sort();
}

const VALUES_FROM = /^(?:import|export)\s+(?!type\b)[^;]*?from\s+'(\.[^']*)';/gm;

/** The files that a file takes values from, itself among them: what its result depends on. Types have no result. */
function dependencies(file: string, seen = new Set<string>()): Set<string> {
  if (seen.has(file)) return seen;
  seen.add(file);
  for (const [, to] of readFileSync(join(root, file), 'utf8').matchAll(VALUES_FROM)) {
    const path = join(dirname(file), to!);
    const found = [`${path}.ts`, join(path, 'index.ts')].find((f) => existsSync(join(root, f)));
    // a new error code changes no shape
    if (found && !found.startsWith('core/errors/')) dependencies(found, seen);
  }
  return seen;
}

/** The source that a file's result depends on, as one text. */
export const codeText = (file: string): string =>
  [...dependencies(file)]
    .sort()
    .map((f) => `${f}\n${readFileSync(join(root, f), 'utf8')}`)
    .join('\n');

/** SHA-256 over all source that the stored shapes of a knot come from: how it is laid and presented, and how anything is baked. */
export function inputHash(id: string): string {
  const files = [
    `core/knots/shelf/${id}/shape.ts`,
    `core/knots/shelf/${id}/presentation.ts`,
    'core/knots/baking/baking.ts',
    'core/knots/shape/eye-variants.ts',
  ].flatMap((f) => [...dependencies(f)]);
  const hash = createHash('sha256');
  for (const f of [...new Set(files)].sort()) hash.update(`${f}\n${readFileSync(join(root, f), 'utf8')}`);
  return hash.digest('hex');
}

const camel = (id: string) => id.replace(/-(\w)/g, (_, c: string) => c.toUpperCase());

/** The text of core/knots/catalogue/entries.ts: the facts alone, light enough for a browser. */
export function entriesText(ids: readonly string[]): string {
  return [
    '// Made by `npm run bake` from the folders beside it. Do not edit.',
    "import type { KnotEntry } from '../facts/types';",
    ...ids.map((id) => `import { entry as ${camel(id)} } from '../shelf/${id}/entry';`),
    '',
    `export const ENTRIES: readonly KnotEntry[] = [${ids.map(camel).join(', ')}];`,
    '',
  ].join('\n');
}

/** The text of core/knots/catalogue/shelved.ts. */
export function indexText(ids: readonly string[]): string {
  return [
    '// Made by `npm run bake` from the folders beside it. Do not edit.',
    "import type { TiedKnot } from '../moving/way';",
    ...ids.flatMap((id) => [
      `import { entry as ${camel(id)} } from '../shelf/${id}/entry';`,
      `import { baked as ${camel(id)}Baked } from '../shelf/${id}/baked';`,
      `import { ways as ${camel(id)}Ways } from '../shelf/${id}/ways';`,
    ]),
    '',
    'export const CATALOGUE: readonly TiedKnot[] = [',
    ...ids.map((id) => `  { entry: ${camel(id)}, baked: ${camel(id)}Baked, ways: ${camel(id)}Ways },`),
    '];',
    '',
  ].join('\n');
}
