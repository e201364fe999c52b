/** The knots' folders: what stands in them by hand, what is made beside it, and the lists made of all. */
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { KnotEntry } from '../../core/knots/facts/types';
import { formsToBake, type FormToBake } from '../../core/knots/shape/eye-variants';
import type { LaidForms } from '../../core/knots/shape/laid';
import type { Presentation } from '../../core/knots/shape/presentation';
import type { BakedKnot } from '../../core/knots/shape/stored';
import type { AllowedForms } from '../../core/knots/shape/allowed';
import { root, sha256, type Sources } from './sources';

export const SHELF = 'core/knots/shelf';
const folderOf = (id: string): string => join(root, SHELF, id);

export const shelvedIds = (): string[] =>
  readdirSync(join(root, SHELF))
    .filter((f) => statSync(folderOf(f)).isDirectory())
    .sort();

/** What its author wrote of a knot. */
export interface Authored {
  readonly entry: KnotEntry;
  readonly toBake: readonly FormToBake[];
  readonly allowed: AllowedForms;
}

const part = async <T>(id: string, file: string): Promise<T> => (await import(join(folderOf(id), file))) as T;

export async function authored(id: string): Promise<Authored> {
  const { forms } = await part<{ forms: LaidForms }>(id, 'shape.ts');
  const { presentation } = await part<{ presentation: Presentation }>(id, 'presentation.ts');
  const { entry } = await part<{ entry: KnotEntry }>(id, 'entry.ts');
  const allowed = existsSync(join(folderOf(id), 'allowed.ts'))
    ? (await part<{ allowed: AllowedForms }>(id, 'allowed.ts')).allowed
    : {};
  const faults = entry.faults.map((f) => f.id);
  return { entry, toBake: formsToBake(forms, presentation, faults), allowed };
}

/**
 * SHA-256 over all that the stored shapes of a knot come from: how it is laid and presented, and how anything is baked.
 * @param toBake its forms: one of them, the large eye, comes from what the entry says
 */
export const bakedFrom = (id: string, toBake: readonly FormToBake[], sources: Sources): string =>
  sha256(
    sources.hash(
      `${SHELF}/${id}/shape.ts`,
      `${SHELF}/${id}/presentation.ts`,
      'core/knots/baking/baking.ts',
      'core/knots/shape/eye-variants.ts',
    ),
    ...toBake.map((f) => f.name),
  );

/** As a text that is parsed when it is read: the compiler need not look through a million numbers. */
export function bakedText(baked: BakedKnot): string {
  const json = JSON.stringify(baked);
  if (/['\\\u2028\u2029]/.test(json)) throw new Error('a stored shape holds a quote or a backslash');
  return `// Made by \`npm run bake\`. Do not edit.\nimport type { BakedKnot } from '../../shape/stored';\n\nexport const baked = JSON.parse(\n  '${json}',\n) as BakedKnot;\n`;
}

/** The stored shapes, read as data; null where there are none. */
export function readBaked(id: string): BakedKnot | null {
  const file = join(folderOf(id), 'baked.ts');
  if (!existsSync(file)) return null;
  const text = readFileSync(file, 'utf8');
  return JSON.parse(text.slice(text.indexOf("'{") + 1, text.lastIndexOf("}'") + 1)) as BakedKnot;
}
export const writeBaked = (id: string, baked: BakedKnot): void =>
  writeFileSync(join(folderOf(id), 'baked.ts'), bakedText(baked));

const camel = (id: string) => id.replace(/-(\w)/g, (_, c: string) => c.toUpperCase());

/** The text of core/knots/catalogue/entries.ts: the facts alone, light enough for a browser. */
export const entriesText = (ids: readonly string[]): string =>
  [
    '// Made by `npm run bake` from the folders of the shelf. Do not edit.',
    "import type { KnotEntry } from '../facts/types';",
    ...ids.map((id) => `import { entry as ${camel(id)} } from '../shelf/${id}/entry';`),
    '',
    `export const ENTRIES: readonly KnotEntry[] = [${ids.map(camel).join(', ')}];`,
    '',
  ].join('\n');

/** The text of core/knots/catalogue/shelved.ts. */
export const shelvedText = (ids: readonly string[]): string =>
  [
    '// Made by `npm run bake` from the folders of the shelf. Do not edit.',
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
