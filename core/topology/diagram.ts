/**
 * A knot diagram as a combinatorial thing: for each component the order in which crossings are passed,
 * over or under, and the sign of each crossing. Components are closed and oriented; crossings are
 * numbered from 0.
 */
import { fault } from '../errors';
import type { Crossings } from './crossings';

export interface DiagramPass {
  readonly crossing: number;
  readonly over: boolean;
}

export interface Diagram {
  readonly components: readonly (readonly DiagramPass[])[];
  /** sign of each crossing, +1 or -1 */
  readonly signs: readonly (1 | -1)[];
}

/** The diagram of closed lines seen along a direction. */
export function diagramOf(crossings: Crossings, lineCount: number): Diagram {
  const components: DiagramPass[][] = Array.from({ length: lineCount }, () => []);
  const signs = new Array<1 | -1>(crossings.count).fill(1);
  for (const p of crossings.passes) {
    components[p.line]!.push({ crossing: p.crossing, over: p.over });
    signs[p.crossing] = p.sign;
  }
  return { components, signs };
}

/** Crossings numbered anew in the order met, none left out. */
export function renumbered(d: Diagram): Diagram {
  const number = new Map<number, number>();
  const components = d.components.map((c) =>
    c.map((p) => {
      if (!number.has(p.crossing)) number.set(p.crossing, number.size);
      return { crossing: number.get(p.crossing)!, over: p.over };
    }),
  );
  const signs = new Array<1 | -1>(number.size);
  for (const [old, now] of number) signs[now] = d.signs[old]!;
  return { components, signs };
}

/** Seen in a mirror that lies behind it: every crossing reversed. */
export const mirrored = (d: Diagram): Diagram => ({
  components: d.components.map((c) => c.map((p) => ({ ...p, over: !p.over }))),
  signs: d.signs.map((s) => (s > 0 ? -1 : 1)),
});

/** One crossing reversed, nothing else. @throws no-such-crossing */
export function withCrossingReversed(d: Diagram, crossing: number): Diagram {
  if (!(crossing in d.signs)) throw fault('no-such-crossing', { crossing: crossing + 1, count: d.signs.length });
  return {
    components: d.components.map((c) => c.map((p) => (p.crossing === crossing ? { ...p, over: !p.over } : p))),
    signs: d.signs.map((s, k) => (k === crossing ? (s > 0 ? -1 : 1) : s)),
  };
}

/** Some components alone, in the order named; crossings with the others go. */
export function partOf(d: Diagram, which: readonly number[]): Diagram {
  const kept = which.map((k) => d.components[k]!);
  const times = new Map<number, number>();
  for (const p of kept.flat()) times.set(p.crossing, (times.get(p.crossing) ?? 0) + 1);
  return renumbered({ components: kept.map((c) => c.filter((p) => times.get(p.crossing) === 2)), signs: d.signs });
}

/** Which component passes over and which under, for each crossing. */
export function ownersOf(d: Diagram): { over: number; under: number }[] {
  const owners = d.signs.map(() => ({ over: -1, under: -1 }));
  d.components.forEach((c, k) => c.forEach((p) => (owners[p.crossing]![p.over ? 'over' : 'under'] = k)));
  return owners;
}

/** Half the sum of signs between each two components; on the diagonal the writhe of each alone. */
export function linkingMatrix(d: Diagram): number[][] {
  const m = d.components.map(() => d.components.map(() => 0));
  ownersOf(d).forEach(({ over, under }, k) => {
    const s = d.signs[k]!;
    if (over === under) m[over]![over]! += s;
    else {
      m[over]![under]! += s / 2;
      m[under]![over]! += s / 2;
    }
  });
  return m;
}

export const writhe = (d: Diagram): number => d.signs.reduce<number>((sum, s) => sum + s, 0);

/** The edges between passes, numbered along the components: for each pass the one that comes in and the one that goes out. */
function edges(d: Diagram): { over: { in: number; out: number }; under: { in: number; out: number } }[] {
  const at = d.signs.map(() => ({ over: { in: 0, out: 0 }, under: { in: 0, out: 0 } }));
  let base = 0;
  for (const c of d.components) {
    c.forEach((p, k) => {
      at[p.crossing]![p.over ? 'over' : 'under'] = { in: base + k, out: base + ((k + 1) % c.length) };
    });
    base += c.length;
  }
  return at;
}

/**
 * PD code: for each crossing the four edges, counter-clockwise from the one that comes in underneath.
 * Edges are numbered from 0. Components that cross nothing do not stand in it.
 */
export function pdCode(d: Diagram): [number, number, number, number][] {
  return edges(d).map(({ over, under }, k) =>
    d.signs[k]! > 0 ? [under.in, over.out, under.out, over.in] : [under.in, over.in, under.out, over.out],
  );
}

/**
 * Whether the code can be drawn in the plane: every connected piece has Euler characteristic two.
 */
export function isPlanar(d: Diagram): boolean {
  const pd = pdCode(d);
  const n = pd.length;
  if (n === 0) return true;
  // corner k of crossing c lies between its edges k and k + 1; across an edge the corner goes on at the other end
  const ends = new Map<number, { c: number; k: number }[]>();
  pd.forEach((x, c) => x.forEach((e, k) => ends.set(e, [...(ends.get(e) ?? []), { c, k }])));
  const piece = Array.from({ length: n }, (_, i) => i);
  const root = (i: number): number => (piece[i] === i ? i : root(piece[i]!));
  for (const [a, b] of ends.values()) piece[root(a!.c)] = root(b!.c);
  const pieces = new Set(piece.map((_, i) => root(i))).size;
  const seen = new Set<number>();
  let faces = 0;
  for (let start = 0; start < 4 * n; start++) {
    if (seen.has(start)) continue;
    faces++;
    let at = start;
    while (!seen.has(at)) {
      seen.add(at);
      const [c, k] = [at >> 2, at & 3];
      const e = pd[c]![(k + 1) % 4]!;
      const [p, q] = ends.get(e)!;
      const other = p!.c === c && p!.k === (k + 1) % 4 ? q! : p!;
      at = 4 * other.c + other.k;
    }
  }
  return n - 2 * n + faces === 2 * pieces;
}

/** Signed Gauss code, a text per component; crossings numbered from 1 in the order met. */
export function gaussCodeOf(d: Diagram): string[] {
  const { components, signs } = renumbered(d);
  return components.map((c) =>
    c.map((p) => `${p.over ? 'O' : 'U'}${p.crossing + 1}${signs[p.crossing]! > 0 ? '+' : '-'}`).join(' '),
  );
}

const MOST_TOKENS = 2000;

/**
 * Reads a signed Gauss code, a line per component: `open:` or `closed:` (or nothing: closed), then tokens
 * such as `O3+ U1-`. The ends of an open component both lie outside, so that joining them changes nothing.
 * @throws bad-code where it is no such code, code-not-planar where it cannot be drawn
 */
export function parseGaussCode(text: string): { diagram: Diagram; open: boolean[] } {
  const lines = text
    .split('\n')
    .map((l) => l.trim())
    .filter((l) => l !== '');
  if (lines.length === 0) throw fault('bad-code', { reason: 'there is no component in it' });
  const met = new Map<string, { number: number; sign: string; over: boolean; times: number }>();
  const open: boolean[] = [];
  const components = lines.map((line) => {
    const [, kind, rest] = /^(?:(open|closed):)?(.*)$/.exec(line)!;
    open.push(kind === 'open');
    const tokens = rest!
      .trim()
      .split(/\s+/)
      .filter((t) => t !== '');
    if (tokens.length > MOST_TOKENS) throw fault('bad-code', { reason: 'it is too long' });
    return tokens.map((token): DiagramPass => {
      const m = /^([OU])(\d{1,6})([+-])$/.exec(token);
      if (!m) throw fault('bad-code', { reason: `"${token.slice(0, 20)}" is no token such as O3+` });
      const over = m[1] === 'O';
      const before = met.get(m[2]!);
      if (!before) {
        met.set(m[2]!, { number: met.size, sign: m[3]!, over, times: 1 });
        return { crossing: met.size - 1, over };
      }
      if (before.times === 2) throw fault('bad-code', { reason: `crossing ${m[2]!} is passed more than twice` });
      if (before.over === over)
        throw fault('bad-code', { reason: `crossing ${m[2]!} is passed twice ${over ? 'over' : 'under'}` });
      if (before.sign !== m[3]) throw fault('bad-code', { reason: `crossing ${m[2]!} has two signs` });
      before.times = 2;
      return { crossing: before.number, over };
    });
  });
  for (const [name, m] of met)
    if (m.times !== 2) throw fault('bad-code', { reason: `crossing ${name} is passed only once` });
  const diagram = { components, signs: [...met.values()].map((m) => (m.sign === '+' ? (1 as const) : (-1 as const))) };
  if (!isPlanar(diagram)) throw fault('code-not-planar');
  return { diagram, open };
}
