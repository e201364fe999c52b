/**
 * npm run prove [-- --all] [knot[/name] ...]: proves what is stale or missing of what is stored (forms, figures, ways of tying, names,
 * look-alikes), or all of it, and writes the proofs beside the knots. Exit 1 where something does not hold.
 */
import { spawnSync } from 'node:child_process';
import { allItems } from './proofs/items';
import { writeMade } from './proofs/made';
import { called, type Item } from './proofs/proofFile';
import { keep, proveAll, staleItems } from './proofs/proving';

const args = process.argv.slice(2);
const named = args.filter((a) => !a.startsWith('--'));
const [everything, figuresDone] = [args.includes('--all'), args.includes('--after-figures')];

const isNamed = (i: Item) => named.length === 0 || named.includes(i.knot) || named.includes(`${i.knot}/${i.name}`);
const wanted = allItems().filter(isNamed);
if (wanted.length === 0) {
  console.error(`nothing there is called ${named.join(' or ')}: name a knot by its id, or knot/form, or knot/way`);
  process.exit(1);
}
const todo = everything ? wanted : staleItems(wanted);
// naming reads the figures of every form: they come first, and whatever names begins anew with them
const figures = todo.filter((i) => i.kind === 'figures');
const now = figuresDone ? todo.filter((i) => i.kind !== 'figures') : figures.length > 0 ? figures : todo;

const begun = Date.now();
let done = 0;
const proved = await proveAll(now, ({ item, faults }) => {
  done++;
  const share = `${done}/${now.length}`;
  if (faults.length > 0) console.error(`NOT PROVED: ${called(item)}: ${faults.join('; ')}`);
  else if (process.stdout.isTTY) process.stdout.write(`\r${share} ${called(item).padEnd(70)}`);
});
keep(proved);
const bad = proved.filter((p) => p.faults.length > 0).length;
const what = figures.length > 0 && !figuresDone ? 'figures' : 'proofs';
console.log(`${now.length} ${what} made, ${bad} do not hold, in ${((Date.now() - begun) / 1000).toFixed(0)} s`);
let ok = bad === 0;
if (what === 'figures') {
  writeMade('core/inspect/naming/figures/stored.ts');
  const again = spawnSync(process.execPath, [...process.execArgv, import.meta.filename, ...args, '--after-figures'], {
    stdio: 'inherit',
  });
  ok = ok && again.status === 0;
} else writeMade();
process.exit(ok ? 0 : 1);
