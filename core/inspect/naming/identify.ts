/**
 * What a specimen is: first the forms as which it lies (fit.ts, apart.ts); where there is none, the forms whose figures it has (topology),
 * nearest first; then what only a length, a gate or a host's direction tells. Several forms may be left: they are named together only where nothing in the rope could tell
 * them apart, otherwise nothing is named and it is said what would decide. A shape that fits no form is unknown, and no name is guessed.
 */
import { STATES } from '../../knots/facts/types';
import { DIRECTIONS, FRONT, regularView } from '../../topology';
import { evidenceOf } from './evidence';
import { ONE_FORM, type Name } from './forms';
import { nearForms, type Near } from './near';
import { agrees, prepared } from './figures/formFigures';
import type { Entered } from './specimen';
import { knownForms, kindOf, fallsApart, fewestCrossings } from './known';
import { lyingAs, bestOfEach, byFigures, withoutRings, type Candidate } from './candidates';
import { withRightOnes, perhapsAsWell, decidedBy } from './unseen';
import { type Need, DECIDES, thingsLie, measured } from './measured';

export interface Match extends Name {
  readonly relation: 'same' | 'mirror';
  /** it lies as the stored form does; or only its figures say so */
  readonly certainty: 'lies-as-stored' | 'by-its-crossings';
}

export interface Undecided {
  readonly between: readonly Name[];
  readonly by: string;
}

export interface Identified {
  /** crossings of its ropes seen from the front (along z) */
  readonly crossings: number;
  readonly matches: readonly Match[];
  readonly near: readonly Near[];
  readonly needs: readonly Need[];
  readonly undecided: readonly Undecided[];
  readonly invariants: Readonly<Record<string, readonly string[]>>;
}

/** Forms are still taken for each other where one fits not much worse than the best. */
const NOT_MUCH_WORSE = { times: 1.6, by: 0.1 };

/** A foreign drawing may show so many more crossings than the stored form at its most tangled. */
const MORE_CROSSINGS = 4;

/** an eye held fast tells more than a rope alone: there a drawing may be more tangled */
const MORE_WITH_AN_EYE = 1.6;

/** A drawing by other hands may have so much less than a stored form's fewest crossings. */
const CROSSINGS_SHARE = 0.7;
const leastCrossings = (c: Candidate): number => Math.min(...STATES.map((s) => fewestCrossings(c.known.states[s])));

const sameName = (a: Name, b: Name) => a.knot === b.knot && a.fault === b.fault;

const distinct = (names: readonly Name[]): Name[] =>
  names.filter((n, i) => names.findIndex((m) => sameName(m, n)) === i);

/**
 * @param components as a shape gives them
 * @throws bad-specimen, shape-not-finite, too-few-points, too-many-points, strands-touch, too-many-crossings
 */
export function identify(components: readonly Entered[]): Identified {
  const p = prepared(components);
  const { lying, nearly } = lyingAs(p);
  const lies = lying.length > 0;
  const evidence = lies ? {} : evidenceOf(p.even);
  const crossings = regularView(p.even.ropes, [FRONT, ...DIRECTIONS]).count;
  const invariants = Object.fromEntries(
    Object.entries(lies ? lying[0]!.known.figures : evidence).map(([name, values]) => [
      name,
      values.map((v) => (lies && lying[0]!.mirror ? v.mirrored : v.as)),
    ]),
  );
  const answer = (found: Partial<Identified>): Identified => ({
    crossings,
    matches: [],
    near: [],
    needs: [],
    undecided: [],
    invariants,
    ...found,
  });
  const ranked = bestOfEach(lies ? lying : byFigures(p, evidence));
  const best = ranked[0];
  const unknown = () =>
    answer({
      near: nearForms(
        p,
        knownForms().map((k) => ({
          form: k.form,
          figures: k.figures,
          free: kindOf(k.states.tight) === '1o0' && (k.things.length === 0 || k.states.tight.laid.eyes.length > 0),
          eyes: k.states.tight.laid.eyes.length,
          plain: k.plain || fallsApart(k.form),
        })),
      ),
    });
  if (!best && nearly.length === 0) return p.laid.eyesKnown ? unknown() : answer({ needs: ['eye-mark', 'object'] });
  // without knowing whether there is an eye only a shape that lies as stored says what it is
  if (!lies && !p.laid.eyesKnown) {
    const seen = fewestCrossings(p);
    // a rope without a crossing is no knot, whatever is marked on it
    if (seen === 0) return answer({});
    // nor is it one that takes far more crossings, seen from wherever
    const could = ranked.filter((c) => seen >= CROSSINGS_SHARE * leastCrossings(c));
    if (could.length === 0) return answer({ needs: ['eye-mark', 'object'] });
    return answer({
      needs: ['eye-mark', 'loaded-ends'],
      undecided: [
        {
          between: distinct(could.flatMap((c) => c.known.form.names)),
          by: 'whether there is an eye, and where its far point is',
        },
      ],
    });
  }
  // what it nearly lies as, and no figure denies
  const perhaps = nearly
    .filter((c) => agrees(evidence, withoutRings(c.known.figures), c.mirror))
    .map((c) => c.known.form);
  if (!lies && perhaps.length > 0)
    return answer({
      undecided: [
        {
          between: distinct([...perhaps, ...ranked.slice(0, 3).map((c) => c.known.form)].flatMap((f) => f.names)),
          by: 'whether every strand lies as in the picture: nearly all of it does, one place does not',
        },
      ],
    });
  if (!best) return p.laid.eyesKnown ? unknown() : answer({ needs: ['eye-mark', 'object'] });
  const alike = ranked.filter(
    (c) => c.apart <= Math.max(best.apart * NOT_MUCH_WORSE.times, best.apart + NOT_MUCH_WORSE.by),
  );
  // where it does not lie as stored, a form with a fault that no figure sees is told by how its pairs lie, or not at all
  const within = lies ? alike : withRightOnes(best.apart <= DECIDES ? alike : ranked, ranked);
  const hidden = lies ? [] : perhapsAsWell(within, p);
  if (
    !lies &&
    fewestCrossings(p) >
      Math.max(...within.flatMap((c) => STATES.map((s) => fewestCrossings(c.known.states[s])))) *
        (p.laid.eyes.length > 0 ? MORE_WITH_AN_EYE : 1) +
        MORE_CROSSINGS
  )
    return unknown();
  const things = within.map((c) => ({ c, ...thingsLie(c, p, lies) }));
  const kept = things.filter((t) => t.agree);
  if (kept.length === 0) return unknown();
  const needs = [...new Set(kept.flatMap((t) => t.needs))];
  const ids = kept.map((t) => t.c.known.form.id);
  const one = ONE_FORM.filter((o) => o.forms.some((f) => ids.includes(f)));
  const groups = new Set(
    ids.map(
      (id) =>
        ONE_FORM.findIndex((o) => o.forms.includes(id)) +
        (ONE_FORM.some((o) => o.forms.includes(id)) ? 0 : 1000 + ids.indexOf(id)),
    ),
  );
  const named = kept.flatMap(({ c }): { c: Candidate; name: Name }[] =>
    c.known.form.names.map((name) => ({ c, name })),
  );
  if (groups.size > 1 || hidden.length > 0) {
    const between = distinct([...named.map((n) => n.name), ...hidden]);
    return answer({ needs, undecided: [{ between, by: decidedBy(between) }] });
  }
  // every form that is this one has its name
  const mates = one
    .flatMap((o) => o.forms)
    .filter((f) => !ids.includes(f))
    .flatMap((id) =>
      knownForms()
        .find((k) => k.form.id === id)!
        .form.names.map((name) => ({ c: kept[0]!.c, name })),
    );
  const undecided: Undecided[] = one.map((o) => ({
    between: distinct([...named, ...mates].map((n) => n.name)),
    by: o.told_by,
  }));
  const certainty = lies ? 'lies-as-stored' : 'by-its-crossings';
  const matches = [...named, ...mates].flatMap(({ c, name }): Match[] => {
    const relation = c.mirror ? 'mirror' : 'same';
    if (name.fault !== null) return [{ ...name, relation, certainty }];
    const { faults, perhaps } = measured(c, name, p, lies);
    for (const f of perhaps)
      undecided.push({
        between: [name, { knot: name.knot, fault: f }],
        by: 'whether every strand was drawn tight: this shape is not drawn up',
      });
    const right: Match[] =
      faults.length > 0
        ? faults.map((f) => ({ knot: name.knot, fault: f, relation, certainty }))
        : [{ ...name, relation, certainty }];
    return [...right, ...perhaps.map((f): Match => ({ knot: name.knot, fault: f, relation, certainty }))];
  });
  return answer({
    matches: matches.filter((m, i) => matches.findIndex((n) => sameName(m, n)) === i),
    needs,
    undecided,
  });
}
