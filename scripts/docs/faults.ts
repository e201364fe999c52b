/** The text of docs/faults.md: every fault of every knot, how it is made, what it comes to. Made from the entries. */
import { faultsWithShape } from '../../core/knots/catalogue/catalogue';
import { CATALOGUE } from '../../core/knots/catalogue/shelved';
import { kindOfFault, operationOf } from '../../core/knots/facts/faultKinds';

const KINDS = {
  path: 'path',
  load: 'loaded strand',
  wraps: 'wraps',
  object: 'object',
  measure: 'a measure',
  'not-in-the-shape': 'not in the shape',
} as const;

export function faultsMarkdown(): string {
  const rows = CATALOGUE.flatMap(({ entry, baked }) =>
    entry.faults.map((f) => {
      const shown = faultsWithShape(entry.id).includes(f.id);
      const kind = shown ? kindOfFault(f) : 'not-in-the-shape';
      const becomes =
        f.made?.by === 'knot'
          ? `${f.made.knot}${f.made.form && f.made.form !== 'right' ? `, ${f.made.form}` : ''}`
          : shown
            ? 'a form of its own'
            : '–';
      const does =
        f.does?.map((d) => `${d.pull}: ${d.grade}, ${d.what_happens} (${d.source})`).join('; ') ??
        (f.made?.by === 'knot' ? 'as that knot' : 'not known: take out and retie');
      return {
        kind,
        shown,
        row: `| \`${entry.id}\` | \`${f.id}\` | ${f.name} | ${operationOf(f, f.id in baked.forms)} | ${KINDS[kind]} | ${becomes} | ${does} | ${f.verdict} | ${f.source} |`,
      };
    }),
  );
  const count = (of: (r: (typeof rows)[number]) => boolean) => rows.filter(of).length;
  return [
    '# Faults',
    '',
    'Made by `npm run docs` from the entries. Do not edit. A fault is made from the right shape by one named operation; what is not in the shape of the rope (a gate, the thickness of a cord, a stopper that was not tied) has none.',
    '',
    `${rows.length} faults of ${CATALOGUE.length} knots; ${count((r) => r.shown)} have a shape: ${(['path', 'load', 'wraps', 'object', 'measure'] as const).map((k) => `${count((r) => r.kind === k)} change ${k === 'path' ? 'the path' : k === 'load' ? 'the loaded strand' : k === 'wraps' ? 'wraps' : k === 'object' ? 'the object' : 'one measure'}`).join(', ')}.`,
    '',
    '| knot | fault | called | operation | changes | it then is | what that does | verdict | source |',
    '|---|---|---|---|---|---|---|---|---|',
    ...rows.map((r) => r.row),
    '',
  ].join('\n');
}
