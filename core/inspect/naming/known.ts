/** Every form that can be named, made ready once: its figures, and its three states as they are compared with a specimen. */
import { knotById, shapeOf, storedForm } from '../../knots/catalogue/catalogue';
import type { ShapeComponent } from '../../knots/shape/stored';
import { ROUND_ITS_OBJECT, STATES, type ShapeState } from '../../knots/facts/types';
import { DIRECTIONS, regularView } from '../../topology';
import { stored } from './figures/stored';
import { allForms, type Form } from './forms';
import { figuresIn } from './figures/storedFigures';
import { preparedForm, type Figures, type Prepared } from './figures/formFigures';
import { pairsOf, type Pairs } from './pairs';

/** A form in its three states, and its figures. */
export interface Known {
  readonly form: Form;
  readonly figures: Figures;
  readonly states: Readonly<Record<ShapeState, Prepared>>;
  readonly things: readonly ShapeComponent[];
  /** how its pairs lie where it is laid out */
  readonly pairs: Pairs;
  /** no figure of it is more than that of plain rope: only how it lies can tell it */
  readonly plain: boolean;
}

/** Figures of ropes that are not knotted, or only hang in each other. */
const PLAIN = /^(?:0|1)?\|(?:1|-t\^\(-1\/2\) - t\^\(1\/2\)|-1|t\^\(1\/2\)[^|]*)\|(?:1(?: & 1)*)?(?: D 1)?$/;

const isPlain = (figures: Figures): boolean =>
  Object.entries(figures).every(([name, values]) => name.startsWith('turns') || values.every((v) => PLAIN.test(v.as)));

/** Fewest crossings from a handful of directions. */
const FEW = DIRECTIONS.filter((_, k) => k % 4 === 0);

export function fewestCrossings({ even }: Prepared): number {
  return Math.min(...FEW.map((d) => regularView(even.ropes, [d, ...DIRECTIONS]).count));
}

/** The three states of a form, each made ready when it is first asked for. */
function statesOf(form: Form): Readonly<Record<ShapeState, Prepared>> {
  const made: Partial<Record<ShapeState, Prepared>> = {};
  const states = {} as Record<ShapeState, Prepared>;
  for (const state of STATES)
    Object.defineProperty(states, state, { enumerable: true, get: () => (made[state] ??= preparedForm(form, state)) });
  return states;
}

const thingsOf = ({ knot, form }: Form): readonly ShapeComponent[] =>
  shapeOf(knot, form, 'tight').filter((c) => c.role === 'ring' || c.role === 'post' || c.role === 'host');

let known: readonly Known[] | null = null;

/** Every form that can be named, once. */
export function knownForms(): readonly Known[] {
  known ??= (() => {
    const figures = figuresIn(stored);
    return allForms().map((form): Known => {
      const states = statesOf(form);
      const own = figures[form.id] ?? {};
      let pairs: Pairs | undefined;
      let things: readonly ShapeComponent[] | undefined;
      return {
        form,
        figures: own,
        states,
        get things() {
          return (things ??= thingsOf(form));
        },
        plain: isPlain(own),
        get pairs() {
          return (pairs ??= pairsOf(states.laid.template.gauges));
        },
      };
    });
  })();
  return known;
}

/** How much wider or narrower a post may be than the stored one. */
const POST_RATIO = 1.35;

export const kindOf = (p: Prepared) =>
  `${p.laid.ropes.length}${p.laid.ropes[0]!.closed ? 'c' : 'o'}${p.laid.bars.length}`;

/** Rings of a specimen that the form lies round or hangs in; other rings are what its eye holds. */
export const ringsOf = (k: Known) => k.things.filter((t) => t.role === 'ring').length;

/** Whether a form can be meant at all: as many ropes and eyes, and what it lies round is there. */
export function couldBe(k: Known, p: Prepared): boolean {
  const own = k.states.tight;
  if (kindOf(own) !== kindOf(p)) return false;
  if (own.laid.eyes.length !== p.laid.eyes.length && p.laid.eyesKnown) return false;
  // what a hitch lies round has to be there; in an eye there may hang anything
  const needed = own.laid.eyes.length === 0 || ROUND_ITS_OBJECT.includes(knotById(k.form.knot).entry.family);
  if (needed && ringsOf(k) !== p.laid.rings.length) return false;
  return (
    !knotById(k.form.knot).entry.faults.some((f) => f.id === 'post-too-thin') ||
    Math.abs(Math.log(p.laid.bars[0]!.diameter / own.laid.bars[0]!.diameter)) <= Math.log(POST_RATIO)
  );
}

/** A wrong form that is no knot once it is pulled is one of many: only a shape that lies as it does is it. */
export const fallsApart = ({ knot, form }: Form): boolean =>
  form !== 'right' && storedForm(knot, form).composed === true;
