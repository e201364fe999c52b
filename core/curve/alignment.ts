/** Points laid on other points by the best turn and shift. */
import { dot, middleOf, subtract } from './vector';
import type { Point3 } from './types';

/** A rotation about one point and a shift that takes that point to another. */
export interface Turn {
  readonly r: readonly [Point3, Point3, Point3];
  readonly from: Point3;
  readonly to: Point3;
}
/** Where a turn takes a point. */
export const movedBy = ({ r, from, to }: Turn, p: Point3): Point3 => {
  const q = subtract(p, from);
  return [to[0] + dot(r[0], q), to[1] + dot(r[1], q), to[2] + dot(r[2], q)];
};

/**
 * The rotation and shift that lay points on as many others with the least sum of squares (Horn 1987, unit quaternions).
 * @param a at least one point @param b in the same order, as many
 */
export function bestTurn(a: readonly Point3[], b: readonly Point3[]): Turn {
  const [ca, cb] = [middleOf(a), middleOf(b)];
  const m = [
    [0, 0, 0],
    [0, 0, 0],
    [0, 0, 0],
  ];
  a.forEach((p, k) => {
    const [u, v] = [subtract(p, ca), subtract(b[k]!, cb)];
    for (let i = 0; i < 3; i++) for (let j = 0; j < 3; j++) m[i]![j]! += u[i]! * v[j]!;
  });
  const [[xx, xy, xz], [yx, yy, yz], [zx, zy, zz]] = m as [
    [number, number, number],
    [number, number, number],
    [number, number, number],
  ];
  const n = [
    [xx + yy + zz, yz - zy, zx - xz, xy - yx],
    [yz - zy, xx - yy - zz, xy + yx, zx + xz],
    [zx - xz, xy + yx, -xx + yy - zz, yz + zy],
    [xy - yx, zx + xz, yz + zy, -xx - yy + zz],
  ];
  const [w, x, y, z] = largestEigenvector(n);
  const r: Turn['r'] = [
    [w * w + x * x - y * y - z * z, 2 * (x * y - w * z), 2 * (x * z + w * y)],
    [2 * (x * y + w * z), w * w - x * x + y * y - z * z, 2 * (y * z - w * x)],
    [2 * (x * z - w * y), 2 * (y * z + w * x), w * w - x * x - y * y + z * z],
  ];
  return { r, from: ca, to: cb };
}

/** Of a symmetric 4 by 4 matrix, by Jacobi's rotations. */
function largestEigenvector(matrix: readonly (readonly number[])[]): [number, number, number, number] {
  const a = matrix.map((row) => row.slice());
  const v: number[][] = [0, 1, 2, 3].map((i) => [0, 1, 2, 3].map((j) => (i === j ? 1 : 0)));
  for (let sweep = 0; sweep < 24; sweep++)
    for (let p = 0; p < 3; p++)
      for (let q = p + 1; q < 4; q++) {
        const apq = a[p]![q]!;
        if (Math.abs(apq) < 1e-14) continue;
        const theta = (a[q]![q]! - a[p]![p]!) / (2 * apq);
        const t = Math.sign(theta || 1) / (Math.abs(theta) + Math.sqrt(theta * theta + 1));
        const c = 1 / Math.sqrt(t * t + 1);
        const s = t * c;
        for (let k = 0; k < 4; k++) {
          const [akp, akq] = [a[k]![p]!, a[k]![q]!];
          a[k]![p] = c * akp - s * akq;
          a[k]![q] = s * akp + c * akq;
        }
        for (let k = 0; k < 4; k++) {
          const [apk, aqk] = [a[p]![k]!, a[q]![k]!];
          a[p]![k] = c * apk - s * aqk;
          a[q]![k] = s * apk + c * aqk;
          const [vkp, vkq] = [v[k]![p]!, v[k]![q]!];
          v[k]![p] = c * vkp - s * vkq;
          v[k]![q] = s * vkp + c * vkq;
        }
      }
  let best: number = 0;
  for (let i = 1; i < 4; i++) if (a[i]![i]! > a[best]![best]!) best = i;
  return [v[0]![best]!, v[1]![best]!, v[2]![best]!, v[3]![best]!];
}
