/**
 * Alexander polynomial of a knot, evaluated at a whole number with exact integers (Bareiss elimination
 * of the coloring matrix; Alexander 1928). Defined up to sign and powers of t: both are taken out.
 * Value at -1 is the knot's determinant. One closed line only; links are not modelled here.
 */
import type { Crossings } from './crossings';

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
    for (let i = k + 1; i < n; i++)
      for (let j = k + 1; j < n; j++) m[i]![j] = (m[i]![j]! * m[k]![k]! - m[i]![k]! * m[k]![j]!) / previous;
    previous = m[k]![k]!;
  }
  return n === 0 ? 1n : sign * m[n - 1]![n - 1]!;
}

/**
 * |Alexander polynomial at t|, freed of factors t.
 * @param crossings of one closed line
 * @param t a whole number other than 0 and 1
 * @example alexanderAt(trefoil, -1n) // 3n
 */
export function alexanderAt(crossings: Crossings, t: bigint): bigint {
  const n = crossings.count;
  if (n < 2) return 1n;
  const arcCount = n;
  const rows: bigint[][] = Array.from({ length: n }, () => new Array<bigint>(arcCount).fill(0n));
  const over = new Array<number>(n).fill(0);
  const entering = new Array<number>(n).fill(0);
  const leaving = new Array<number>(n).fill(0);
  const sign = new Array<number>(n).fill(1);
  let arc = 0;
  for (const pass of crossings.passes) {
    sign[pass.crossing] = pass.sign;
    if (pass.over) over[pass.crossing] = arc;
    else {
      entering[pass.crossing] = arc;
      arc = (arc + 1) % arcCount;
      leaving[pass.crossing] = arc;
    }
  }
  for (let c = 0; c < n; c++) {
    const row = rows[c]!;
    row[over[c]!]! += 1n - t;
    row[(sign[c]! > 0 ? entering : leaving)[c]!]! += t;
    row[(sign[c]! > 0 ? leaving : entering)[c]!]! -= 1n;
  }
  let value = bareissDeterminant(rows.slice(1).map((row) => row.slice(1)));
  if (value < 0n) value = -value;
  const base = t < 0n ? -t : t;
  if (base > 1n) while (value !== 0n && value % base === 0n) value /= base;
  return value;
}
