/** What can differ on a knot beside one crossing: its wrong forms, by the part of the knot where each shows. For a person who touches that part. */
import { faultsWithShape, knotById } from '../../knots/catalogue/catalogue';
import { differingPlace, LARGEST_RING } from '../../knots/catalogue/differs';
import { partOfFault } from '../../knots/facts/faultKinds';
import type { FaultId, Part } from '../../knots/facts/faultTable';

export interface Change {
  readonly fault: FaultId;
  readonly name: string;
  readonly part: Part;
  /** in which state it shows: what only comes about in the set knot does not show in the one laid out */
  readonly state: 'laid' | 'tight';
  /** where on the right knot laid out, rope diameters, the front's x; null where the whole of it differs, or nothing of the rope */
  readonly where: { readonly x: number; readonly y: number; readonly radius: number } | null;
}

const onlyWhenSet = (id: FaultId): boolean => ['set', 'tied-to'].includes(partOfFault({ id }));
/** In which state a fault shows. */
export const stateOfChange = (id: FaultId): Change['state'] => (onlyWhenSet(id) ? 'tight' : 'laid');

const found = new Map<string, readonly Change[]>();
/** Every wrong form of a knot that has a shape, in the entry's order. @throws unknown-knot */
export function changesOf(knot: string): readonly Change[] {
  const before = found.get(knot);
  if (before) return before;
  const { entry } = knotById(knot);
  const shown = faultsWithShape(knot);
  const all = entry.faults
    .filter((f) => shown.includes(f.id))
    .map(({ id, name }): Change => {
      const part = partOfFault({ id });
      const elsewhere = onlyWhenSet(id) || part === 'loaded-end';
      const { centre, radius } = differingPlace(knot, 'right', id, 'laid');
      return {
        fault: id,
        name,
        part,
        state: stateOfChange(id),
        where: elsewhere || radius > LARGEST_RING ? null : { x: centre[0], y: centre[1], radius },
      };
    });
  found.set(knot, all);
  return all;
}
