/** Breaks that were once made by hand and seen by no test: each has one now. */
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from '../proofs/sources';
import type { Break } from './breaking';

/** Where, what, into what, and the suite that has to notice. */
type Known = readonly [file: string, from: string, to: string, test: string];

const KNOWN: readonly Known[] = [
  [
    'core/topology/turns.ts',
    'return { at, angle: Math.atan2(',
    'return { at, angle: -Math.atan2(',
    'core/topology/turns',
  ],
  ['core/topology/closure.ts', 'of [link, -link]', 'of [link]', 'core/topology/opened'],
  [
    'core/choose/rules.ts',
    'job.fits_thicknesses < knot.needs',
    'job.fits_thicknesses <= knot.needs',
    'core/choose/limits',
  ],
  ['core/choose/rules.ts', '.least > BY_HAND_MOST', '.least >= BY_HAND_MOST', 'core/choose/limits'],
  ['core/choose/choose.ts', 'u.most > 3', 'u.most > 4', 'core/choose/choose'],
  ['core/choose/choose.ts', 'value: mm,', 'value: 0,', 'core/choose/choose'],
  ['core/choose/choose.ts', "part: 'bulk', value: girth", "part: 'bulk', value: 0", 'core/choose/choose'],
  ['core/inspect/judging/tails.ts', 'Math.round(mm * 10) / 10', 'Math.ceil(mm)', 'core/inspect/judging/tails'],
  ['core/inspect/judging/verdict.ts', "'by-eye': 30", "'by-eye': 5", 'core/inspect/judging/tails'],
  ['server/documents/card.ts', 'upTo(1, tail.required_mm)', 'Math.floor(tail.required_mm)', 'server/documents/card'],
  [
    'web/stations/choose/SuitedCard.tsx',
    'upTo(10, rope.total_mm_high) / 1000',
    'Math.floor(rope.total_mm_high / 10) / 100',
    'web/stations/stations',
  ],
  [
    'server/recording/correction.ts',
    'request: { check, body, by: who.id }',
    'request: { check, body }',
    'server/readBack',
  ],
  [
    'contract/endpoints/people.ts',
    "summary: 'Add a person',\n    access: ['instructor']",
    "summary: 'Add a person',\n    access: ['instructor', 'owner']",
    'server/whoMay',
  ],
  [
    'contract/endpoints/people.ts',
    "give a new first password',\n    access: ['instructor']",
    "give a new first password',\n    access: ['instructor', 'owner']",
    'server/whoMay',
  ],
  [
    'server/recording/correction.ts',
    'found.checker !== who.id && !CORRECTING_ROLES.some((r) => who.person.roles.includes(r))',
    'false',
    'server/whoMay',
  ],
  [
    'server/migrations/0005_lives.sql',
    'UPDATE chain_heads h SET checks = (SELECT COUNT(*) FROM check_status s WHERE s.organisation = h.organisation);',
    '',
    'server/verify',
  ],
  [
    'server/migrate.ts',
    "DELETE: ['sessions', 'to_make_anew']",
    "DELETE: ['sessions', 'to_make_anew', 'wrong_pins']",
    'server/access',
  ],
  [
    'server/documents/evidence.ts',
    'page.put(VERDICT_WORDS[row.verdict],',
    "page.put(VERDICT_WORDS['meets-the-rule'],",
    'server/readBack',
  ],
  [
    'server/documents/evidence.ts',
    "entry.body.agrees ? 'agrees' : 'does not agree'",
    "entry.body.agrees ? 'does not agree' : 'agrees'",
    'server/readBack',
  ],
  ['server/documents/evidence.ts', "p.what_to_do ? ` To do: ${p.what_to_do}` : ''", "''", 'server/readBack'],
  ['server/importing.ts', ".replace(/^'(?=[=+\\-@＝＋－＠])/, '')", '', 'server/readBack'],
  ['server/plugins/session.ts', 'httpOnly: true', 'httpOnly: false', 'server/access'],
  ['core/knots/tying/proving.ts', '(2 * distance(', '(1 * distance(', 'scripts/proofs/figures'],
  ['core/knots/tying/wayLimits.ts', 'LEAST_DISTANCE = 0.7', 'LEAST_DISTANCE = 0.4', 'core/knots/tying/wayLimits'],
  ['core/knots/tying/wayLimits.ts', 'MOST_STRAY = 0.05', 'MOST_STRAY = 0.2', 'core/knots/tying/wayLimits'],
  ['web/parts/keys.ts', '        e.altKey ||\n', '', 'web/parts/keys'],
  ['web/parts/keys.ts', '.modal.show, .dropdown-menu.show', '.never', 'web/parts/keys'],
  ['web/stations/log/Import.tsx', '    setId(next);\n', '', 'web/stations/lives'],
  [
    'web/stations/log/Import.tsx',
    '[...wrong, ...shown.rows.filter((r) => r.errors.length === 0)]',
    '[...shown.rows.filter((r) => r.errors.length === 0), ...wrong]',
    'web/stations/lives',
  ],
];

/** Each with its suite. @throws where the code no longer says what was broken */
export function knownBreaks(): { readonly what: Break; readonly test: string }[] {
  return KNOWN.map(([file, from, to, test]) => {
    const content = readFileSync(join(root, file), 'utf8');
    if (content.split(from).length !== 2) throw new Error(`${file} does not say once: ${from}`);
    const line = content.slice(0, content.indexOf(from)).split('\n').length;
    const suite = ['ts', 'tsx'].map((end) => `${test}.test.${end}`).find((path) => existsSync(join(root, path)));
    if (suite === undefined) throw new Error(`there is no suite ${test}`);
    return { what: { file, line, kind: 'known', from, to, broken: content.replace(from, () => to) }, test: suite };
  });
}
