/** Time to tighten each knot, in seconds and as a multiple of a fixed piece of arithmetic in the same run. */
import { tighten } from '../core/rope';
import { forms as bowline } from '../core/knots/bowline/shape';
import { forms as locked } from '../core/knots/bowline-locked/shape';
import { forms as double } from '../core/knots/double-bowline/shape';
import { forms as eight } from '../core/knots/figure-eight-follow-through/shape';
import { reference_ms } from './measure';

const reference = reference_ms();
console.log(`reference ${reference.toFixed(0)} ms`);
for (const [name, make] of [['bowline', bowline.right], ['bowline-locked', locked.right], ['double-bowline', double.right], ['figure-eight-follow-through', eight.right]] as const) {
  const laid = make();
  const begun = performance.now();
  const t = tighten({ ropes: [laid.points], ...laid.drawing! })!;
  const ms = performance.now() - begun;
  console.log(`${name.padEnd(30)} ${t.nodeCount} nodes  ${(ms / 1000).toFixed(2)} s  ${(ms / reference).toFixed(1)} references`);
}
