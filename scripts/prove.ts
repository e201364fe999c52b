/** npm run prove [knot[/way]]: proves every way of tying on exactly the frames that are handed out, and says by how much each thing holds. Exit 1 where one does not. */
import { namesOf } from '../core/inspect/naming/namesOf';
import { CATALOGUE } from '../core/knots/catalogue/shelved';
import { proveWay } from '../core/knots/tying/proving';

const wanted = process.argv[2];
let bad = 0;
let ways = 0;
const begun = Date.now();
for (const { entry, ways: told } of CATALOGUE)
  for (const way of Object.keys(told)) {
    if (wanted && wanted !== entry.id && wanted !== `${entry.id}/${way}`) continue;
    const p = proveWay(entry.id, way, namesOf);
    ways++;
    if (p.faults.length > 0) bad++;
    console.log(
      `${`${p.knot} ${p.way}`.padEnd(46)} ${p.keys} key frames, ${p.frames} in all; nearest ${p.smallest.toFixed(2)}, ${(100 * p.largestShare).toFixed(0)} % of the bound, length ${(100 * p.lengthStrays).toFixed(1)} %${p.endsOutside === null ? '' : `, ends ${p.endsOutside.toFixed(2)} reaches away`}${p.faults.length > 0 ? `  NOT PROVED: ${p.faults.join('; ')}` : ''}`,
    );
  }
console.log(`${ways} ways, ${bad} not proved, in ${((Date.now() - begun) / 1000).toFixed(0)} s`);
process.exit(bad > 0 || ways === 0 ? 1 : 0);
