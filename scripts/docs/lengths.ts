/** docs/lengths.md: the length asked of every knot in every use under every shipped rule set, and the rules of common practice beneath them. */
import { ENTRIES } from '../../core/knots/catalogue/entries';
import { usesOf, type Use } from '../../core/knots/facts/uses';
import { lengthFor, SHIPPED_PROFILES } from '../../core/profiles';
import { COMMON_PRACTICE } from '../../core/profiles/common';

const DIAMETER_mm = 11;
const FIST_mm = 108;

const listed = (ids: readonly string[]) => ids.join(', ');

function asked(knot: string, use: Use): string[] {
  return SHIPPED_PROFILES.map((p) => {
    const { required_mm, max_mm, rule, length_kind } = lengthFor(p, {
      knot,
      use,
      rope_diameter_mm: DIAMETER_mm,
      fist_mm: FIST_mm,
    });
    if (required_mm === null) return 'none';
    const beyond = length_kind === 'beyond_stopper' ? ' beyond it' : '';
    return `${required_mm}${max_mm === null ? '' : ` to ${max_mm}`}${beyond}, ${rule.id}`;
  });
}

export function lengthsMarkdown(): string {
  const { name, version, lengths, asked: rulesAsked, refused } = COMMON_PRACTICE;
  const rules = lengths.map(
    (r) =>
      `| ${r.id} | ${r.text} | ${listed(r.for)} | ${r.uses === 'any' ? 'any' : listed(r.uses)} | ${r.with ? listed(r.with) : ''} | ${r.source} |`,
  );
  const companions = rulesAsked.flatMap((a) =>
    a.asks?.kind === 'companion'
      ? [
          `| ${a.rule} | ${a.text} | ${listed(a.knots)} | ${a.uses ? listed(a.uses) : 'any'} | ${a.asks.companions.join(' or ')} | ${a.asks.how} |`,
        ]
      : [],
  );
  const kept = refused.map(
    (r) =>
      `| ${r.rule} | ${listed(r.knots)} | ${r.uses === 'any' ? 'any' : listed(r.uses)} | ${r.text} | ${r.source} |`,
  );
  const rows = ENTRIES.flatMap((e) =>
    usesOf(e).map((use) => `| ${e.names[0]} | ${use} | ${asked(e.id, use).join(' | ')} |`),
  );
  return `# Lengths, by what a knot is for

Made by \`npm run docs\`. Do not edit. What a check, \`POST /tail\`, \`/judge\` and \`/rope-needed\` ask: the school's rules, and beneath them common practice. A rule of the
school silences one of common practice only where it names that knot, that use and the same kind of length, and asks a length; of all that is left the
one that asks most decides. What is marked *general* wants a competent person's look.

## ${name}, version ${version}

A rule that names the knot goes before one for its family, and that before one for any.

| rule | what it asks | knots | uses | where tied | source |
|---|---|---|---|---|---|
${rules.join('\n')}

## Other knots that belong to one

What is required is looked at in every walk, with its own point; *advised* and *optional* where it is tied.

| rule | what it asks | knots | uses | which | how |
|---|---|---|---|---|---|
${companions.join('\n')}

## What a knot is kept from

Whatever the rule set says, and with common practice switched off: the check says *take out and retie*. So does a use that a knot is not made for.

| rule | knots | uses | why | source |
|---|---|---|---|---|
${kept.join('\n')}

## What is asked

In mm, of rope ${DIAMETER_mm} mm thick, where a fist is ${FIST_mm} mm across; without another knot tied behind it. *None*: the rope goes on, or its ends belong to other knots.

| knot | for | ${SHIPPED_PROFILES.map((p) => p.name).join(' | ')} |
|---|---|${'---|'.repeat(SHIPPED_PROFILES.length)}
${rows.join('\n')}
`;
}
