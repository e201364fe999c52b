/**
 * What is proved of a name: that a form, handed in turned, mirrored or not, with noise, coarse or fine, its parts in any order, in each of its
 * states, is named as what it is and never as anything else. Presentations are seeded by the form's own id.
 */
import { faultsWithShape, knotById, shapeOf, wrapsOf } from '../knots/catalogue/catalogue';
import { STATES } from '../knots/facts/types';
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
}

const NOISE = 0.1;

/** A whole number from a text, for a seed. */
const seedOf = (text: string): number =>
  [...text].reduce((sum, c) => (Math.imul(sum, 31) + c.charCodeAt(0)) >>> 0, 7) % 2 ** 30;

export function nameFigures({ knot, form, name }: Nameable): NameFigures {
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
  return { asked: states.length, named, leftOpen, otherwise };
}
