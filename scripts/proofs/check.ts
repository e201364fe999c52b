/**
 * What the run asks of the proofs: every one there, from the sources of now, sealed, and holding; crossing codes and invariants of every stored
 * form computed anew; and the dear part proved anew of a tenth, drawn by the commit's id, and of all that the last commits touched.
 */
import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { allItems, faultsOf, Origins } from './items';
import { madeFiles } from './made';
import { pool, type Pool } from './pool';
import { called, KINDS, parseProofs, proofPath, readProofs, sealOf, type Item, type Proof } from './proofFile';
import { proveAll } from './proving';
import { authored, bakedFrom, readBaked, shelvedIds } from './shelf';
import { root, sha256, sourcesOf } from './sources';

/** Commits whose proofs are proved anew. */
const LAST_COMMITS = 20;
/** Of the others one in so many. */
const ONE_IN = 10;

const git = (...args: readonly string[]): string | null => {
  try {
    return execFileSync('git', args, {
      cwd: root,
      encoding: 'utf8',
      stdio: ['ignore', 'pipe', 'ignore'],
      maxBuffer: 2 ** 28,
    });
  } catch {
    return null;
  }
};

export interface Drawn {
  readonly items: readonly Item[];
  readonly touched: number;
  /** how it was drawn, for people */
  readonly said: string;
}

/** A proof of a knot as it was some commits ago; undefined where there was none. */
const proofsAt = (commit: string, knot: string) => {
  const text = git('show', `${commit}:${proofPath(knot)}`);
  return text === null ? {} : parseProofs(text);
};

/** What is proved anew in this run. @param items of which @param id of the commit, or any text */
export function drawn(items: readonly Item[], id = git('rev-parse', 'HEAD')?.trim() ?? 'no commit'): Drawn {
  const history =
    git('rev-list', '--first-parent', `--max-count=${LAST_COMMITS + 1}`, 'HEAD')
      ?.trim()
      .split('\n') ?? [];
  // a history that was cut short, or is shorter, begins with everything at once: that touched nothing
  const base = history.at(-1);
  const changed = base
    ? (git('diff', '--name-only', base, '--', 'core/knots/shelf/*/proof.json')?.trim().split('\n') ?? [])
    : [];
  const touched = new Set<string>();
  for (const knot of new Set(items.map((i) => i.knot))) {
    if (!base || !changed.includes(proofPath(knot))) continue;
    const before = proofsAt(base, knot);
    const now = readProofs(knot);
    for (const i of items)
      if (i.knot === knot && JSON.stringify(before[i.kind]?.[i.name]) !== JSON.stringify(now[i.kind]?.[i.name]))
        touched.add(called(i));
  }
  const isDrawn = (i: Item) => parseInt(sha256(id, called(i)).slice(0, 8), 16) % ONE_IN === 0;
  const all = items.filter((i) => touched.has(called(i)) || isDrawn(i));
  return {
    items: all,
    touched: touched.size,
    said: `${all.length} of ${items.length}: ${touched.size} touched by the last ${history.length - 1} commits, the others drawn by ${id.slice(0, 10)}`,
  };
}

/** Numbers may differ in what a machine's arithmetic makes of them. */
const NEARLY = 1e-4;
export function sameFigures(a: unknown, b: unknown): boolean {
  if (typeof a === 'number' && typeof b === 'number') return Math.abs(a - b) <= NEARLY * Math.max(1, Math.abs(a));
  if (a === null || b === null || typeof a !== 'object' || typeof b !== 'object') return a === b;
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  return [...keys].every((k) => sameFigures((a as Record<string, unknown>)[k], (b as Record<string, unknown>)[k]));
}

/** Everything that can be seen without computing: by name, what is wrong. */
export async function wrongAtSight(items: readonly Item[]): Promise<string[]> {
  const wrong: string[] = [];
  const sources = sourcesOf();
  const origins = new Origins(sources);
  for (const [file, text] of Object.entries(madeFiles()))
    if (readFileSync(join(root, file), 'utf8') !== text)
      wrong.push(`${file}: not what the shelf gives; run npm run bake`);
  for (const knot of new Set(items.map((i) => i.knot))) {
    const { toBake } = await authored(knot);
    if (readBaked(knot)?.inputHash !== bakedFrom(knot, toBake, sources))
      wrong.push(`shapes of ${knot}: stale, what they come from has changed; run npm run bake`);
    const proofs = readProofs(knot);
    const wanted = new Set(items.filter((i) => i.knot === knot).map(called));
    for (const kind of KINDS)
      for (const name of Object.keys(proofs[kind] ?? {}))
        if (!wanted.has(called({ kind, knot, name })))
          wrong.push(`${called({ kind, knot, name })}: proved, but not there`);
  }
  for (const item of items) {
    const proof: Proof | undefined = readProofs(item.knot)[item.kind]?.[item.name];
    if (!proof) wrong.push(`${called(item)}: no proof; run npm run prove`);
    else if (proof.from !== origins.of(item))
      wrong.push(`${called(item)}: stale, what it comes from has changed; run npm run prove`);
    else if (proof.seal !== sealOf(item, proof.from, proof.figures))
      wrong.push(`${called(item)}: its figures are not those that were proved`);
    else for (const f of await faultsOf(item, proof.figures)) wrong.push(`${called(item)}: ${f}`);
  }
  return wrong;
}

/** Crossing codes, invariants and the laid form of every stored form, against what was proved. */
export async function wrongWhenReadAgain(knots: readonly string[], workers: Pool): Promise<string[]> {
  const all = await Promise.all(
    knots.map(async (knot) => {
      const proved = readProofs(knot).form ?? {};
      return Object.entries(await workers.cheapFigures(knot)).flatMap(([name, now]) => {
        const before = (proved[name]?.figures ?? {}) as Record<string, unknown>;
        return Object.entries(now)
          .filter(([figure, is]) => JSON.stringify(before[figure]) !== JSON.stringify(is))
          .map(([figure]) => `form ${knot}/${name}: ${figure} computed anew is not what was proved`);
      });
    }),
  );
  return all.flat();
}

/** Proved anew, and held against what is written. */
export async function wrongWhenProvedAgain(items: readonly Item[], workers: Pool): Promise<string[]> {
  const again = await proveAll(items, undefined, workers);
  return again.flatMap(({ item, proof, faults }) => {
    const before = readProofs(item.knot)[item.kind]?.[item.name];
    if (faults.length > 0) return [`${called(item)}: proved anew it does not hold: ${faults.join('; ')}`];
    return sameFigures(before?.figures, proof.figures) ? [] : [`${called(item)}: proved anew it has other figures`];
  });
}

/** Beyond what is seen at sight: nothing; crossing codes and invariants; the dear part too. */
export type Anew = 'nothing' | 'codes' | 'dear';

/** @param knots which; all where none is named @param anew what is computed anew */
export async function check(knots: readonly string[], anew: Anew): Promise<{ wrong: string[]; said: string }> {
  const items = allItems().filter((i) => knots.length === 0 || knots.includes(i.knot));
  const all = [...new Set(items.map((i) => i.knot))];
  const missing = shelvedIds().filter((id) => !existsSync(join(root, 'core/knots/shelf', id, 'baked.ts')));
  const seen = [...missing.map((id) => `${id}: not baked; run npm run bake`), ...(await wrongAtSight(items))];
  const looked = `proofs of ${items.length} things looked at`;
  if (anew === 'nothing') return { wrong: seen, said: `${looked}, nothing computed anew` };
  const { items: again, said } = drawn(items);
  const workers = pool();
  try {
    const read = await wrongWhenReadAgain(all, workers);
    const proved = anew === 'dear' ? await wrongWhenProvedAgain(again, workers) : [];
    return {
      wrong: [...seen, ...read, ...proved],
      said: `${looked}, codes and invariants computed anew; proved anew ${anew === 'dear' ? said : 'none'}`,
    };
  } finally {
    await workers.end();
  }
}
