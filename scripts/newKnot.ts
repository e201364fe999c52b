/**
 * npm run new-knot -- <id> [--like <knot>]: makes a folder on the shelf with every file begun, from a knot that is made the same way. What it
 * makes bakes as it stands; it is not the new knot yet. docs/adding-a-knot.md says what each file decides.
 */
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import type { KnotEntry } from '../core/knots/facts/types';
import { SHELF, shelvedIds } from './proofs/shelf';
import { root } from './proofs/sources';

const USUAL = 'overhand-stopper';
const refuse = (text: string): never => {
  console.error(text);
  process.exit(1);
};

const { positionals, values } = parseArgs({
  args: process.argv.slice(2),
  allowPositionals: true,
  options: { like: { type: 'string' } },
});
const like = values.like ?? USUAL;
const id =
  positionals[0] ??
  refuse('name the new knot by its id, as in: npm run new-knot -- left-hand-stopper --like overhand-stopper');
if (!/^[a-z]+(-[a-z0-9]+)*$/.test(id))
  refuse(`"${id}" is no id: lower-case words joined by hyphens, the field's own term, as in double-fishermans`);
if (shelvedIds().includes(id)) refuse(`${id} stands on the shelf already: ${SHELF}/${id}`);
if (!shelvedIds().includes(like)) refuse(`${like} is no knot of the shelf. Those there: ${shelvedIds().join(', ')}`);

const [from, to] = [join(root, SHELF, like), join(root, SHELF, id)];
const { entry } = (await import(join(from, 'entry.ts'))) as { entry: KnotEntry };
const name = id.replaceAll('-', ' ').replace(/^./, (c) => c.toUpperCase());

/** The words of another file of the folder it is copied from stay where they are: they are shared. */
const shared = (text: string): string =>
  text.replace(/from '\.\/([\w-]+)'/g, (all, file: string) =>
    COPIED.includes(`${file}.ts`) ? all : `from '../${like}/${file}'`,
  );
const COPIED = ['shape.ts', 'presentation.ts', 'entry.ts', 'ways.ts', 'allowed.ts'];

const begun: Record<string, (text: string) => string> = {
  'shape.ts': (text) =>
    `// Begun from ${like}: say this knot instead, and in the first line which form that is and why.\n${shared(text)}`,
  'presentation.ts': (text) =>
    `// Begun from ${like}: look at both faces of what is baked, and choose the front once.\n${shared(text)}`,
  'entry.ts': (text) =>
    shared(text)
      .replace(`id: '${entry.id}'`, `id: '${id}'`)
      .replace(/names: \[[^\]]*\]/, `names: ['${name}']`)
      .replace(/form_certainty: '[^']*'/, "form_certainty: 'one-derivation'")
      .replace(/form_text: (?:'(?:[^'\\]|\\.)*'|"[^"]*")/, `form_text: 'begun from ${like}: held against nothing yet'`)
      .replace(/ways: \[[\s\S]*?\n? *\],\n(?=\} as const)/, 'ways: [],\n')
      .replace(/^/, `// Begun from ${like}: every fact is to be looked at, each with its source.\n`),
  'ways.ts': () =>
    "import type { WayOfTying } from '../../moving/way';\n\nexport const ways: Readonly<Record<string, WayOfTying>> = {};\n",
  'allowed.ts': (text) => shared(text),
};

mkdirSync(to);
for (const file of readdirSync(from).filter((f) => COPIED.includes(f)))
  writeFileSync(join(to, file), begun[file]!(readFileSync(join(from, file), 'utf8')));
if (!existsSync(join(to, 'ways.ts'))) writeFileSync(join(to, 'ways.ts'), begun['ways.ts']!(''));
console.log(`${SHELF}/${id} is begun, made as ${like} is: ${readdirSync(to).join(', ')}`);
console.log(`next: say the knot in shape.ts, its facts in entry.ts, then npm run bake -- ${id}`);
