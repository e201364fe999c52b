/** Whether the stored figures of the forms are those of the source. */
import { createHash } from 'node:crypto';
import { codeText } from './knotFiles';

/** SHA-256 over all source that the figures come from, the stored shapes among it. */
export const figuresHash = (): string => createHash('sha256').update(codeText('core/inspect/table.ts')).digest('hex');
