/**
 * What a specimen is: first the forms as which it lies (fit.ts, apart.ts); where there is none, the forms whose figures it has (topology),
 * nearest first; then what only a length, a gate or a host's direction tells. Several forms may be left: they are named together only where nothing in the rope could tell
 * them apart, otherwise nothing is named and it is said what would decide. A shape that fits no form is unknown, and no name is guessed.
 */
import { distance, type Line3, type Point3 } from '../../curve';
import { knotById, shapeOf, storedForm } from '../../knots/catalogue/catalogue';
import { SHORT_TAIL_ROPE_DIAMETERS } from '../../knots/catalogue/changes';
import { type ShapeComponent } from '../../knots/shape/stored';
import { STATES, type ShapeState } from '../../knots/facts/types';
import type { FaultId } from '../../knots/facts/types';
import { closedApart, DIRECTIONS, FRONT, regularView } from '../../topology';
import { evidenceOf, linkingOf, type Evidence } from './evidence';
import { stored } from './figures/stored';
import { apartAllAlong } from './apart';
import { beginningsOf, fitOf, type Fit, type Template } from './fit';
import { allForms, ONE_FORM, type Form, type Name } from './forms';
import { nearForms, type Near } from './near';
import { figuresIn } from './figures/storedFigures';
import { agrees, prepared, preparedForm, type Figures, type Prepared } from './figures/formFigures';
import { pairsOf, type Pairs } from './pairs';
import type { Entered } from './specimen';

export interface Match extends Name {
  readonly relation: 'same' | 'mirror';
  /** it lies as the stored form does; or only its figures say so */
  readonly certainty: 'lies-as-stored' | 'by-its-crossings';
}
export type Need = 'eye-mark' | 'loaded-ends' | 'object' | 'gate' | 'other-end-of-the-gripped-rope';
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

/** A form in its three states, and its figures. */
interface Known {
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
function fewestCrossings({ even }: Prepared): number {
  return Math.min(...FEW.map((d) => regularView(even.ropes, [d, ...DIRECTIONS]).count));
}

let known: readonly Known[] | null = null;
/** Every form that can be named, made ready once. */
export function knownForms(): readonly Known[] {
  known ??= (() => {
    const figures = figuresIn(stored);
    return allForms().map((form): Known => {
      const states = Object.fromEntries(STATES.map((s) => [s, preparedForm(form, s)])) as Record<ShapeState, Prepared>;
      const own = figures[form.id] ?? {};
      return {
        form,
        figures: own,
        states,
        things: shapeOf(form.knot, form.form, 'tight').filter(
          (c) => c.role === 'ring' || c.role === 'post' || c.role === 'host',
        ),
        plain: isPlain(own),
        pairs: pairsOf(states.laid.template.gauges),
      };
    });
  })();
  return known;
}

/** As near as this to a stored form a shape lies as it does: on the whole, and everywhere, less than half of what strands are apart. Diameters. */
const LIES_AS = { mean: 0.2, most: 0.485 };
/** Not much farther than that it lies nearly as the stored form does, and something differs: then figures alone name nothing. */
const NEARLY = { mean: 0.3, most: 1.6 };
/** Forms are still taken for each other where one fits not much worse than the best. */
const NOT_MUCH_WORSE = { times: 1.6, by: 0.1 };
/** A foreign drawing may show so many more crossings than the stored form at its most tangled. */
const MORE_CROSSINGS = 4;
/** an eye held fast tells more than a rope alone: there a drawing may be more tangled */
const MORE_WITH_AN_EYE = 1.6;
/** A fit this near decides between forms with the same figures; a worse one says nothing, diameters. */
const DECIDES = 0.9;
/** Faults by which strands or wraps lie over each other otherwise: no figure sees them. */
const UNSEEN: readonly string[] = ['pair-crossed', 'pair-twisted', 'strands-crossed', 'crossed-wraps'];
/** of these the ones that can be seen where pairs are laid out flat */
const PAIRED: readonly string[] = ['pair-crossed', 'pair-twisted'];

/** Families whose knots lie round their object: without it they are no knots. */
const ROUND_ITS_OBJECT: readonly string[] = ['hitch', 'friction'];
/** How much wider or narrower a post may be than the stored one. */
const POST_RATIO = 1.35;

interface Candidate {
  readonly known: Known;
  readonly mirror: boolean;
  readonly state: ShapeState;
  readonly fit: Fit;
  /** the specimen's ropes stand in the other order than the form's */
  readonly turned: boolean;
  readonly apart: number;
}

const kindOf = (p: Prepared) => `${p.laid.ropes.length}${p.laid.ropes[0]!.closed ? 'c' : 'o'}${p.laid.bars.length}`;

/** Rings of a specimen that the form lies round or hangs in; other rings are what its eye holds. */
const ringsOf = (k: Known) => k.things.filter((t) => t.role === 'ring').length;

/** Whether a form can be meant at all: as many ropes and eyes, and what it lies round is there. */
function couldBe(k: Known, p: Prepared): boolean {
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

const inOrder = (p: Prepared, turned: boolean) => (turned ? p.template.gauges.slice().reverse() : p.template.gauges);
const orders = (k: Known) =>
  k.states.tight.laid.ropes.length === 2 && k.states.tight.laid.eyes.length === 0 ? [false, true] : [false];

/** Farther apart than this at first sight a form is not laid on the specimen more closely: diameters, and a share of the rope that is compared. */
const AT_FIRST_SIGHT = { by: 1.2, share: 0.009 };
const knotLength = ({ gauges, places }: Template): number =>
  gauges.reduce(
    (sum, _, rope) =>
      sum + (places.findLast((q) => q.rope === rope)?.s ?? 0) - (places.find((q) => q.rope === rope)?.s ?? 0),
    0,
  );

/** Ropes whose lengths differ by no more than this may be one form's whole ropes, as a share and in diameters. */
const AS_LONG = { share: 0.03, by: 1.5 };

const asLong = (template: Template, gauges: Prepared['template']['gauges']): boolean =>
  template.gauges.every(
    (g, k) => Math.abs(g.s.at(-1)! - gauges[k]!.s.at(-1)!) <= AS_LONG.by + AS_LONG.share * g.s.at(-1)!,
  );

type Nearly = Pick<Candidate, 'known' | 'mirror'>;

/** Forms as which the specimen lies, nearest first. Those whose ropes are as long are looked at first; the others where none of them is it. */
function lyingAs(p: Prepared): { lying: Candidate[]; nearly: Nearly[] } {
  const nearly: Nearly[] = [];
  const looked = (wanted: boolean) =>
    knownForms()
      .filter((k) => couldBe(k, p))
      .flatMap((k): Candidate[] =>
        orders(k).flatMap((turned) => {
          const gauges = inOrder(p, turned);
          return STATES.flatMap((state): Candidate[] => {
            const { template } = k.states[state];
            if (asLong(template, gauges) !== wanted) return [];
            const unless = AT_FIRST_SIGHT.by + AT_FIRST_SIGHT.share * knotLength(template);
            const begun = beginningsOf(template, gauges, unless);
            return [false, true].flatMap((mirror): Candidate[] => {
              const fit = fitOf(template, gauges, mirror, unless, begun);
              if (!fit || fit.apart > NEARLY.mean) return [];
              const all = apartAllAlong(template, gauges, fit, mirror);
              if (all.mean <= NEARLY.mean && all.most <= NEARLY.most) nearly.push({ known: k, mirror });
              return all.mean <= LIES_AS.mean && all.most <= Math.max(LIES_AS.most, k.states[state].closest / 2)
                ? [{ known: k, mirror, state, fit: all.fit, turned, apart: all.mean }]
                : [];
            });
          });
        }),
      )
      .sort((a, b) => a.apart - b.apart);
  const found = looked(true);
  return { lying: found.length > 0 ? found : looked(false), nearly };
}

/** Forms that differ from the right one by the size of an eye alone: a drawing's eye may have any size. */
const SIZES: readonly string[] = ['eye-too-large', 'ears-unequal'];
/** A wrong form that is no knot once it is pulled is one of many: only a shape that lies as it does is it. */
const fallsApart = ({ knot, form }: Form): boolean => form !== 'right' && storedForm(knot, form).composed === true;
const withoutRings = (figures: Figures): Figures =>
  Object.fromEntries(Object.entries(figures).filter(([name]) => !name.includes('ring')));

/** Figures that every form has to have which is named by its figures. */
const TELLING: readonly string[] = [
  'alone',
  'second alone',
  'eye',
  'each with itself',
  'standing with tail',
  'standing with standing',
  'with the bar',
  'all together',
];

/** Forms whose figures the specimen has, nearest first. */
function byFigures(p: Prepared, evidence: Evidence): Candidate[] {
  return knownForms()
    .filter((k) => couldBe(k, p) && !k.plain && !fallsApart(k.form) && !SIZES.includes(k.form.form))
    .flatMap((k): Candidate[] => {
      const wanted = ringsOf(k);
      if (wanted === 0 && p.laid.rings.some((_, n) => Number(evidence[`turns in ring ${n + 1}`]?.[0]?.as ?? 0) > 1))
        return [];
      const figures = wanted > 0 && wanted === p.laid.rings.length ? k.figures : withoutRings(k.figures);
      // a form that has no figure of its own where the specimen has one is not told by figures
      if (Object.keys(evidence).some((name) => TELLING.includes(name) && !figures[name])) return [];
      return [false, true].flatMap((mirror): Candidate[] => {
        if (!agrees(evidence, figures, mirror)) return [];
        const all = orders(k).flatMap((turned) =>
          STATES.map((state): Candidate => {
            const fit = fitOf(k.states[state].template, inOrder(p, turned), mirror)!;
            return { known: k, mirror, state, turned, fit, apart: fit.apart };
          }),
        );
        return [all.reduce((x, y) => (y.apart < x.apart ? y : x))];
      });
    })
    .sort((a, b) => a.apart - b.apart);
}

const middle = (points: readonly Point3[], [a, b]: readonly [number, number]): Point3 =>
  points[Math.round((a + b) / 2)]!;

/** Whether gate and host lie as in the form; null where the specimen does not say. */
function thingsLie(c: Candidate, p: Prepared, lies: boolean): { agree: boolean; needs: Need[] } {
  const needs: Need[] = [];
  let agree = true;
  for (const t of shapeOf(c.known.form.knot, c.known.form.form, c.state)) {
    if (t.role === 'ring' && t.marks?.gate && knotById(c.known.form.knot).entry.family === 'hitch') {
      const [gate] = p.laid.gates;
      // in a foreign drawing that fits badly it may lie anywhere
      if (!gate || (!lies && c.fit.apart > DECIDES)) needs.push('gate');
      else if (distance(c.fit.lay(middle(t.points, t.marks.gate)), gate) > 3) agree = false;
    }
    if (t.role === 'host' && t.marks?.standing) {
      const [anchor] = p.laid.anchors;
      if (!anchor) needs.push('other-end-of-the-gripped-rope');
      else {
        const up = c.fit.lay(middle(t.points, t.marks.standing));
        const down = c.fit.lay(t.points[0]!);
        if (distance(up, anchor) > distance(down, anchor)) agree = false;
      }
    }
  }
  return { agree, needs };
}

const sameName = (a: Name, b: Name) => a.knot === b.knot && a.fault === b.fault;
const distinct = (names: readonly Name[]): Name[] =>
  names.filter((n, i) => names.findIndex((m) => sameName(m, n)) === i);

/** Whether a rope, its ends led away, goes through a ring. */
const goesThrough = (rope: Line3, ring: Line3): boolean => linkingOf(closedApart([rope, ring])) !== 0;

/** Arc length of each rope beyond the knot proper, in the specimen and in the form. */
function tailsOf(c: Candidate, p: Prepared): { is: number; stored: number }[] {
  const { template } = c.known.states[c.state];
  const gauges = c.turned ? p.template.gauges.slice().reverse() : p.template.gauges;
  // where a place of the form fell: from the nearest place that was compared on
  const fell = (rope: number, s: number): number => {
    let [best, least] = [0, Infinity];
    template.places.forEach((q, k) => {
      if (q.rope === rope && Math.abs(q.s - s) < least) [least, best] = [Math.abs(q.s - s), k];
    });
    return c.fit.at[best]! + s - template.places[best]!.s;
  };
  return template.gauges.map((g, rope) => {
    const from = g.proper?.[1] ?? g.anchors.at(-2)!;
    return { is: gauges[rope]!.s.at(-1)! - fell(rope, from), stored: g.s.at(-1)! - from };
  });
}

/** Longer by this than the stored length a tail or leg is another; a tail below this is short. */
const LONGER = { tail: 9, leg: 4 };
const SHORT = SHORT_TAIL_ROPE_DIAMETERS + 2.8;

/** What only lengths, harness points and looseness tell of a form that is right as to its path. */
function measured(c: Candidate, name: Name, p: Prepared, asStored: boolean): { faults: FaultId[]; perhaps: FaultId[] } {
  const { entry } = knotById(name.knot);
  const has = (id: FaultId) => entry.faults.some((f) => f.id === id);
  const faults: FaultId[] = [];
  if (p.laid.ropes[0]!.closed) return { faults, perhaps: has('loose') && c.state !== 'tight' ? ['loose'] : [] };
  const tails = tailsOf(c, p);
  if (has('tail-short') && Math.min(...tails.map((t) => t.is)) < SHORT) faults.push('tail-short');
  else if (asStored && has('tail-long') && tails[0]!.is > tails[0]!.stored + LONGER.tail) faults.push('tail-long');
  else if (asStored && has('uneven-legs') && tails[0]!.is > tails[0]!.stored + LONGER.leg) faults.push('uneven-legs');
  if (has('one-harness-point') && p.laid.ringNames.filter((n) => n.startsWith('harness-point')).length === 2) {
    const through = p.even.rings.filter((ring) => goesThrough(p.even.ropes[0]!, ring)).length;
    if (through < 2) faults.push('one-harness-point');
  }
  return { faults, perhaps: has('loose') && c.state !== 'tight' && asStored ? ['loose'] : [] };
}

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
  if (!lies && !p.laid.eyesKnown)
    return answer({
      needs: ['eye-mark', 'loaded-ends'],
      undecided: [
        {
          between: distinct(ranked.flatMap((c) => c.known.form.names)),
          by: 'whether there is an eye, and where its far point is',
        },
      ],
    });
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
  const within = lies ? alike : withoutUnseen(best.apart <= DECIDES ? alike : ranked, ranked, p);
  if (within.length === 0) return unknown();
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
  if (groups.size > 1)
    return answer({
      needs,
      undecided: [{ between: distinct(named.map((n) => n.name)), by: decidedBy(kept.map((t) => t.c)) }],
    });
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

/**
 * Of forms with the same figures those that a foreign drawing can be. Where a knot has a fault that no figure sees, the drawing has to show
 * that it is not there: a pair laid out side by side. Where that cannot be told both stay.
 */
function withoutUnseen(alike: readonly Candidate[], all: readonly Candidate[], p: Prepared): Candidate[] {
  const faultOf = (c: Candidate) => c.known.form.names.find((n) => n.fault !== null && UNSEEN.includes(n.fault))?.fault;
  const unseen = all.filter(
    (c) =>
      faultOf(c) !== undefined &&
      alike.some(
        (d) =>
          d.known.form.knot === c.known.form.knot ||
          ONE_FORM.some(
            (o) => o.forms.includes(d.known.form.id) && o.forms.some((f) => f.startsWith(`${c.known.form.knot}/`)),
          ),
      ),
  );
  if (unseen.length === 0) return [...alike];
  if (unseen.every((c) => PAIRED.includes(faultOf(c)!) && c.known.pairs === 'crossed')) {
    const pairs = pairsOf(p.template.gauges);
    if (pairs === 'parallel') return alike.filter((c) => faultOf(c) === undefined);
    if (pairs === 'crossed') return unseen;
  }
  return [...alike, ...unseen.filter((c) => !alike.includes(c))];
}

/** Of each form the best of its states and hands. */
const bestOfEach = (all: readonly Candidate[]): Candidate[] =>
  all.filter((c, i) => all.findIndex((d) => d.known === c.known) === i);

/** What would tell forms apart that both fit about as well. */
function decidedBy(all: readonly Candidate[]): string {
  const names = all.flatMap((c) => c.known.form.names);
  if (names.some((n) => n.fault === 'other-ends-loaded')) return 'which end is loaded';
  if (names.some((n) => n.fault === 'pair-crossed' || n.fault === 'pair-twisted' || n.fault === 'strands-crossed'))
    return 'whether the strands of each pair lie side by side all the way';
  if (names.some((n) => n.fault === 'gate-to-brake')) return 'on which side the gate lies';
  if (names.some((n) => n.fault === 'crossed-wraps')) return 'whether every wrap lies beside the next';
  return 'how the strands lie beside each other';
}
