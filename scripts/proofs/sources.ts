/**
 * The source that a result comes from, and its hash: the files reached by imports, transpiled and without comments, so that neither a type nor a
 * line break makes anything stale. Lists of the catalogue that are made by a command are left out: what they hold is hashed as data by whoever
 * depends on it; key frames are worked out anew by what proves them. Error codes are left out: a new one changes no result.
 */
import { transformSync } from 'esbuild';
import { init, parse } from 'es-module-lexer';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';

await Promise.resolve(init);

export const root = join(import.meta.dirname, '../..');
/** Read by path from the root, so that tests can look at a copy. */
export interface Sources {
  /** @param files by path from the root @returns SHA-256 over all source that their results come from */
  readonly hash: (...files: readonly string[]) => string;
  /** the files reached, themselves among them, in order */
  readonly reached: (...files: readonly string[]) => readonly string[];
}

const MADE_LISTS = [
  'core/knots/catalogue/shelved.ts',
  'core/knots/catalogue/entries.ts',
  'core/inspect/naming/figures/stored.ts',
  'core/knots/tying/keyFrames.ts',
  'core/inspect/naming/lookalikes/found.ts',
];
const leftOut = (file: string): boolean => MADE_LISTS.includes(file) || file.startsWith('core/errors/');

export const sha256 = (...texts: readonly string[]): string => {
  const hash = createHash('sha256');
  for (const t of texts) hash.update(t).update('\0');
  return hash.digest('hex');
};

interface Module {
  readonly code: string;
  /** files of the project, by path from the root */
  readonly imports: readonly string[];
  /** packages, with their version */
  readonly packages: readonly string[];
}

export function sourcesOf(folder: string = root): Sources {
  const modules = new Map<string, Module>();
  const packageVersions = new Map<string, string>();

  function versionOf(name: string): string {
    const known = packageVersions.get(name);
    if (known) return known;
    const file = join(folder, 'node_modules', name, 'package.json');
    const version = existsSync(file)
      ? (JSON.parse(readFileSync(file, 'utf8')) as { version: string }).version
      : 'built in';
    packageVersions.set(name, version);
    return version;
  }

  function moduleAt(file: string): Module {
    const known = modules.get(file);
    if (known) return known;
    const { code } = transformSync(readFileSync(join(folder, file), 'utf8'), {
      loader: 'ts',
      format: 'esm',
      target: 'es2022',
      minifyWhitespace: true,
      legalComments: 'none',
      tsconfigRaw: { compilerOptions: { verbatimModuleSyntax: true } },
    });
    const named = parse(code)[0].flatMap((i) => (typeof i.specifier === 'string' ? [i.specifier] : []));
    const imports = named
      .filter((n) => n.startsWith('.'))
      .flatMap((n) => {
        const path = relative(folder, join(folder, dirname(file), n));
        const found = [`${path}.ts`, join(path, 'index.ts'), path].find((f) => existsSync(join(folder, f)));
        return found?.endsWith('.ts') ? [found] : [];
      });
    const packages = named
      .filter((n) => !n.startsWith('.') && !n.startsWith('node:'))
      .map((n) =>
        n
          .split('/')
          .slice(0, n.startsWith('@') ? 2 : 1)
          .join('/'),
      );
    const module = { code, imports, packages: packages.map((p) => `${p}@${versionOf(p)}`) };
    modules.set(file, module);
    return module;
  }

  function reached(...files: readonly string[]): readonly string[] {
    const seen = new Set<string>();
    const follow = (file: string) => {
      if (seen.has(file) || leftOut(file)) return;
      seen.add(file);
      moduleAt(file).imports.forEach(follow);
    };
    files.forEach(follow);
    return [...seen].sort();
  }

  const hashes = new Map<string, string>();
  return {
    reached,
    hash: (...files) => {
      const key = files.join(' ');
      const known = hashes.get(key);
      if (known) return known;
      const all = reached(...files);
      const packages = [...new Set(all.flatMap((f) => moduleAt(f).packages))].sort();
      const hash = sha256(...all.map((f) => sha256(f, moduleAt(f).code)), ...packages);
      hashes.set(key, hash);
      return hash;
    },
  };
}
