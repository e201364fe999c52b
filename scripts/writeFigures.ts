/** Writes core/inspect/figures.ts, and what the look-alikes are by them. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { figuresText } from './figures';

writeFileSync(join(import.meta.dirname, '../core/inspect/figures.ts'), figuresText());

// only now: identifying reads the figures
const { findLookalikes } = await import('../core/inspect/naming/lookalikes/find');
writeFileSync(
  join(import.meta.dirname, '../core/inspect/foundLookalikes.ts'),
  `// Made by \`npm run bake\`. Do not edit.\nimport type { Lookalike } from './lookalike';\n\nexport const found: Readonly<Record<string, readonly Lookalike[]>> = ${JSON.stringify(findLookalikes())};\n`,
);
