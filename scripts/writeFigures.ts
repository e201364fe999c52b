/** Writes core/inspect/figures.ts. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { figuresText } from './figures';

writeFileSync(join(import.meta.dirname, '../core/inspect/figures.ts'), figuresText());
