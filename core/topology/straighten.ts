/**
 * Fewer points, the same knot: a point goes when the flat triangle it makes with its neighbours is met by
 * no other part, for then the two sides can be pulled straight into the third without passing anything
 * (Reidemeister's triangle move; Koniaris and Muthukumar 1991 used it so). Points that stay are never moved.
 * Where a part comes so near to a triangle that rounding could decide, the point stays.
 */
import { orient3d } from 'robust-predicates';
import { cross, dot, norm, subtract, type Line3, type Point3 } from '../curve';

const turn = (a: Point3, b: Point3, c: Point3, d: Point3) =>
  orient3d(a[0], a[1], a[2], b[0], b[1], b[2], c[0], c[1], c[2], d[0], d[1], d[2]);

/** A volume this small a share of the lengths involved counts as flat: no side is taken by a hair. */
const FLAT_SHARE = 1e-10;

const along = (p: Point3, q: Point3) => Math.abs(p[0] - q[0]) + Math.abs(p[1] - q[1]) + Math.abs(p[2] - q[2]);
const flatVolume = (p: Point3, q: Point3, a: Point3, b: Point3, c: Point3) =>
  FLAT_SHARE * (along(p, q) + along(a, b) + along(b, c)) ** 3;

/** Whether the segment p q meets the triangle a b c, or comes so near that it might. */
function meets(p: Point3, q: Point3, a: Point3, b: Point3, c: Point3): boolean {
  const flat = flatVolume(p, q, a, b, c);
  const sp = turn(a, b, c, p);
  const sq = turn(a, b, c, q);
  if ((sp > flat && sq > flat) || (sp < -flat && sq < -flat)) return false;
  const sides = [turn(p, q, a, b), turn(p, q, b, c), turn(p, q, c, a)];
  const outside = sides.some((t) => t > flat) && sides.some((t) => t < -flat);
  // all in one plane: decided by the caller's boxes alone
  return !outside;
}

const below = (t: readonly Point3[], axis: 0 | 1 | 2) => Math.min(t[0]![axis], t[1]![axis], t[2]![axis]);
const above = (t: readonly Point3[], axis: 0 | 1 | 2) => Math.max(t[0]![axis], t[1]![axis], t[2]![axis]);

/** Whether another segment than the two at point i comes through their triangle. */
function blocked(
  lines: readonly Line3[],
  which: number,
  i: number,
  n: number,
  triangle: readonly [Point3, Point3, Point3],
): boolean {
  const [a, b, c] = triangle;
  const [lx, hx, ly, hy, lz, hz] = [
    below(triangle, 0),
    above(triangle, 0),
    below(triangle, 1),
    above(triangle, 1),
    below(triangle, 2),
    above(triangle, 2),
  ];
  for (let k = 0; k < lines.length; k++) {
    const line = lines[k]!.points;
    const m = line.length;
    for (let j = 0; j < (lines[k]!.closed ? m : m - 1); j++) {
      const p = line[j]!;
      const q = line[(j + 1) % m]!;
      if (
        (p[0] < lx && q[0] < lx) ||
        (p[0] > hx && q[0] > hx) ||
        (p[1] < ly && q[1] < ly) ||
        (p[1] > hy && q[1] > hy) ||
        (p[2] < lz && q[2] < lz) ||
        (p[2] > hz && q[2] > hz)
      )
        continue;
      if (k === which) {
        const before = (i - 1 + n) % n;
        if (j === before || j === i) continue;
        // the neighbours touch the triangle at a corner by right; they must not come back through it
        if ((j + 1) % m === before || j === (i + 1) % n) {
          const far = j === (i + 1) % n ? q : p;
          if (Math.abs(turn(a, b, c, far)) <= flatVolume(p, q, a, b, c)) return true;
          continue;
        }
      }
      if (meets(p, q, a, b, c)) return true;
    }
  }
  return false;
}

/** Whether b lies on the way from a to c, as far as numbers tell: then it is no corner. */
function onTheWay(a: Point3, b: Point3, c: Point3): boolean {
  const [u, v] = [subtract(b, a), subtract(c, b)];
  return norm(cross(u, v)) <= 1e-13 * norm(u) * norm(v) && dot(u, v) > 0;
}

/**
 * The lines with as few of their own points as this finds: closed ones at least three, open ones at least their two ends, which stay.
 * @param lines lines without common points
 * @param most only lines with at most so many points are worked on: the time grows with the square
 */
export function straightened(lines: readonly Line3[], most = 4000): Line3[] {
  const current = lines.map(({ points, closed }) => ({ points: points.slice(), closed }));
  if (current.reduce((n, l) => n + l.points.length, 0) > most) return [...lines];
  for (let changed = true; changed;) {
    changed = false;
    for (let k = 0; k < current.length; k++)
      for (
        let i = current[k]!.closed ? 0 : 1;
        i < current[k]!.points.length - (current[k]!.closed ? 0 : 1) &&
        current[k]!.points.length > (current[k]!.closed ? 3 : 2);
        i++
      ) {
        const line = current[k]!.points;
        const n = line.length;
        const triangle = [line[(i - 1 + n) % n]!, line[i]!, line[(i + 1) % n]!] as const;
        if (!onTheWay(...triangle) && blocked(current, k, i, n, triangle)) continue;
        line.splice(i, 1);
        i--;
        changed = true;
      }
  }
  return current;
}
