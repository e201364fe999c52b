/** npm run docs: writes the generated pages of docs/. With --check it writes nothing and refuses what is not fresh. */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { errorsMarkdown } from './docs/errors';
import { faultsMarkdown } from './docs/faults';
import { generalFactsMarkdown } from './docs/generalFacts';
import { houseSvg } from './docs/house';
import { knotsMarkdown } from './docs/knots';
import { lengthsMarkdown } from './docs/lengths';
import { rulesMarkdown } from './docs/rules';

const PAGES: Readonly<Record<string, () => string>> = {
  'errors.md': errorsMarkdown,
  'faults.md': faultsMarkdown,
  'general-facts.md': generalFactsMarkdown,
  'house.svg': houseSvg,
  'knots.md': knotsMarkdown,
  'lengths.md': lengthsMarkdown,
  'rules.md': rulesMarkdown,
};

const checking = process.argv.includes('--check');
let stale = 0;
for (const [page, made] of Object.entries(PAGES)) {
  const file = join(import.meta.dirname, '../docs', page);
  const text = made();
  if (!checking) writeFileSync(file, text);
  else if (readFileSync(file, 'utf8') !== text) {
    stale++;
    console.error(`stale: docs/${page}: run npm run docs`);
  }
}
process.exit(stale > 0 ? 1 : 0);
