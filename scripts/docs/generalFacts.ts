/** The text of docs/general-facts.md: every fact of the entries that is general knowledge, for a competent person to look through. */
import { ENTRIES } from '../../core/knots/catalogue/entries';
import type { KnotEntry } from '../../core/knots/facts/types';

interface GeneralFact {
  readonly about: string;
  readonly text: string;
}

/** All that an entry says with the source `general`. */
export function generalFactsOf(e: KnotEntry): GeneralFact[] {
  const facts: (GeneralFact & { source: string })[] = [
    { about: 'needs', ...e.needs },
    ...e.pulls.map((p) => ({
      about: `pull ${p.pull}`,
      text: `${p.grade}, ${p.condition}: ${p.what_happens}`,
      source: p.source,
    })),
    ...e.untying.map((u) => ({
      about: `to undo, ${u.condition.replaceAll('-', ' ')}`,
      text: `${u.least === u.most ? u.least : `${u.least} to ${u.most}`} of 5: ${u.text}`,
      source: u.source,
    })),
    { about: 'set', ...e.set },
    { about: 'to adjust', ...e.adjust },
    { about: 'when idle', ...e.loosens },
    { about: 'look again', ...e.look_again },
    ...e.faces.map((f) => ({ about: `${f.face} shows`, text: f.shows, source: f.source })),
    ...e.check_points.map((p) => ({
      about: `check point ${p.id}`,
      text: `${p.question} ${p.help}${p.count ? ` Count of ${p.count.of}: ${p.count.is}.` : ''}`,
      source: p.source,
    })),
    ...e.faults.map((f) => ({
      about: `fault ${f.id}`,
      text: `${f.name}: ${f.arises}; shows: ${f.shows}; ${f.verdict.replaceAll('-', ' ')}. ${f.what_to_do}`,
      source: f.source,
    })),
    { about: 'known to', text: `${e.recognised.by}: ${e.recognised.text}`, source: e.recognised.source },
    ...(e.for_a_life ? [{ about: 'for a life', text: e.for_a_life.text, source: e.for_a_life.source }] : []),
    ...(e.variants ?? []).map((v) => ({ about: `form ${v.name}`, text: v.text, source: v.source })),
    ...e.cautions.map((c) => ({ about: 'care', ...c })),
    ...e.good_for.map((g) => ({ about: 'good for', ...g })),
  ];
  return facts.filter((f) => f.source === 'general').map(({ about, text }) => ({ about, text }));
}

const cell = (text: string) => text.replaceAll('|', '\\|').replaceAll('\n', ' ');

export function generalFactsMarkdown(entries: readonly KnotEntry[] = ENTRIES): string {
  const all = entries.map((e) => ({ e, facts: generalFactsOf(e) }));
  const count = all.reduce((sum, { facts }) => sum + facts.length, 0);
  return [
    '<!-- Made by `npm run docs` from the entries. Do not edit. -->',
    '# General facts, to be looked through',
    '',
    `These ${count} facts of ${entries.length} knots are not from the practice that the catalogue was learned from but from the field’s general knowledge. A competent person should look through them; until then each is shown in the application with the mark *g*, "general knowledge, to be confirmed". What a knot does under a pull that stands nowhere is "not known".`,
    '',
    ...all.flatMap(({ e, facts }) =>
      facts.length === 0
        ? []
        : [
            `## ${e.names[0]}`,
            '',
            '| about | said |',
            '| --- | --- |',
            ...facts.map((f) => `| ${cell(f.about)} | ${cell(f.text)} |`),
            '',
          ],
    ),
  ].join('\n');
}
