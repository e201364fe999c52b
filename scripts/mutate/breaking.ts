/** Makes the breaks: every place where a small change of the code changes what it does, and whether that still compiles. */
import { createInjector } from 'typed-inject';
import { commonTokens } from '@stryker-mutator/api/plugin';
import { createInstrumenter } from '@stryker-mutator/instrumenter';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { root } from '../proofs/sources';

export interface Break {
  readonly file: string;
  readonly line: number;
  readonly kind: string;
  readonly from: string;
  readonly to: string;
  /** The whole file with the break in it. */
  readonly broken: string;
}

/** A text replaced by an empty one is no break of what is done but of how it is worded. */
const LEFT_OUT = ['StringLiteral', 'Regex'];

const silent = {
  isDebugEnabled: () => false,
  ...Object.fromEntries(['trace', 'debug', 'info', 'warn', 'error', 'fatal'].map((k) => [k, () => {}])),
};

/** Every break of a file. */
export async function breaksOf(file: string): Promise<Break[]> {
  const content = readFileSync(join(root, file), 'utf8');
  const instrumenter = createInjector()
    .provideValue(commonTokens.logger, silent as never)
    .injectFunction(createInstrumenter as never) as ReturnType<typeof createInstrumenter>;
  const { mutants } = await instrumenter.instrument([{ name: join(root, file), content, mutate: true }], {
    plugins: null,
    excludedMutations: LEFT_OUT,
    ignorers: [],
  } as never);
  const lines = content.split('\n');
  const at = (p: { line: number; column: number }) =>
    lines.slice(0, p.line).reduce((n, l) => n + l.length + 1, 0) + p.column;
  return mutants
    .filter((m) => m.status !== 'Ignored' && !LEFT_OUT.includes(m.mutatorName))
    .map((m) => {
      const [from, to] = [at(m.location.start), at(m.location.end)];
      return {
        file,
        line: m.location.start.line + 1,
        kind: m.mutatorName,
        from: content.slice(from, to),
        to: m.replacement,
        broken: content.slice(0, from) + m.replacement + content.slice(to),
      };
    });
}

/** Says whether a file still compiles when it is broken; the program is read once. */
export function compiler(): (b: Break) => boolean {
  const { config } = ts.readConfigFile(join(root, 'tsconfig.json'), (f) => ts.sys.readFile(f)) as { config: object };
  const { fileNames, options } = ts.parseJsonConfigFileContent(config, ts.sys, root);
  const held = new Map<string, { text: string; version: number }>();
  const service = ts.createLanguageService({
    getScriptFileNames: () => fileNames,
    getScriptVersion: (f) => String(held.get(f)?.version ?? 0),
    getScriptSnapshot: (f) => {
      const text = held.get(f)?.text ?? ts.sys.readFile(f);
      return text === undefined ? undefined : ts.ScriptSnapshot.fromString(text);
    },
    getCurrentDirectory: () => root,
    getCompilationSettings: () => options,
    getDefaultLibFileName: (o) => ts.getDefaultLibFilePath(o),
    fileExists: (f) => ts.sys.fileExists(f),
    readFile: (f) => ts.sys.readFile(f),
    readDirectory: (...a) => ts.sys.readDirectory(...a),
    directoryExists: (d) => ts.sys.directoryExists(d),
    getDirectories: (d) => ts.sys.getDirectories(d),
  });
  const hold = (f: string, text: string) => held.set(f, { text, version: (held.get(f)?.version ?? 0) + 1 });
  return ({ file, broken }) => {
    const path = join(root, file);
    hold(path, broken);
    const ok = service.getSyntacticDiagnostics(path).length === 0 && service.getSemanticDiagnostics(path).length === 0;
    hold(path, readFileSync(path, 'utf8'));
    return ok;
  };
}
