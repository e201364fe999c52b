/** A knot of the catalogue with what a person touched changed: crossings of its laid form reversed. What it then is, and what is known of that. */
import { knotById, shapeOf } from '../../knots/catalogue/catalogue';
import { withCrossingsReversed } from '../../knots/laying/operations';
import type { ShapeComponent } from '../../knots/shape/stored';
import type { Fault, PullGrade } from '../../knots/facts/types';
import { stateOfChange } from './changes';
import type { Name } from './forms';
import { identify, type Identified } from './identify';

const isRope = (c: ShapeComponent) => c.role === 'rope' || c.role === 'second-rope' || c.role === 'sling';

/**
 * The laid form with crossings reversed.
 * @param crossings numbered from 1 along the ropes, as the laid picture's front numbers them
 * @throws unknown-knot, no-such-crossing, strands-touch where a crossing cannot be reversed by itself
 */
export function withTouched(knot: string, crossings: readonly number[], form = 'right'): ShapeComponent[] {
  const components = shapeOf(knot, form, 'laid');
  const ropes = components.filter(isRope);
  const changed = withCrossingsReversed(
    ropes.map((c) => c.points),
    crossings,
    undefined,
    ropes.map((c) => c.closed),
  );
  return components.map((c) => (isRope(c) ? { ...c, points: changed[ropes.indexOf(c)]! } : c));
}

/** What the catalogue says of a form that is named: how it comes about, what it does, what to do. */
export interface Known extends Name {
  readonly name: string;
  readonly fault_text: Pick<Fault, 'name' | 'arises' | 'shows' | 'verdict' | 'what_to_do' | 'source'> | null;
  /** what it does under which pull */
  readonly pulls: readonly PullGrade[];
}

/**
 * @returns for a right form its own pulls; for a wrong one what its entry says it does, or the pulls of the knot that it then is; empty where that is not known
 */
export function knownOf({ knot, fault }: Name): Known {
  const { entry } = knotById(knot);
  const own = entry.faults.find((f) => f.id === fault);
  if (!own) return { knot, fault, name: entry.names[0]!, fault_text: null, pulls: entry.pulls };
  const { made } = own;
  // it is another knot and does what that one does; or it is this one, loaded otherwise
  const becomes =
    made?.by === 'knot' && (made.form ?? 'right') === 'right'
      ? knotById(made.knot).entry.pulls
      : made?.by === 'ends-exchanged'
        ? entry.pulls.filter((p) => p.pull === 'tail-eye' || p.pull === 'cross')
        : [];
  const { name, arises, shows, verdict, what_to_do, source } = own;
  return {
    knot,
    fault,
    name: entry.names[0]!,
    fault_text: { name, arises, shows, verdict, what_to_do, source },
    pulls: own.does ?? becomes,
  };
}

export interface Touched {
  readonly components: readonly ShapeComponent[];
  readonly identified: Identified;
  readonly known: readonly Known[];
}

/**
 * @param crossings none where a wrong form as a whole is meant
 * @throws as withTouched, and what identifying throws of the changed shape
 */
export function touched(knot: string, crossings: readonly number[], form = 'right'): Touched {
  const whole = crossings.length === 0 ? knotById(knot).entry.faults.find((f) => f.id === form) : undefined;
  const components = whole ? shapeOf(knot, form, stateOfChange(whole.id)) : withTouched(knot, crossings, form);
  const identified = identify(components);
  return { components, identified, known: identified.matches.map(knownOf) };
}
