/**
 * npm run bake [-- knot ...]: bakes the stored shapes of the knots whose sources changed, or of those named; then the lists made of the shelf, then
 * proves what is stale.
 */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import type { BakedForm } from '../core/knots/shape/stored';
import { writeMade } from './proofs/made';
import { pool } from './proofs/pool';
import { authored, bakedFrom, readBaked, shelvedIds, writeBaked } from './proofs/shelf';
import { sourcesOf } from './proofs/sources';

const named = process.argv.slice(2).filter((a) => !a.startsWith('--'));
const unknown = named.filter((id) => !shelvedIds().includes(id));
if (unknown.length > 0) {
  console.error(`no folder on the shelf: ${unknown.join(', ')}. npm run new-knot -- ${unknown[0]} makes one`);
  process.exit(1);
}

const sources = sourcesOf();
const workers = pool();
const failed: string[] = [];
const said = (form: BakedForm) =>
  `laid ${form.laidDistance_ropeDiameters} d apart, crossings ${form.laidView.apart_ropeDiameters} d, on the way ${form.set.smallestDistanceEver_ropeDiameters} d, set ${form.set.smallestDistance_ropeDiameters} d, rope in the knot ${form.set.inKnot_ropeDiameters.value} d`;

await Promise.all(
  shelvedIds().map(async (id) => {
    const { toBake } = await authored(id);
    const inputHash = bakedFrom(id, toBake, sources);
    const before = readBaked(id);
    if (before?.inputHash === inputHash && !named.includes(id)) return;
    const forms = await Promise.all(
      toBake.map(async ({ name }) => {
        const begun = Date.now();
        try {
          const form = await workers.bake(id, name);
          console.log(`${id} ${name}: ${((Date.now() - begun) / 1000).toFixed(0)} s; ${said(form)}`);
          return [name, form] as const;
        } catch (error) {
          failed.push(`${id} ${name}: ${(error as Error).message}`);
          return [name, null] as const;
        }
      }),
    );
    if (forms.every((f): f is readonly [string, BakedForm] => f[1] !== null))
      writeBaked(id, { inputHash, forms: Object.fromEntries(forms) });
  }),
);
await workers.end();
for (const f of failed) console.error(`NOT BAKED: ${f}`);
if (failed.length > 0) {
  console.error('docs/adding-a-knot.md says what each refusal asks for');
  process.exit(1);
}
writeMade('core/knots/catalogue/shelved.ts', 'core/knots/catalogue/entries.ts');
const proof = spawnSync(process.execPath, [...process.execArgv, join(import.meta.dirname, 'prove.ts'), ...named], {
  stdio: 'inherit',
});
if (named.length > 0)
  console.log(
    'a name is told apart from every other: npm run prove proves anew what the others are named as (about two minutes)',
  );
process.exit(proof.status ?? 1);
