/** Of all that is in the store, what a knot is tied in for a life load. */
import type { RopeRow } from '../../contract';

export type TieableRope = RopeRow & { readonly kind: NonNullable<RopeRow['kind']>; readonly diameter_mm: number };
const isTieable = (r: RopeRow): r is TieableRope => r.kind !== null && r.diameter_mm !== null;
export const tieable = (ropes: readonly RopeRow[]): TieableRope[] => ropes.filter(isTieable);
/** In service, without damage that nothing was done about. */
export const forLife = (ropes: readonly RopeRow[]): TieableRope[] =>
  tieable(ropes).filter((r) => r.state === 'in-service');
