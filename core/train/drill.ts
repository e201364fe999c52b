/**
 * A presentation for practising to spot what is wrong: a knot, right in about a third of cases, otherwise with one of its faults that show in
 * the rope; which hand, which state; seeded, so that the same seed is the same drill. With it goes the key.
 */
import { knotById, knotIds, faultsWithShape } from '../knots/catalogue/catalogue';
import { fault as refusal } from '../errors';
import { differingPlace } from '../knots/catalogue/differs';
import type { ShapeState } from '../knots/facts/types';
import type { FaultId } from '../knots/facts/faultTable';
import type { Fault } from '../knots/facts/types';
import { seeded } from '../inspect/naming/presentations';

export const RIGHT_SHARE = 1 / 3;
const LEFT_SHARE = 0.2;

/** Faults that a picture of the rope alone cannot show, or shows only beside the right one. */
const NOT_BY_SIGHT: readonly string[] = ['tail-long', 'tail-short', 'load-strand-outside', 'one-harness-point'];

export interface DrillKey {
  readonly right: boolean;
  readonly fault: FaultId | null;
  /** of the fault; null for a right one */
  readonly text: Pick<Fault, 'name' | 'arises' | 'shows' | 'verdict' | 'what_to_do'> | null;
  readonly verdict: 'meets-the-rule' | 'put-right' | 'take-out-and-retie';
  /** where it shows on the front, rope diameters; the back has x the other way round */
  readonly where: { readonly x: number; readonly y: number; readonly radius: number } | null;
}

export interface Drill {
  readonly seed: number;
  readonly knot: string;
  readonly name: string;
  readonly state: ShapeState;
  readonly hand: 'right' | 'left';
  /** the face that is shown first */
  readonly face: 'front' | 'back';
  readonly key: DrillKey;
  /** names among which the answer is chosen, in a seeded order: the fault's own and others of this knot */
  readonly choices: readonly { readonly fault: FaultId; readonly name: string }[];
}

/** Faults of a knot that can be spotted by sight. */
export const faultsBySight = (knot: string): FaultId[] => {
  const { entry } = knotById(knot);
  const shown = faultsWithShape(knot);
  return entry.faults
    .filter((f) => shown.includes(f.id) && f.verdict !== 'remark' && !NOT_BY_SIGHT.includes(f.id))
    .map((f) => f.id);
};

function shuffled<T>(items: readonly T[], random: () => number): T[] {
  const out = items.slice();
  for (let i = out.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [out[i], out[j]] = [out[j]!, out[i]!];
  }
  return out;
}

/**
 * @param seed any whole number from 0
 * @param knots which knots to take from; all of them where none is named
 * @throws unknown-knot; bad-input where none of them has a fault that can be spotted
 */
export function drill(seed: number, knots: readonly string[] = []): Drill {
  for (const k of knots) knotById(k);
  const among = (knots.length > 0 ? knots : knotIds()).filter((k) => faultsBySight(k).length > 0);
  if (among.length === 0)
    throw refusal('bad-input', {}, [
      { path: 'body.knots', message: 'none of these knots has a fault that shows in a picture' },
    ]);
  const random = seeded(seed);
  const knot = among[Math.floor(random() * among.length)]!;
  const { entry } = knotById(knot);
  const right = random() < RIGHT_SHARE;
  const faults = faultsBySight(knot);
  const fault = right ? null : faults[Math.floor(random() * faults.length)]!;
  const hand = random() < LEFT_SHARE ? 'left' : 'right';
  const face = random() < 0.5 ? 'front' : 'back';
  const state: ShapeState = 'tight';
  const own = entry.faults.find((f) => f.id === fault);
  const place = fault === null ? null : differingPlace(knot, fault, 'right', state);
  const others = shuffled(
    faults.filter((f) => f !== fault),
    random,
  ).slice(0, 4);
  const choices = shuffled([...(fault === null ? [] : [fault]), ...others], random).map((id) => ({
    fault: id,
    name: entry.faults.find((f) => f.id === id)!.name,
  }));
  return {
    seed,
    knot,
    name: entry.names[0],
    state,
    hand,
    face,
    choices,
    key: {
      right,
      fault,
      text: own
        ? { name: own.name, arises: own.arises, shows: own.shows, verdict: own.verdict, what_to_do: own.what_to_do }
        : null,
      verdict: own === undefined ? 'meets-the-rule' : own.verdict === 'put-right' ? 'put-right' : 'take-out-and-retie',
      where: place && {
        x: hand === 'left' ? -place.centre[0] : place.centre[0],
        y: place.centre[1],
        radius: place.radius,
      },
    },
  };
}
