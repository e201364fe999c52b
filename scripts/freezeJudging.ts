/**
 * npm run freeze-judging -- VERSION: writes judging as it is now, with all that it takes from, into core/judgings/v<VERSION>/judge.js: one file without
 * imports and comments, that never changes again. Done before a version is first recorded with.
 */
import { build } from 'esbuild';
import { existsSync } from 'node:fs';
import { join } from 'node:path';

const version = Number(process.argv[2]);
const out = join(import.meta.dirname, `../core/judgings/v${version}/judge.js`);
if (!Number.isInteger(version) || version < 2) {
  console.error('which version? npm run freeze-judging -- 3');
  process.exit(1);
}
if (existsSync(out) && !process.argv.includes('--again')) {
  console.error(
    `version ${version} is frozen: once it was recorded with it never changes. --again writes one anew that never was`,
  );
  process.exit(1);
}
await build({
  entryPoints: [join(import.meta.dirname, '../core/inspect/judging/verdict.ts')],
  outfile: out,
  bundle: true,
  format: 'esm',
  target: 'es2022',
  legalComments: 'none',
  // a module of which nothing is taken is left out whole: the catalogue above all
  plugins: [
    {
      name: 'no side effects',
      setup: (b) =>
        b.onResolve({ filter: /^\./ }, async (args) => {
          if (args.pluginData === 'resolved') return undefined;
          const found = await b.resolve(args.path, {
            kind: args.kind,
            resolveDir: args.resolveDir,
            importer: args.importer,
            pluginData: 'resolved',
          });
          return { ...found, sideEffects: false };
        }),
    },
  ],
  banner: { js: `// Judging, version ${version}: frozen. Written by npm run freeze-judging; nothing here may change.` },
});
console.log(`written: core/judgings/v${version}/judge.js`);
