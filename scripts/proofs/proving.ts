/** Proves what is asked and writes it beside the knots. Figures come first: naming reads those of every form. */
import { allItems, faultsOf, Origins } from './items';
import { pool, type Pool } from './pool';
import {
  called,
  KINDS,
  readProofs,
  sealed,
  writeProofs,
  type Item,
  type Kind,
  type KnotProofs,
  type Proof,
} from './proofFile';
import { shelvedIds } from './shelf';
import { sourcesOf } from './sources';

export interface Proved {
  readonly item: Item;
  readonly proof: Proof;
  readonly faults: readonly string[];
}

/** The longer a kind takes, the earlier it is begun: a form drawn up last would be waited for alone. */
const LONGEST_FIRST: readonly Kind[] = ['form', 'look-alikes', 'way', 'name', 'figures', 'place'];
const rank = ({ kind }: Item): number => LONGEST_FIRST.indexOf(kind);

/**
 * Proves items in a pool, without writing anything.
 * @param onProved told of each as it is done
 * @param given a pool that goes on afterwards; one of its own, ended here, where none is given
 */
export async function proveAll(
  items: readonly Item[],
  onProved: (p: Proved) => void = () => {},
  given?: Pool,
): Promise<Proved[]> {
  const workers = given ?? pool();
  const origins = new Origins(sourcesOf());
  const inOrder = items.slice().sort((a, b) => rank(a) - rank(b));
  try {
    return await Promise.all(
      inOrder.map(async (item) => {
        const from = origins.of(item);
        const figures = await workers.prove(item);
        const p = { item, proof: sealed(item, from, figures), faults: await faultsOf(item, figures) };
        onProved(p);
        return p;
      }),
    );
  } finally {
    if (!given) await workers.end();
  }
}

/** Puts proofs into their files. Those of forms and ways that are no more are taken out; what is not proved is not written. */
export function keep(proved: readonly Proved[]): void {
  for (const knot of shelvedIds()) {
    const own = proved.filter((p) => p.item.knot === knot && p.faults.length === 0);
    const before = readProofs(knot);
    const wanted = new Set(
      allItems()
        .filter((i) => i.knot === knot)
        .map(called),
    );
    const after: KnotProofs = {};
    for (const kind of KINDS) {
      const all = {
        ...before[kind],
        ...Object.fromEntries(own.filter((p) => p.item.kind === kind).map((p) => [p.item.name, p.proof])),
      };
      after[kind] = Object.fromEntries(
        Object.entries(all).filter(([name]) => wanted.has(called({ kind, knot, name }))),
      );
    }
    if (JSON.stringify(after) !== JSON.stringify(before)) writeProofs(knot, after);
  }
}

/** Items whose proof is missing or from other sources than now. */
export function staleItems(items: readonly Item[]): Item[] {
  const origins = new Origins(sourcesOf());
  return items.filter((i) => readProofs(i.knot)[i.kind]?.[i.name]?.from !== origins.of(i));
}
