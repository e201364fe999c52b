/** Refuses stale generated files: baked shapes, the catalogue's indexes, the table of error codes in the docs. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { errorsMarkdown } from './errorDocs';
import { faultsMarkdown } from './faultDocs';
import { figuresHash } from './figuresHash';
import { generalFactsMarkdown } from './generalFacts';
import { knotsMarkdown } from './knotDocs';
import { rulesMarkdown } from './ruleDocs';
import { entriesText, indexText, inputHash, knotIds, knotsFolder } from './knotFiles';

const stale: string[] = [];
const ids = knotIds();
for (const id of ids) {
  const text = readFileSync(join(knotsFolder, id, 'baked.ts'), 'utf8');
  if (!text.includes(inputHash(id)))
    stale.push(`core/knots/shelf/${id}/baked.ts: its inputs or the code that makes it changed; run npm run bake`);
}
if (!readFileSync(join(knotsFolder, '../inspect/figures.ts'), 'utf8').includes(figuresHash()))
  stale.push('core/inspect/figures.ts: run npm run bake');
const compare = (file: string, wanted: string, how: string) => {
  if (readFileSync(join(knotsFolder, '../..', file), 'utf8') !== wanted) stale.push(`${file}: run ${how}`);
};
compare('core/knots/catalogue/shelved.ts', indexText(ids), 'npm run bake');
compare('core/knots/catalogue/entries.ts', entriesText(ids), 'npm run bake');
compare('docs/errors.md', errorsMarkdown(), 'npm run docs');
compare('docs/knots.md', knotsMarkdown(), 'npm run docs');
compare('docs/rules.md', rulesMarkdown(), 'npm run docs');
compare('docs/faults.md', faultsMarkdown(), 'npm run docs');
compare('docs/general-facts.md', generalFactsMarkdown(), 'npm run docs');
for (const s of stale) console.error(`stale: ${s}`);
process.exit(stale.length > 0 ? 1 : 0);
