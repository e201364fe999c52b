/**
 * What a specimen is: first every form whose figures it has (topology), then of those the forms as which it lies (fit.ts), then what only a
 * length, a gate or a host's direction tells. Several forms may be left: they are named together only where nothing in the rope could tell
 * them apart, otherwise nothing is named and it is said what would decide. A shape that fits no form is unknown, and no name is guessed.
 */
import { distance, type Point3 } from '../curve';
import { knotById, shapeOf } from '../knots/catalogue';
import { SHORT_TAIL_ROPE_DIAMETERS } from '../knots/changes';
import { STATES, type ShapeComponent, type ShapeState } from '../knots/stored';
import type { FaultId } from '../knots/types';
import { regularView, DIRECTIONS } from '../topology';
import { evidenceOf, type Evidence } from './evidence';
import { stored } from './figures';
import { fitOf, type Fit } from './fit';
import { allForms, ONE_FORM, type Form, type Name } from './forms';
import { nearForms, type Near } from './near';
import { figuresIn } from './stored-figures';
import { agrees, prepared, preparedForm, type Figures, type Prepared } from './table';
import type { Entered } from './specimen';

export interface Match extends Name {
  readonly relation: 'same' | 'mirror';
  /** it lies as the stored form does; or only its figures say so */
  readonly certainty: 'lies-as-stored' | 'by-its-crossings';
}
export type Need = 'eye-mark' | 'loaded-ends' | 'object' | 'gate' | 'other-end-of-the-gripped-rope' | 'both-faces';
export interface Undecided {
  readonly between: readonly Name[];
  readonly by: string;
}
export interface Identified {
  /** crossings of the shape at its simplest found */
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
  /** no figure of it is more than that of plain rope: only how it lies can tell it */
  readonly plain: boolean;
  /** crossings of the most tangled of its states, from where it shows fewest */
  readonly seen: number;
}

/** Figures of ropes that are not knotted, or only hang in each other. */
const PLAIN = /^(?:0|1)?\|(?:1|-t\^\(-1\/2\) - t\^\(1\/2\)|-1|t\^\(1\/2\)[^|]*)\|(?:1(?: & 1)*)?(?: D 1)?$/;
const isPlain = (figures: Figures): boolean => Object.entries(figures).every(([name, values]) => name.startsWith('turns') || values.every((v) => PLAIN.test(v.as)));

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
        form, figures: own, states, things: shapeOf(form.knot, form.form, 'tight').filter((c) => c.role === 'ring' || c.role === 'post' || c.role === 'host'),
        plain: isPlain(own), seen: Math.max(...STATES.map((s) => fewestCrossings(states[s]))),
      };
    });
  })();
  return known;
}

/** As near as this to a stored form a shape lies as it does, diameters. */
const LIES_AS = 0.42;
/** and as near a form without a figure of its own has to lie. */
const LIES_AS_PLAIN = 0.42;
/** Forms are still taken for each other where one fits not much worse than the best. */
const NOT_MUCH_WORSE = { times: 1.6, by: 0.1 };
/** A foreign drawing may show so many more crossings than the stored form at its most tangled. */
const MORE_CROSSINGS = 4;

/** Families whose knots lie round their object: without it they are no knots. */
const ROUND_ITS_OBJECT: readonly string[] = ['hitch', 'friction'];
/** How much wider or narrower a post may be than the stored one. */
const POST_RATIO = 1.35;

interface Candidate {
  readonly known: Known;
  readonly mirror: boolean;
  readonly state: ShapeState;
  readonly fit: Fit;
  /** the specimen's ropes in the form's order */
  readonly turned: boolean;
}

const kindOf = (p: Prepared) => `${p.laid.ropes.length}${p.laid.ropes[0]!.closed ? 'c' : 'o'}${p.laid.bars.length}`;

/** Rings of a specimen that the form lies round or hangs in; other rings are what its eye holds. */
const ringsOf = (k: Known) => k.things.filter((t) => t.role === 'ring').length;

function candidatesOf(p: Prepared, evidence: Evidence): Candidate[] {
  const kind = kindOf(p);
  return knownForms().flatMap((k): Candidate[] => {
    const own = k.states.tight;
    if (kindOf(own) !== kind) return [];
    if (own.laid.eyes.length !== p.laid.eyes.length && p.laid.eyesKnown) return [];
    // what a hitch lies round has to be there; in an eye there may hang anything, but nothing more than hang
    const wanted = ringsOf(k);
    if ((own.laid.eyes.length === 0 || ROUND_ITS_OBJECT.includes(knotById(k.form.knot).entry.family)) && wanted !== p.laid.rings.length) return [];
    if (wanted === 0 && p.laid.rings.some((_, n) => Number(evidence[`turns in ring ${n + 1}`]?.[0]?.as ?? 0) > 1)) return [];
    if (k.things.some((t) => t.role === 'post') && Math.abs(Math.log(p.laid.bars[0]!.diameter / own.laid.bars[0]!.diameter)) > Math.log(POST_RATIO)) return [];
    const figures = wanted > 0 ? k.figures : Object.fromEntries(Object.entries(k.figures).filter(([name]) => !name.includes('ring')));
    return [false, true].flatMap((mirror): Candidate[] => {
      if (!agrees(evidence, wanted > p.laid.rings.length ? Object.fromEntries(Object.entries(figures).filter(([name]) => !name.includes('ring'))) : figures, mirror)) return [];
      const orders = p.laid.ropes.length === 2 && own.laid.eyes.length === 0 ? [false, true] : [false];
      const all = orders.flatMap((turned) => {
        const gauges = turned ? p.template.gauges.slice().reverse() : p.template.gauges;
        return STATES.map((state): Candidate => ({ known: k, mirror, state, turned, fit: fitOf(k.states[state].template, gauges, mirror) }));
      });
      return [all.reduce((a, b) => (b.fit.apart < a.fit.apart ? b : a))];
    });
  });
}

/** A specimen's legs and tail may lie at each other farther than a form's do. */
const MOST_OF_IT = 0.88;

/** How far apart the two are when the specimen is laid on the form: a form whose strands are only a part of the specimen's does not fit. */
function bothWays(c: Candidate, p: Prepared): number {
  const template = c.turned ? { gauges: p.template.gauges.slice().reverse(), places: p.template.places.map((q) => ({ ...q, rope: 1 - q.rope })) } : p.template;
  return Math.max(c.fit.apart, fitOf(template, c.known.states[c.state].template.gauges, c.mirror, MOST_OF_IT).apart);
}

const middle = (points: readonly Point3[], [a, b]: readonly [number, number]): Point3 => points[Math.round((a + b) / 2)]!;

/** Whether gate and host lie as in the form; null where the specimen does not say. */
function thingsLie(c: Candidate, p: Prepared): { agree: boolean; needs: Need[] } {
  const needs: Need[] = [];
  let agree = true;
  for (const t of shapeOf(c.known.form.knot, c.known.form.form, c.state)) {
    if (t.role === 'ring' && t.marks?.gate && knotById(c.known.form.knot).entry.family === 'hitch') {
      const [gate] = p.laid.gates;
      if (!gate) needs.push('gate');
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
const distinct = (names: readonly Name[]): Name[] => names.filter((n, i) => names.findIndex((m) => sameName(m, n)) === i);

/** Arc length of each rope beyond the knot proper, and of the eye, in the specimen and in the form. */
function lengthsOf(c: Candidate, p: Prepared): { tails: { is: number; stored: number }[]; eyes: { is: number; stored: number }[] } {
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
  const tails = template.gauges.map((g, rope) => {
    const from = g.proper?.[1] ?? g.anchors.at(-2)!;
    return { is: gauges[rope]!.s.at(-1)! - fell(rope, from), stored: g.s.at(-1)! - from };
  });
  const own = template.gauges[0]!.anchors.slice(2, -2);
  const eyes = Array.from({ length: own.length / 2 }, (_, k) => ({ is: fell(0, own[2 * k + 1]!) - fell(0, own[2 * k]!), stored: own[2 * k + 1]! - own[2 * k]! }));
  return { tails, eyes };
}

/** Longer by this than the stored length a tail or leg is another, an eye too large; a tail below this is short. */
const LONGER = { tail: 9, leg: 4, eye: 11 };
/** eyes whose lengths differ by no more count as equal, diameters */
const EYES_ALIKE = 6;
const SHORT = SHORT_TAIL_ROPE_DIAMETERS + 1.4;

/** What only lengths, harness points and looseness tell of a form that is right as to its path. */
function measured(c: Candidate, name: Name, p: Prepared, evidence: Evidence, stored_: boolean): { faults: FaultId[]; perhaps: FaultId[] } {
  const { entry } = knotById(name.knot);
  const has = (id: FaultId) => entry.faults.some((f) => f.id === id);
  const faults: FaultId[] = [];
  if (p.laid.ropes[0]!.closed) return { faults, perhaps: has('loose') && c.state !== 'tight' ? ['loose'] : [] };
  const l = lengthsOf(c, p);
  if (has('tail-short') && Math.min(...l.tails.map((t) => t.is)) < SHORT) faults.push('tail-short');
  else if (stored_ && has('tail-long') && l.tails[0]!.is > l.tails[0]!.stored + LONGER.tail) faults.push('tail-long');
  else if (stored_ && has('uneven-legs') && l.tails[0]!.is > l.tails[0]!.stored + LONGER.leg) faults.push('uneven-legs');
  if (stored_ && has('eye-too-large') && l.eyes.length === 1 && l.eyes[0]!.is > l.eyes[0]!.stored + LONGER.eye) faults.push('eye-too-large');
  if (has('one-harness-point') && p.laid.ringNames.filter((n) => n.startsWith('harness-point')).length === 2) {
    const through = p.laid.rings.map((_, k) => evidence[`turns in ring ${k + 1}`]?.[0]?.as ?? '0').filter((v) => v !== '0').length;
    if (through < 2) faults.push('one-harness-point');
  }
  return { faults, perhaps: has('loose') && c.state !== 'tight' && stored_ ? ['loose'] : [] };
}

/**
 * @param components as a shape gives them
 * @throws bad-specimen, shape-not-finite, too-few-points, too-many-points, strands-touch, too-many-crossings
 */
export function identify(components: readonly Entered[]): Identified {
  const p = prepared(components);
  const evidence = evidenceOf(p.even);
  const crossings = fewestCrossings(p);
  const invariants = Object.fromEntries(Object.entries(evidence).map(([name, values]) => [name, values.map((v) => v.as)]));
  const answer = (found: Partial<Identified>): Identified => ({ crossings, matches: [], near: [], needs: [], undecided: [], invariants, ...found });
  const all = candidatesOf(p, evidence).sort((a, b) => a.fit.apart - b.fit.apart);
  const ranked = all.slice(0, 12).map((c) => ({ c, apart: bothWays(c, p) })).sort((a, b) => a.apart - b.apart);
  const best = ranked[0];
  const unknown = () => answer({ near: nearForms(p, evidence, knownForms().map((k) => ({ form: k.form, figures: k.figures, kind: kindOf(k.states.tight), eyes: k.states.tight.laid.eyes.length, plain: k.plain }))) });
  if (!best) return unknown();
  const lies = best.apart <= (best.c.known.plain ? LIES_AS_PLAIN : LIES_AS);
  // without knowing whether there is an eye only a shape that lies as stored says what it is
  if (!lies && !p.laid.eyesKnown && p.laid.eyes.length === 0) {
    const names = distinct(all.filter((c) => !c.known.plain).flatMap((c) => c.known.form.names));
    return names.length > 0 ? answer({ needs: ['eye-mark', 'loaded-ends'], undecided: [{ between: names, by: 'whether there is an eye, and where its far point is' }] }) : answer({ needs: ['eye-mark', 'object'] });
  }
  const within = ranked.filter(({ c, apart }) => (lies || !c.known.plain) && apart <= Math.max(best.apart * NOT_MUCH_WORSE.times, best.apart + NOT_MUCH_WORSE.by));
  if (!lies && (within.length === 0 || crossings > Math.max(...within.map(({ c }) => c.known.seen)) + MORE_CROSSINGS)) return unknown();
  const things = byTheirEyes(within.map(({ c }) => c), p).map((c) => ({ c, ...thingsLie(c, p) }));
  const kept = things.filter((t) => t.agree);
  if (kept.length === 0) return unknown();
  const needs = [...new Set(kept.flatMap((t) => t.needs))];
  const ids = kept.map((t) => t.c.known.form.id);
  const one = ONE_FORM.filter((o) => o.forms.some((f) => ids.includes(f)));
  const groups = new Set(ids.map((id) => ONE_FORM.findIndex((o) => o.forms.includes(id)) + (ONE_FORM.some((o) => o.forms.includes(id)) ? 0 : 1000 + ids.indexOf(id))));
  const named = kept.flatMap(({ c }): { c: Candidate; name: Name }[] => c.known.form.names.map((name) => ({ c, name })));
  if (groups.size > 1) return answer({ needs: needs.length > 0 ? needs : ['both-faces'], undecided: [{ between: distinct(named.map((n) => n.name)), by: decidedBy(kept.map((t) => t.c)) }] });
  // every form that is this one has its name
  const mates = one.flatMap((o) => o.forms).filter((f) => !ids.includes(f)).flatMap((id) => knownForms().find((k) => k.form.id === id)!.form.names.map((name) => ({ c: kept[0]!.c, name })));
  const undecided: Undecided[] = one.map((o) => ({ between: distinct([...named, ...mates].map((n) => n.name)), by: o.told_by }));
  const certainty = lies ? 'lies-as-stored' : 'by-its-crossings';
  const matches = [...named, ...mates].flatMap(({ c, name }): Match[] => {
    const relation = c.mirror ? 'mirror' : 'same';
    if (name.fault !== null) return [{ ...name, relation, certainty }];
    const { faults, perhaps } = measured(c, name, p, evidence, lies);
    for (const f of perhaps) undecided.push({ between: [name, { knot: name.knot, fault: f }], by: 'whether every strand was drawn tight: this shape is not drawn up' });
    const right: Match[] = faults.length > 0 ? faults.map((f) => ({ knot: name.knot, fault: f, relation, certainty })) : [{ ...name, relation, certainty }];
    return [...right, ...perhaps.map((f): Match => ({ knot: name.knot, fault: f, relation, certainty }))];
  });
  return answer({ matches: matches.filter((m, i) => matches.findIndex((n) => sameName(m, n)) === i), needs, undecided });
}

/** Of forms of one knot with two eyes those whose eyes are as long as the specimen's: there the knot itself is the same. */
function byTheirEyes(all: readonly Candidate[], p: Prepared): Candidate[] {
  if (p.laid.eyes.length < 2 || new Set(all.map((c) => c.known.form.knot)).size > 1) return [...all];
  const off = all.map((c) => lengthsOf(c, p).eyes.reduce((sum, e) => sum + Math.abs(e.is - e.stored), 0));
  return all.filter((_, k) => off[k]! <= Math.min(...off) + EYES_ALIKE);
}

/** What would tell forms apart that both fit about as well. */
function decidedBy(all: readonly Candidate[]): string {
  const names = all.flatMap((c) => c.known.form.names);
  if (names.some((n) => n.fault === 'other-ends-loaded')) return 'which end is loaded';
  if (names.some((n) => n.fault === 'pair-crossed' || n.fault === 'pair-twisted' || n.fault === 'strands-crossed')) return 'whether the strands of each pair lie side by side all the way';
  if (names.some((n) => n.fault === 'crossed-wraps')) return 'whether every wrap lies beside the next';
  return 'how the strands lie beside each other';
}

