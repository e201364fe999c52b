/** node --import ./scripts/lib/typescript.mjs scripts/checkProofs.ts [--hashes | --at-sight] [knot ...]: the proofs of what is stored, as the run looks at them; without what is dear to compute, or with nothing computed. Exit 1 where one is missing, stale or does not hold. */
import { check, type Anew } from './proofs/check';

const args = process.argv.slice(2);
const begun = Date.now();
const anew: Anew = args.includes('--hashes') ? 'nothing' : args.includes('--at-sight') ? 'codes' : 'dear';
const { wrong, said } = await check(
  args.filter((a) => !a.startsWith('--')),
  anew,
);
for (const w of wrong) console.error(w);
console.log(`${said}; ${wrong.length} wrong, in ${((Date.now() - begun) / 1000).toFixed(0)} s`);
process.exit(wrong.length > 0 ? 1 : 0);
