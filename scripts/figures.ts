/** The figures of every form, as core/inspect/figures.ts holds them: computed once, read by identifying. */
import { figuresOfAll } from '../core/inspect/naming/figures/formFigures';
import { figuresHash } from './figuresHash';

/** The text of core/inspect/figures.ts. Figures stand once and are named by number. */
export function figuresText(): string {
  const all = figuresOfAll();
  const numbers = new Map<string, number>();
  const number = (text: string) => {
    if (!numbers.has(text)) numbers.set(text, numbers.size);
    return numbers.get(text)!;
  };
  const forms = Object.fromEntries(
    Object.entries(all).map(([id, figures]) => [
      id,
      Object.fromEntries(
        Object.entries(figures).map(([name, values]) => [name, values.map((v) => [number(v.as), number(v.mirrored)])]),
      ),
    ]),
  );
  const body = { inputHash: figuresHash(), texts: [...numbers.keys()], forms };
  return `// Made by \`npm run bake\`. Do not edit.\nimport type { StoredFigures } from './stored-figures';\n\nexport const stored: StoredFigures = ${JSON.stringify(body)};\n`;
}
