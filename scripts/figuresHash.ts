/** Whether the stored figures of the forms are those of the source. */
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { codeText } from './knotFiles';

/** SHA-256 over all source that the figures come from, the stored shapes among it, and how look-alikes are found with them. */
export const figuresHash = (): string =>
  createHash('sha256')
    .update(
      codeText('core/inspect/table.ts') +
        readFileSync(join(import.meta.dirname, '../core/inspect/findLookalikes.ts'), 'utf8'),
    )
    .digest('hex');
