/** The last whole run of the tests, as a multiple of the machine's own reference: run `npm test` first. */
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { reference_ms } from './measure';

const file = join(import.meta.dirname, '../dist/run.json');
if (!existsSync(file)) console.log('no run to look at: npm test first');
else {
  const run = JSON.parse(readFileSync(file, 'utf8')) as {
    seconds: number;
    flags: readonly string[];
    passed: number;
    failed: number;
  };
  const reference = reference_ms();
  const what = run.flags.length > 0 ? run.flags.join(' ') : 'whole';
  console.log(
    `the last run (${what}): ${run.passed} passed, ${run.failed} failed in ${run.seconds.toFixed(0)} s, ${((1000 * run.seconds) / reference).toFixed(0)} references`,
  );
}
