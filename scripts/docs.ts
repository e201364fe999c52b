/** npm run docs: writes the generated pages of docs/. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { errorsMarkdown } from './errorDocs';
import { faultsMarkdown } from './faultDocs';
import { generalFactsMarkdown } from './generalFacts';
import { knotsMarkdown } from './knotDocs';
import { rulesMarkdown } from './ruleDocs';

writeFileSync(join(import.meta.dirname, '../docs/errors.md'), errorsMarkdown());
writeFileSync(join(import.meta.dirname, '../docs/knots.md'), knotsMarkdown());
writeFileSync(join(import.meta.dirname, '../docs/general-facts.md'), generalFactsMarkdown());
writeFileSync(join(import.meta.dirname, '../docs/faults.md'), faultsMarkdown());
writeFileSync(join(import.meta.dirname, '../docs/rules.md'), rulesMarkdown());
