/** Forms that were baked before on this machine: a form is known by its laid form, its presentation and the code that bakes. */
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { LaidForms } from '../core/knots/shape/laid';
import type { Presentation } from '../core/knots/shape/presentation';
import type { BakedForm } from '../core/knots/shape/stored';
import { codeText } from './knotFiles';

const folder = join(import.meta.dirname, '../node_modules/.cache/idiom-bake');
const code = codeText('core/knots/baking/baking.ts');

/** SHA-256 over all that a baked form comes from. */
export const bakingHash = (laid: ReturnType<LaidForms[string]>, presentation: Presentation, spread: boolean): string =>
  createHash('sha256').update(code).update(JSON.stringify({ laid, presentation, spread })).digest('hex');

export function bakedBefore(key: string): BakedForm | null {
  const file = join(folder, `${key}.json`);
  return existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as BakedForm) : null;
}

export function keepBaked(key: string, form: BakedForm): void {
  mkdirSync(folder, { recursive: true });
  writeFileSync(join(folder, `${key}.json`), JSON.stringify(form));
}
