/**
 * What is proved of a form that can be shown: where it differs from the right one there is a place on both, on the rope and no larger than the
 * knot; and of its name: that a form, handed in turned, mirrored or not, with noise, coarse or fine, its parts in any order, in each of its
 * states, is named as what it is and never as anything else. Presentations are seeded by the form's own id.
 */
import { distance } from '../curve';
import { faultsWithShape, knotById, shapeOf, wrapsOf } from '../knots/catalogue/catalogue';
import { differingPlace } from '../knots/catalogue/differs';
import { STATES, type ShapeState } from '../knots/facts/types';
import { identify } from '../inspect/naming/identify';
import { presented, seeded } from '../inspect/naming/presentations';
import type { Entered } from '../inspect/naming/specimen';

/** A form that can be shown, and the name by which it is asked for: `right` or a fault. */
export interface Nameable {
  readonly knot: string;
  readonly form: string;
  readonly name: string;
}

/** Every form of a knot that can be shown. */
export function nameables(knot: string): Nameable[] {
  const { variants } = knotById(knot).entry;
  return [
    { knot, form: 'right', name: 'right' },
    ...faultsWithShape(knot).map((f) => ({ knot, form: f, name: f })),
    ...wrapsOf(knot)
      .slice(1)
      .map((n) => ({ knot, form: `wraps-${n}`, name: 'right' })),
    ...(variants ?? []).map((v) => ({ knot, form: v.form, name: 'right' })),
  ];
}

export interface NameFigures {
  /** how often it was handed in, and named so, or left open or unknown */
  readonly asked: number;
  readonly named: number;
  readonly leftOpen: number;
  /** what else it was named as */
  readonly otherwise: readonly string[];
  /** of a wrong form: where it differs, on it and on the right one */
  readonly places: readonly PlaceFigures[];
}

interface PlaceFigures {
  readonly state: ShapeState;
  readonly on: 'wrong' | 'right';
  readonly radius: number;
  /** from its middle to the nearest point of the rope */
  readonly offRope: number;
}

const NOISE = 0.1;

/** A whole number from a text, for a seed. */
const seedOf = (text: string): number =>
  [...text].reduce((sum, c) => (Math.imul(sum, 31) + c.charCodeAt(0)) >>> 0, 7) % 2 ** 30;

/** Where a wrong form differs from the right one, in every state, on both. */
function placesOf({ knot, form, name }: Nameable): PlaceFigures[] {
  if (name === 'right') return [];
  return STATES.flatMap((state) =>
    (['wrong', 'right'] as const).map((on): PlaceFigures => {
      const [shown, against] = on === 'wrong' ? [form, 'right'] : ['right', form];
      const harness = form === 'one-harness-point' && state !== 'laid' ? 'both' : null;
      const { centre, radius } = differingPlace(knot, shown, against, state, harness);
      const { points } = shapeOf(knot, shown, state)[0]!;
      const offRope = Math.min(...points.map((p) => distance(p, centre)));
      return { state, on, radius: round(radius), offRope: round(offRope) };
    }),
  );
}

const round = (x: number): number => Math.round(x * 1e4) / 1e4;

export function nameFigures(nameable: Nameable): NameFigures {
  const { knot, form, name } = nameable;
  const otherwise: string[] = [];
  let [named, leftOpen] = [0, 0];
  // what is not set is shown as its dressed form, set or not
  const states = form === 'loose' ? (['tight'] as const) : STATES;
  states.forEach((state) => {
    const seed = seedOf(`${knot}/${form}/${state}`);
    const random = seeded(seed);
    const change = { turned: true, mirrored: random() < 0.5, noise: NOISE, step: 0.2 + 0.6 * random(), shuffled: true };
    const { matches } = identify(presented(shapeOf(knot, form, state) as readonly Entered[], change, seed));
    if (matches.some((m) => m.knot === knot && (m.fault ?? 'right') === name)) named++;
    else if (matches.length === 0) leftOpen++;
    else otherwise.push(`${state}: ${matches.map((m) => `${m.knot}/${m.fault ?? 'right'}`).join(', ')}`);
  });
  return { asked: states.length, named, leftOpen, otherwise, places: placesOf(nameable) };
}
