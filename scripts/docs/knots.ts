/** The text of docs/knots.md: how each shape is derived, how sure it is, which face is front. Made from the entries. */
import { CATALOGUE } from '../../core/knots/catalogue/shelved';
import type { Range } from '../../core/knots/shape/measures';
import { unitOfAcross } from '../../core/knots/shape/sizes';
import { FAMILIES } from '../../core/knots/facts/types';

export function knotsMarkdown(): string {
  const rows = CATALOGUE.map(({ entry, baked }) => {
    const right = baked.forms['right']!;
    const { inKnot_ropeDiameters: rope, girth_ropeDiameters: girth } = right.set;
    const across = (v: number) => (v * unitOfAcross(right)).toFixed(1);
    const range = (r: Range) =>
      `${r.low === r.high ? across(r.value) : `${across(r.value)} (${across(r.low)} to ${across(r.high)})`}${right.set.tight.tape ? ' widths' : ''}`;
    const variants: readonly string[] = entry.variants?.map((v) => v.form) ?? [];
    const faults = Object.keys(baked.forms).filter(
      (f) => f !== 'right' && !f.startsWith('wraps-') && !variants.includes(f),
    );
    return `| ${entry.names[0]} (\`${entry.id}\`) | ${FAMILIES[entry.family]} | ${range(rope)} | ${range(girth)} | ${entry.form_certainty}: ${entry.form_text} | ${entry.front_because} | ${faults.map((f) => f.replaceAll('-', ' ')).join(', ') || '–'} |`;
  });
  return [
    '# The knots',
    '',
    'Made by `npm run docs` from the catalogue. Do not edit. A form is *settled* when an independent figure or a second derivation by another motion agrees with it; else it says so here and on its page.',
    '',
    '| knot | family | rope in it, d | girth, d | its form | front is | faults with a shape |',
    '|---|---|---|---|---|---|---|',
    ...rows,
    '',
  ].join('\n');
}
