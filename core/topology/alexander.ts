/**
 * Alexander polynomial in one variable, with exact integers: the coloring matrix of the diagram
 * (Alexander 1928) at one whole number so large that the coefficients can be read off the value's digits
 * (Kronecker substitution), its determinant by Bareiss' elimination without fractions.
 */
import type { Diagram } from './diagram';

function bareissDeterminant(matrix: bigint[][]): bigint {
  const m = matrix.map((row) => row.slice());
  const n = m.length;
  let previous = 1n;
  let sign = 1n;
  for (let k = 0; k < n - 1; k++) {
    if (m[k]![k] === 0n) {
      const swap = m.findIndex((row, r) => r > k && row[k] !== 0n);
      if (swap < 0) return 0n;
      [m[k], m[swap]] = [m[swap]!, m[k]!];
      sign = -sign;
    }
    const pivot = m[k]![k]!;
    for (let i = k + 1; i < n; i++) {
      const row = m[i]!;
      const head = row[k]!;
      for (let j = k + 1; j < n; j++) row[j] = (row[j]! * pivot - head * m[k]![j]!) / previous;
    }
    previous = pivot;
  }
  return n === 0 ? 1n : sign * m[n - 1]![n - 1]!;
}

/** The coloring matrix at t: a row per crossing, a column per arc from one under-pass to the next. */
function coloring(d: Diagram, t: bigint): { rows: bigint[][]; arcs: number } {
  let arcs = 0;
  const at = d.signs.map(() => ({ over: 0, entering: 0, leaving: 0 }));
  for (const c of d.components) {
    const unders = c.filter((p) => !p.over).length;
    const own = Math.max(1, unders);
    let arc = 0;
    for (const p of c) {
      if (p.over) at[p.crossing]!.over = arcs + arc;
      else {
        at[p.crossing]!.entering = arcs + arc;
        arc = (arc + 1) % own;
        at[p.crossing]!.leaving = arcs + arc;
      }
    }
    arcs += own;
  }
  const rows = at.map(({ over, entering, leaving }, k) => {
    const row = new Array<bigint>(arcs).fill(0n);
    row[over]! += 1n - t;
    row[d.signs[k]! > 0 ? entering : leaving]! += t;
    row[d.signs[k]! > 0 ? leaving : entering]! -= 1n;
    return row;
  });
  return { rows, arcs };
}

/**
 * The polynomial's coefficients from the lowest power up, freed of factors t and of sign (the last one is
 * positive); empty is zero, as for links that fall apart.
 * @example alexander(trefoil) // [1n, -1n, 1n]
 */
export function alexander(d: Diagram): bigint[] {
  const n = d.signs.length;
  // a coefficient counts states of the diagram, of which there are fewer than 2^n
  const bits = BigInt(n + 3);
  const base = 1n << bits;
  const { rows, arcs } = coloring(d, base);
  if (arcs <= 1) return [1n];
  if (rows.length < arcs) return [];
  let value = bareissDeterminant(rows.slice(1).map((row) => row.slice(1)));
  if (value < 0n) value = -value;
  const c: bigint[] = [];
  while (value !== 0n) {
    let digit = value & (base - 1n);
    if (digit > base >> 1n) digit -= base;
    c.push(digit);
    value = (value - digit) >> bits;
  }
  const from = c.findIndex((v) => v !== 0n);
  return from < 0 ? [] : c.slice(from);
}

/** |Alexander polynomial at -1|: the determinant of a knot or link. */
export function determinantOf(polynomial: readonly bigint[]): bigint {
  const v = polynomial.reduce((sum, c, k) => sum + (k % 2 === 0 ? c : -c), 0n);
  return v < 0n ? -v : v;
}

/** @example "t^2 - t + 1" */
export function alexanderText(c: readonly bigint[]): string {
  const terms = c.flatMap((v, k) => (v === 0n ? [] : [{ v, k }])).reverse();
  if (terms.length === 0) return '0';
  return terms
    .map(({ v, k }, i) => {
      const size = v < 0n ? -v : v;
      const power = k === 0 ? '' : k === 1 ? 't' : `t^${k}`;
      const body = power === '' ? String(size) : size === 1n ? power : `${size}${power}`;
      return i === 0 ? (v < 0n ? `-${body}` : body) : v < 0n ? ` - ${body}` : ` + ${body}`;
    })
    .join('');
}
