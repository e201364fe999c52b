/** npm run bake [id ...]: computes the stored shapes of the knots and the index of the catalogue. A form whose laid form and whose baking are as before is taken from the cache. */
import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { bakeForm } from '../core/knots/baking/baking';
import { bakedBefore, bakingHash, keepBaked } from './bakeCache';
import type { Presentation } from '../core/knots/shape/presentation';
import type { KnotEntry } from '../core/knots/facts/types';
import type { BakedForm } from '../core/knots/shape/stored';
import { formsToBake } from '../core/knots/shape/eye-variants';
import type { LaidForms } from '../core/knots/shape/laid';
import { figuresHash } from './figuresHash';
import { entriesText, indexText, inputHash, knotIds, knotsFolder } from './knotFiles';

const wanted = process.argv.slice(2);
for (const id of knotIds()) {
  if (wanted.length > 0 && !wanted.includes(id)) continue;
  const { forms } = (await import(join(knotsFolder, id, 'shape.ts'))) as { forms: LaidForms };
  const { presentation } = (await import(join(knotsFolder, id, 'presentation.ts'))) as { presentation: Presentation };
  const { entry } = (await import(join(knotsFolder, id, 'entry.ts'))) as { entry: KnotEntry };
  const out: Record<string, BakedForm> = {};
  for (const form of formsToBake(
    forms,
    presentation,
    entry.faults.map((f) => f.id),
  )) {
    const begun = Date.now();
    const laid = form.make();
    const key = bakingHash(laid, form.presentation, form.spread);
    const before = bakedBefore(key);
    if (before) {
      out[form.name] = before;
      continue;
    }
    out[form.name] = bakeForm(laid, form.presentation, form.spread);
    keepBaked(key, out[form.name]!);
    const { set, laidDistance_ropeDiameters, laidView } = out[form.name]!;
    const { low, value, high } = set.inKnot_ropeDiameters;
    console.log(
      `${id} ${form.name}: ${((Date.now() - begun) / 1000).toFixed(1)} s, laid ${laidDistance_ropeDiameters} d apart, crossings ${laidView.apart_ropeDiameters} d, ever ${set.smallestDistanceEver_ropeDiameters}, tight ${set.smallestDistance_ropeDiameters}, rope in knot ${value} d (${low} to ${high})`,
    );
  }
  const text = `// Made by \`npm run bake\`. Do not edit.\n/* eslint-disable */\nimport type { BakedKnot } from '../../shape/stored';\n\nexport const baked: BakedKnot = ${JSON.stringify({ inputHash: inputHash(id), forms: out })};\n`;
  writeFileSync(join(knotsFolder, id, 'baked.ts'), text);
}
const figuresFile = join(knotsFolder, '../inspect/figures.ts');
writeFileSync(join(knotsFolder, 'entries.ts'), entriesText(knotIds()));
writeFileSync(join(knotsFolder, 'index.ts'), indexText(knotIds()));

// in a process of its own: the shapes it reads were written just now
if (!existsSync(figuresFile) || !readFileSync(figuresFile, 'utf8').includes(figuresHash()))
  execFileSync(process.execPath, ['--import', 'tsx', join(import.meta.dirname, 'writeFigures.ts')], {
    stdio: 'inherit',
  });
