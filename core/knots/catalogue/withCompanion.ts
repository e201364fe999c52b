/** A knot with another one tied to it: the one door to their shapes, right and with what can be wrong. */
import type { FaultId } from '../facts/faultTable';
import type { ShapeState } from '../facts/types';
import type { Companion } from '../facts/uses';
import type { ComposedRope } from '../shape/laid';
import type { ShapeComponent } from '../shape/stored';
import { backedWater, type Backups } from '../shelf/water-knot/shape';
import { tiedBehind, tiedBehindBoth, type BehindFault } from './behind';
import { shapeOf } from './catalogue';
import { withStopperInTag } from './together';

/** Of two tapes: one that is backed on both sides, on one, or with a gap. */
const TAPE_BACKED: Readonly<Record<string, Backups>> = {
  right: { sides: 2 },
  'stopper-gap': { sides: 2, gap: true },
  'backup-one-side': { sides: 1 },
};

const tapeOf = (name: 'rope' | 'second-rope', { points, first, last, tape }: ComposedRope): ShapeComponent => ({
  name,
  role: name,
  closed: false,
  diameter: 1,
  points,
  marks: { standing: [0, first], tail: [last, points.length - 1] },
  ...(tape && { tape }),
});

function made(knot: string, companion: Companion, state: ShapeState, fault: FaultId | undefined): ShapeComponent[] {
  // without it the knot stands alone
  if (fault === 'stopper-missing') return shapeOf(knot, 'right', state);
  const wrong = fault as BehindFault | undefined;
  if (companion === 'stopper-in-tag') return withStopperInTag(knot, state, fault === 'stopper-gap');
  if (companion === 'stopper-behind') return tiedBehind(knot, state, 2, wrong);
  if (companion === 'two-strand-backup') return tiedBehind(knot, state, 1, wrong);
  if (knot !== 'water-knot') return tiedBehindBoth(knot, state, wrong);
  const { rope, second } = backedWater(state, TAPE_BACKED[fault ?? 'right']!);
  return [tapeOf('rope', rope), tapeOf('second-rope', second)];
}

const known = new Map<string, readonly ShapeComponent[]>();

/**
 * The components of a knot that is joined with a companion (`isJoined`), in a state.
 * @param fault one that `faultsOfJoined` names
 */
export function withCompanion(
  knot: string,
  companion: Companion,
  state: ShapeState,
  fault?: FaultId,
): readonly ShapeComponent[] {
  const key = [knot, companion, state, fault ?? ''].join(' ');
  const there = known.get(key);
  if (there) return there;
  const components = made(knot, companion, state, fault);
  known.set(key, components);
  return components;
}
