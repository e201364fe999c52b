/**
 * Kauffman bracket and Jones polynomial. The diagram is taken in crossing by crossing; what is known so
 * far is, for each way in which the loose edges are joined in pairs, a polynomial. The work grows with
 * the number of loose edges (the width of the cut), not with 2^crossings.
 */
import { fault } from '../errors';
import { pdCode, writhe, type Diagram } from './diagram';

/** Whole coefficients of powers low, low + 1, ... of u = A^2. */
interface Poly<N> {
  readonly low: number;
  readonly c: readonly N[];
}

/** The arithmetic: plain numbers while they are exact, BigInt beyond. */
interface Ring<N> {
  readonly zero: N;
  readonly one: N;
  add(a: N, b: N): N;
  negate(a: N): N;
  toBigInt(a: N): bigint;
}

class Inexact extends Error {}

const PLAIN: Ring<number> = {
  zero: 0,
  one: 1,
  add: (a, b) => {
    const s = a + b;
    if (!Number.isSafeInteger(s)) throw new Inexact();
    return s;
  },
  negate: (a) => -a,
  toBigInt: BigInt,
};
const BIG: Ring<bigint> = { zero: 0n, one: 1n, add: (a, b) => a + b, negate: (a) => -a, toBigInt: (a) => a };

function sum<N>(ring: Ring<N>, p: Poly<N>, q: Poly<N>): Poly<N> {
  const low = Math.min(p.low, q.low);
  const high = Math.max(p.low + p.c.length, q.low + q.c.length);
  const c = new Array<N>(high - low).fill(ring.zero);
  for (let i = 0; i < p.c.length; i++) c[p.low - low + i] = p.c[i]!;
  for (let i = 0; i < q.c.length; i++) c[q.low - low + i] = ring.add(c[q.low - low + i]!, q.c[i]!);
  return { low, c };
}

/** Times -(u + 1/u): what a closed loop is worth. */
function timesLoop<N>(ring: Ring<N>, p: Poly<N>): Poly<N> {
  const n = p.c.length;
  const c = new Array<N>(n + 2).fill(ring.zero);
  for (let i = 0; i < n; i++) {
    const v = ring.negate(p.c[i]!);
    c[i] = ring.add(c[i]!, v);
    c[i + 2] = v;
  }
  return { low: p.low - 1, c };
}

/** An order of the crossings in which few edges are loose at a time: each next one shares the most. */
function order(pd: readonly (readonly number[])[]): number[] {
  let best: { order: number[]; width: number; load: number } | null = null;
  const holders = new Map<number, number[]>();
  pd.forEach((x, c) => x.forEach((e) => holders.set(e, [...(holders.get(e) ?? []), c])));
  for (let start = 0; start < pd.length; start++) {
    const loose = new Set<number>();
    const left = new Set(pd.keys());
    const sequence: number[] = [];
    let width = 0;
    let load = 0;
    let next = start;
    while (left.size > 0) {
      left.delete(next);
      sequence.push(next);
      for (const e of pd[next]!) if (!loose.delete(e)) loose.add(e);
      width = Math.max(width, loose.size);
      load += 2 ** (loose.size / 2);
      let most = -1;
      for (const e of loose.size > 0 ? loose : pd[[...left][0] ?? 0]!)
        for (const c of holders.get(e)!) {
          if (!left.has(c)) continue;
          const shared = pd[c]!.reduce((n, x) => n + (loose.has(x) ? 1 : 0), 0);
          if (shared > most) [most, next] = [shared, c];
        }
    }
    if (!best || width < best.width || (width === best.width && load < best.load))
      best = { order: sequence, width, load };
  }
  return best?.order ?? [];
}

/** For each edge the one it is joined to by what is known so far; -1 where it is not met, or done with. */
type Pairing = Int16Array;

/** The loose end at the other side of an edge, which is then done with; the edge itself where it is new. */
function through(pairing: Pairing, edge: number): number {
  const other = pairing[edge]!;
  if (other < 0) return edge;
  pairing[edge] = -1;
  pairing[other] = -1;
  return other;
}

/** Joins two edges in a pairing; true when that closes a loop. */
function join(pairing: Pairing, p: number, q: number): boolean {
  if (pairing[p] === q || p === q) {
    pairing[p] = -1;
    pairing[q] = -1;
    return true;
  }
  const a = through(pairing, p);
  const b = through(pairing, q);
  pairing[a] = b;
  pairing[b] = a;
  return false;
}

function keyOf(pairing: Pairing, loose: readonly number[]): string {
  let key = '';
  for (const e of loose) key += String.fromCharCode(pairing[e]! + 1);
  return key;
}

/** Sum over all smoothings of u^(number of A smoothings) * loop value^(loops). */
function states<N>(ring: Ring<N>, d: Diagram): Poly<N> {
  const pd = pdCode(d);
  let known = new Map<string, { pairing: Pairing; poly: Poly<N> }>([
    ['', { pairing: new Int16Array(2 * pd.length).fill(-1), poly: { low: 0, c: [ring.one] } }],
  ]);
  const loose = new Set<number>();
  for (const crossing of order(pd)) {
    const [a, b, c, e] = pd[crossing]!;
    for (const edge of [a, b, c, e]) if (!loose.delete(edge)) loose.add(edge);
    const ends = [...loose];
    const next: typeof known = new Map();
    for (const { pairing, poly } of known.values())
      for (let smoothing = 0; smoothing < 2; smoothing++) {
        const joined = pairing.slice();
        let value = poly;
        // the A smoothing joins a with b and c with e, and counts one power; the other a with e and b with c
        if (smoothing === 0) value = { low: poly.low + 1, c: poly.c };
        if (join(joined, a, smoothing === 0 ? b : e)) value = timesLoop(ring, value);
        if (join(joined, c, smoothing === 0 ? e : b)) value = timesLoop(ring, value);
        const key = keyOf(joined, ends);
        const there = next.get(key);
        next.set(key, { pairing: joined, poly: there ? sum(ring, there.poly, value) : value });
      }
    known = next;
  }
  let { poly } = known.get('')!;
  for (const c of d.components) if (c.length === 0) poly = timesLoop(ring, poly);
  return poly;
}

/** Divides by the value of one loop, so that a single unknotted loop is worth 1. */
function withoutOneLoop(p: { low: number; c: readonly bigint[] }): { low: number; c: bigint[] } {
  // p = q * -(u + 1/u): from the lowest power up, q[k] = -p[k - 1 + 1] - q[k - 2]
  const q: bigint[] = [];
  for (let k = 0; k < p.c.length - 2; k++) q.push(-p.c[k]! - (q[k - 2] ?? 0n));
  return { low: p.low + 1, c: q };
}

/** A Laurent polynomial with whole coefficients; exponents stand doubled because links have half powers. */
export interface Laurent {
  /** twice the lowest exponent */
  readonly low2: number;
  /** coefficients of exponents low2 / 2, low2 / 2 + 1, ...; first and last are not zero; empty is zero */
  readonly c: readonly bigint[];
}

/**
 * Jones polynomial in t = A^-4, the unknot 1, the right-handed trefoil t + t^3 - t^4.
 * @param d every component closed; at most some 100 crossings are sensible
 */
export function jones(d: Diagram): Laurent {
  if (d.components.length === 0) throw fault('too-few-points');
  let raw: { low: number; c: readonly bigint[] };
  try {
    raw = exact(PLAIN, states(PLAIN, d));
  } catch (error) {
    if (!(error instanceof Inexact)) throw error;
    raw = exact(BIG, states(BIG, d));
  }
  return fromStates(d, raw);
}

/** The same by BigInt alone: the two are held against each other in tests. */
export const jonesByBigInt = (d: Diagram): Laurent => fromStates(d, exact(BIG, states(BIG, d)));

const exact = <N>(ring: Ring<N>, p: Poly<N>) => ({ low: p.low, c: p.c.map((v) => ring.toBigInt(v)) });

function fromStates(d: Diagram, raw: { low: number; c: readonly bigint[] }): Laurent {
  const q = withoutOneLoop(raw);
  const w = writhe(d);
  const n = d.signs.length;
  const sign = w % 2 === 0 ? 1n : -1n;
  // A exponent of power k of u: 2k - n - 3w; t exponent is a quarter of it, negated
  const terms = new Map<number, bigint>();
  q.c.forEach((v, i) => {
    if (v !== 0n) terms.set(-(2 * (q.low + i) - n - 3 * w) / 2, sign * v);
  });
  if (terms.size === 0) return { low2: 0, c: [] };
  const low2 = Math.min(...terms.keys());
  const high2 = Math.max(...terms.keys());
  return { low2, c: Array.from({ length: (high2 - low2) / 2 + 1 }, (_, i) => terms.get(low2 + 2 * i) ?? 0n) };
}

/** The polynomial of the mirror image: t and 1/t change places. */
export const laurentMirrored = (p: Laurent): Laurent =>
  p.c.length === 0 ? p : { low2: -(p.low2 + 2 * (p.c.length - 1)), c: p.c.slice().reverse() };

/** @example "t + t^3 - t^4" */
export function laurentText(p: Laurent): string {
  const terms = p.c.flatMap((v, i) => (v === 0n ? [] : [{ v, e2: p.low2 + 2 * i }]));
  if (terms.length === 0) return '0';
  return terms
    .map(({ v, e2 }, k) => {
      const power = e2 === 0 ? '' : e2 === 2 ? 't' : e2 % 2 === 0 ? `t^${e2 / 2}` : `t^(${e2}/2)`;
      const size = v < 0n ? -v : v;
      const body = power === '' ? String(size) : size === 1n ? power : `${size}${power}`;
      return k === 0 ? (v < 0n ? `-${body}` : body) : v < 0n ? ` - ${body}` : ` + ${body}`;
    })
    .join('');
}
