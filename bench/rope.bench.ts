/**
 * Time to draw up each knot from laid to tight: per knot, per node and step, and as a multiple of a fixed piece of
 * arithmetic in the same run; bytes of each baked knot, as stored and packed.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { knotIds } from '../core/knots/catalogue/catalogue';
import type { LaidForms } from '../core/knots/shape/laid';
import { tighten } from '../core/rope';
import { reference_ms } from './measure';

const reference = reference_ms();
console.log(`reference ${reference.toFixed(0)} ms`);
const knots = join(import.meta.dirname, '../core/knots/shelf');
for (const id of knotIds()) {
  const { forms } = (await import(join(knots, id, 'shape.ts'))) as { forms: LaidForms };
  const laid = forms['right']!();
  if ('composed' in laid) continue; // no solver takes part
  const begun = performance.now();
  const t = tighten({
    ...laid.drawing,
    ropes: [laid.points, ...(laid.second ? [laid.second.points] : [])],
    closed: [laid.closed ?? false],
  })!;
  const ms = performance.now() - begun;
  const baked = readFileSync(join(knots, id, 'baked.ts'));
  console.log(
    `${id.padEnd(28)} ${String(t.nodeCount).padStart(4)} nodes ${String(t.steps).padStart(6)} steps  ${(ms / 1000).toFixed(2)} s  ${((1e6 * ms) / t.nodeCount / t.steps).toFixed(0)} ns a node and step  ${(ms / reference).toFixed(1)} references; baked ${(baked.length / 1000).toFixed(0)} kB, packed ${(gzipSync(baked).length / 1000).toFixed(0)} kB`,
  );
}
