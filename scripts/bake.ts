/** npm run bake [id ...]: computes the stored shapes of the knots and the index of the catalogue. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { bakeForm, type Presentation } from '../core/knots/baking';
import type { BakedForm } from '../core/knots/stored';
import { formsToBake } from '../core/knots/eye-variants';
import type { LaidForms } from '../core/knots/laid';
import { entriesText, indexText, inputHash, knotIds, knotsFolder } from './knotFiles';

const wanted = process.argv.slice(2);
for (const id of knotIds()) {
  if (wanted.length > 0 && !wanted.includes(id)) continue;
  const { forms } = (await import(join(knotsFolder, id, 'shape.ts'))) as { forms: LaidForms };
  const { presentation } = (await import(join(knotsFolder, id, 'presentation.ts'))) as { presentation: Presentation | null };
  const out: Record<string, BakedForm> = {};
  for (const form of formsToBake(forms, presentation)) {
    const begun = Date.now();
    out[form.name] = bakeForm(form.make(), form.presentation);
    const b = out[form.name]!;
    const set = b.set ? `ever ${b.set.smallestDistanceEver_ropeDiameters}, tight ${b.set.smallestDistance_ropeDiameters}, rope in knot ${b.set.inKnot_ropeDiameters} d` : 'laid only';
    console.log(`${id} ${form.name}: ${((Date.now() - begun) / 1000).toFixed(1)} s, laid ${b.laidDistance_ropeDiameters} d apart, crossings ${b.laidView.apart_ropeDiameters} d, ${set}`);
  }
  const text = `// Made by \`npm run bake\`. Do not edit.\n/* eslint-disable */\nimport type { BakedKnot } from '../stored';\n\nexport const baked: BakedKnot = ${JSON.stringify({ inputHash: inputHash(id), forms: out })};\n`;
  writeFileSync(join(knotsFolder, id, 'baked.ts'), text);
}
writeFileSync(join(knotsFolder, 'entries.ts'), entriesText(knotIds()));
writeFileSync(join(knotsFolder, 'index.ts'), indexText(knotIds()));
