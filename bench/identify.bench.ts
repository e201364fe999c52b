/**
 * How often a form is named, wrongly named, left open: seeded presentations of every form in every state (turned, mirrored, noise of
 * 0.1 diameters, points 0.2 to 0.8 diameters apart, components in any order), and random tangles. Time of each as a multiple of a fixed piece of arithmetic.
 *   IDIOM_PRESENTATIONS (of each form and state, 7), IDIOM_SEED (1), IDIOM_TANGLES (500)
 */
import { CATALOGUE } from '../core/knots/catalogue/shelved';
import { faultsWithShape, shapeOf, wrapsOf } from '../core/knots/catalogue/catalogue';
import { STATES } from '../core/knots/facts/types';
import { identify, knownForms, type Entered } from '../core/inspect/naming/naming';
import { presented, seeded } from '../core/inspect/naming/presentations';
import { tangle } from '../core/inspect/naming/testing/tangles';
import { percentile, reference_ms } from './measure';

const each = Number(process.env['IDIOM_PRESENTATIONS'] ?? 7);
const firstSeed = Number(process.env['IDIOM_SEED'] ?? 1) * 1_000_000;
const tangles = Number(process.env['IDIOM_TANGLES'] ?? 500);
const forms = CATALOGUE.flatMap(({ entry: { id, variants } }) => [
  { id, form: 'right', fault: null as string | null },
  ...faultsWithShape(id).map((f) => ({ id, form: f as string, fault: f as string })),
  ...wrapsOf(id)
    .slice(1)
    .map((n) => ({ id, form: `wraps-${n}`, fault: null })),
  ...(variants ?? []).map((v) => ({ id, form: v.form, fault: null })),
]);
const reference = reference_ms();
knownForms();

const count = { right: 0, wrong: 0, undecided: 0, unknown: 0 };
const times: number[] = [];
const unnamed = new Map<string, number>();
let seed = firstSeed;
for (const { id, form, fault } of forms)
  for (const state of form === 'loose' ? (['tight'] as const) : STATES)
    for (let n = 0; n < each; n++) {
      const random = seeded(++seed);
      const mirrored = random() < 0.5;
      const shape = presented(
        shapeOf(id, form, state) as readonly Entered[],
        { turned: true, mirrored, noise: 0.1, step: 0.2 + 0.6 * random(), shuffled: true },
        seed,
      );
      const begun = performance.now();
      let found: ReturnType<typeof identify> | null = null;
      try {
        found = identify(shape);
      } catch {
        // refused: it counts as not known
      }
      times.push(performance.now() - begun);
      if (found?.matches.some((m) => m.knot === id && m.fault === fault)) count.right++;
      else {
        count[
          found && found.matches.length > 0 ? 'wrong' : found && found.undecided.length > 0 ? 'undecided' : 'unknown'
        ]++;
        unnamed.set(`${id}/${form} ${state}`, (unnamed.get(`${id}/${form} ${state}`) ?? 0) + 1);
        if (found && found.matches.length > 0)
          console.log(
            `WRONG: ${id}/${form} ${state}, seed ${seed}: ${found.matches.map((m) => `${m.knot}/${m.fault ?? 'right'}`).join(', ')}`,
          );
      }
    }
const all = times.length;
console.log(
  `${forms.length} forms, ${all} presentations: right ${count.right} (${((100 * count.right) / all).toFixed(2)} %), wrong ${count.wrong}, undecided ${count.undecided}, unknown ${count.unknown}`,
);
for (const [what, times] of unnamed) console.log(`  not named ${times} times: ${what}`);
const [p50, p95] = [percentile(times, 0.5), percentile(times, 0.95)];
console.log(
  `identify: p50 ${p50.toFixed(1)} ms (${(p50 / reference).toFixed(3)} references), p95 ${p95.toFixed(1)} ms (${(p95 / reference).toFixed(3)} references of ${reference.toFixed(0)} ms)`,
);

let named = 0;
let seen = 0;
let refused = 0;
for (let k = 1; seen < tangles; k++) {
  try {
    const { matches } = identify([tangle(firstSeed + k, { eye: k % 2 === 0 })]);
    seen++;
    if (matches.length === 0) continue;
    named++;
    console.log(`  tangle ${firstSeed + k} named ${matches.map((m) => `${m.knot}/${m.fault ?? 'right'}`).join(', ')}`);
  } catch {
    refused++;
  }
}
console.log(`${seen} tangles: ${named} named; ${refused} more refused, their strands touch`);
