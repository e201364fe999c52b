/** The files that are assembled of the proofs: what naming reads of every form, and the look-alikes. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Figures } from '../../core/inspect/naming/figures/formFigures';
import type { Lookalike } from '../../core/inspect/naming/lookalikes/lookalike';
import type { ProvedWay } from '../../core/knots/tying/proving';
import { readProofs } from './proofFile';
import { entriesText, shelvedIds, shelvedText } from './shelf';
import { root } from './sources';

/** The figures of all forms. Each text stands once and is named by its number. */
function figuresText(ids: readonly string[]): string {
  const numbers = new Map<string, number>();
  const number = (text: string) => {
    if (!numbers.has(text)) numbers.set(text, numbers.size);
    return numbers.get(text)!;
  };
  const forms = ids.flatMap((id) =>
    Object.entries(readProofs(id).figures ?? {}).map(([form, { figures }]) => {
      const own = Object.entries(figures as Figures).map(([name, values]) => [
        name,
        values.map((v) => [number(v.as), number(v.mirrored)]),
      ]);
      return [`${id}/${form}`, Object.fromEntries(own)] as const;
    }),
  );
  const body = { texts: [...numbers.keys()], forms: Object.fromEntries(forms) };
  return `// Made by \`npm run bake\`. Do not edit.\nimport type { StoredFigures } from './storedFigures';\n\nexport const stored: StoredFigures = ${JSON.stringify(body)};\n`;
}

function lookalikesText(ids: readonly string[]): string {
  const found = ids.map((id) => [id, (readProofs(id)['look-alikes']?.['all']?.figures ?? []) as Lookalike[]]);
  return `// Made by \`npm run bake\`. Do not edit.\nimport type { Lookalike } from './lookalike';\n\nexport const found: Readonly<Record<string, readonly Lookalike[]>> = ${JSON.stringify(Object.fromEntries(found))};\n`;
}

/** The key frames of every way, as they were proved. */
function keyFramesText(ids: readonly string[]): string {
  const all = ids.flatMap((id) =>
    Object.entries(readProofs(id).way ?? {}).map(
      ([way, { figures }]) => [`${id}/${way}`, (figures as ProvedWay).keyFrames ?? []] as const,
    ),
  );
  return `// Made by \`npm run prove\`. Do not edit.\nimport type { StoredKeyFrames } from './motion';\n\nexport const keyFrames: Readonly<Record<string, StoredKeyFrames>> = ${JSON.stringify(Object.fromEntries(all))};\n`;
}

/** Files that are made of the shelf and of what is proved, by path from the root. */
export function madeFiles(): Record<string, string> {
  const ids = shelvedIds();
  return {
    'core/knots/catalogue/shelved.ts': shelvedText(ids),
    'core/knots/catalogue/entries.ts': entriesText(ids),
    'core/inspect/naming/figures/stored.ts': figuresText(ids),
    'core/inspect/naming/lookalikes/found.ts': lookalikesText(ids),
    'core/knots/tying/keyFrames.ts': keyFramesText(ids),
  };
}

/** @param files which of them; all where none is named */
export function writeMade(...files: readonly string[]): void {
  for (const [file, text] of Object.entries(madeFiles()))
    if (files.length === 0 || files.includes(file)) writeFileSync(join(root, file), text);
}
