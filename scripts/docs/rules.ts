/** docs/rules.md: every rule by which a knot is ruled out, and a job in which it says no. */
import { everyRule, firings } from '../../core/choose/testing/firing';
import { entryById } from '../../core/knots/catalogue/lookup';
import type { Job } from '../../core/choose';

const jobWords = ({
  purpose,
  profile,
  rope,
  pulls,
  object,
  end_free,
  untie,
  must_pass,
  life_load,
  second_rope,
  fits_thicknesses,
}: Job): string =>
  [
    purpose,
    `to ${object}`,
    `${rope.diameter_mm} mm ${rope.kind}`,
    second_rope ? `and ${second_rope.diameter_mm} mm` : '',
    `pulled ${pulls.join(', ')}`,
    end_free ? '' : 'no end free',
    untie === 'any' ? '' : `undone ${untie}`,
    must_pass.length > 0 ? `must pass ${must_pass.join(', ')}` : '',
    life_load ? 'a person' : 'things only',
    fits_thicknesses === undefined ? '' : `${fits_thicknesses} thicknesses fit`,
    profile,
  ]
    .filter(Boolean)
    .join('; ');

export function rulesMarkdown(): string {
  const fired = firings();
  const rows = everyRule().map(({ id, text, source, of }) => {
    const f = fired.get(id);
    return `| ${id} | ${text} | ${source} | ${of ?? 'every one'} | ${f ? `${jobWords(f.job)} | ${entryById(f.knot).names[0]}: ${f.text}` : 'none found | –'} |`;
  });
  return `# Rules of choosing\n\nMade by \`npm run docs\`. Do not edit. A rule says no to a knot for a job; what a rule set says is its own rule. With each stands a job in which it says no, and to which knot.\n\n| rule | what it asks | source | rule set | a job | says no to |\n|---|---|---|---|---|---|\n${rows.join('\n')}\n`;
}
