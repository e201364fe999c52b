/** The text of docs/knots.md: how each shape is derived, how sure it is, which face is front. Made from the entries. */
import { CATALOGUE } from '../core/knots';
import { FAMILIES } from '../core/knots/types';
import { statesOf } from '../core/knots/stored';

export function knotsMarkdown(): string {
  const rows = CATALOGUE.map(({ entry, baked }) => {
    const right = baked.forms['right']!;
    const faults = Object.keys(baked.forms).filter((f) => f !== 'right' && !f.startsWith('wraps-'));
    return `| ${entry.names[0]} (\`${entry.id}\`) | ${FAMILIES[entry.family]} | ${statesOf(right).join(', ')} | ${entry.form_certainty}: ${entry.form_text} | ${entry.front_because} | ${faults.map((f) => f.replaceAll('-', ' ')).join(', ') || '–'} |`;
  });
  return [
    '# The knots',
    '',
    'Made by `npm run docs` from the catalogue. Do not edit. A form is *settled* when an independent figure or a second derivation by another motion agrees with it; else it says so here and on its page.',
    '',
    '| knot | family | stored | its form | front is | faults with a shape |',
    '|---|---|---|---|---|---|',
    ...rows,
    '',
  ].join('\n');
}
