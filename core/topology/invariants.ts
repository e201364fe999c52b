/** Everything that is computed of a diagram, as one record that can be compared. */
import { alexander, alexanderText, determinantOf } from './alexander';
import { jones, laurentMirrored, laurentText, type Laurent } from './bracket';
import { linkingMatrix, partOf, type Diagram } from './diagram';
import { reduced } from './reduce';

export interface Invariants {
  readonly crossings: number;
  /** between each two components, first with second, first with third, second with third ... */
  readonly linking: readonly number[];
  readonly determinant: bigint;
  /** lowest power first */
  readonly alexander: readonly bigint[];
  readonly jones: Laurent;
  /** Jones polynomial of each component alone, where there are several */
  readonly componentJones: readonly Laurent[];
}

/** @param d closed components; the order of the components counts, their direction only in links */
export function invariantsOf(d: Diagram): Invariants {
  const n = d.components.length;
  const matrix = linkingMatrix(d);
  const linking: number[] = [];
  for (let i = 0; i < n; i++) for (let j = i + 1; j < n; j++) linking.push(matrix[i]![j]!);
  const polynomial = alexander(d);
  return {
    crossings: d.signs.length,
    linking,
    determinant: determinantOf(polynomial),
    alexander: polynomial,
    jones: jones(d),
    componentJones: n > 1 ? d.components.map((_, k) => jones(reduced(partOf(d, [k])))) : [],
  };
}

const jonesOf = (i: Invariants, mirrored: boolean) =>
  [i.jones, ...i.componentJones].map((p) => laurentText(mirrored ? laurentMirrored(p) : p)).join(' | ');

/** What two diagrams of one knot must have in common, as a text; with `mirrored` that of the mirror image. */
export function signature(i: Invariants, mirrored = false): string {
  const linking = i.linking.map((l) => (mirrored ? 0 - l : l) + 0).join(',');
  return `lk ${linking} | Delta ${alexanderText(i.alexander)} | V ${jonesOf(i, mirrored)}`;
}
