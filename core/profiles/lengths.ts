/**
 * How long a tail has to be, by what the knot is for. Layers lie on each other: the school's rules, beneath them common practice. A rule silences
 * one beneath it only where it names that very knot, that very use and the same kind of length, and asks a length itself; of all that is left
 * the one that asks most decides, and of those that set a greatest length the one that allows least.
 */
import { fault, finite } from '../errors';
import { entryById } from '../knots/catalogue/lookup';
import type { KnotEntry } from '../knots/facts/types';
import { isAmong, isInTheMiddle, partsOf, usesOf, type Companion, type Use } from '../knots/facts/uses';
import { COMMON_PRACTICE, type CommonLength } from './common';
import { refusalOf, type Rules } from './rules';
import { againstLimits, DEFAULT_FIST_MM, FIST_RANGE_MM, requiredLength_mm, type TailAnswer } from './tail';
import type { Layer, LengthKind, LengthRule, Profile } from './types';

/** What lengths read of a knot's entry. */
export type LengthEntry = Pick<KnotEntry, 'id' | 'purposes' | 'pulls'> & {
  readonly family: string;
  readonly check_points: readonly { readonly id: string }[];
};

export interface LengthQuestion {
  readonly knot: string;
  /** of tape its width */
  readonly rope_diameter_mm: number;
  /** what the knot is for; where it is not said, the use that asks most of those it is made for */
  readonly use?: Use | undefined;
  /** other knots tied that belong to it: then the length asked is theirs */
  readonly companions?: readonly Companion[] | undefined;
  readonly tail_mm?: number | undefined;
  /** how far off the reading may be, mm; a reading by ruler counts as it is read */
  readonly uncertainty_mm?: number | undefined;
  readonly byRuler?: boolean | undefined;
  /** breadth of the person's fist across the knuckles, 70 to 120 mm, 100 where not calibrated */
  readonly fist_mm?: number | undefined;
  /** whether common practice counts where the school says nothing; yes where it is not said */
  readonly common?: boolean | undefined;
}

/** The same of a tail that lies somewhere between two lengths. */
export interface LengthsBetween extends Pick<LengthQuestion, 'rope_diameter_mm' | 'use' | 'companions' | 'fist_mm'> {
  readonly between?: { readonly low_mm: number; readonly high_mm: number } | undefined;
}

export interface LengthAnswer extends Omit<TailAnswer, 'rule'> {
  readonly use: Use;
  readonly rule: TailAnswer['rule'] & { readonly layer: Layer | null };
}

interface Ruling {
  readonly layer: Layer;
  readonly profile: { readonly id: string; readonly version: number };
  readonly id: string;
  readonly text: string;
  readonly source: string;
  readonly kind: LengthKind;
  /** unrounded; null where the rule asks no length */
  readonly required_mm: number | null;
  readonly recommended_mm: number | null;
  readonly max_mm: number | null;
  /** it names this knot and this use */
  readonly special: boolean;
}

interface Case {
  readonly entry: LengthEntry;
  readonly use: Use;
  readonly companions: readonly Companion[];
  readonly kind: LengthKind;
  readonly diameter_mm: number;
  readonly fist_mm: number;
}

const isFor = (rule: { readonly for: readonly string[] }, entry: LengthEntry) =>
  rule.for.includes(entry.id) || rule.for.includes(entry.family) || rule.for.includes('any');

/** A school's words for a use. */
function schoolsUse(rule: LengthRule, { entry, use }: Case): boolean {
  if (rule.use === 'any') return use !== 'stopper' || rule.for.includes(entry.id);
  return isAmong([rule.use === 'rope-end' ? 'stopper' : rule.use], use);
}

function ofSchool(profile: Profile, c: Case): Ruling[] {
  const tied = c.companions.length > 0;
  return (
    profile.lengths
      .filter((r) => isFor(r, c.entry) && schoolsUse(r, c))
      .filter((r) => r.stopper === undefined || r.stopper === tied)
      // what is asked of every tail is asked of a companion's own too
      .filter((r) => r.kind === c.kind || (tied && r.kind === 'tail' && r.for.includes('any')))
      .map((r) => ({
        layer: 'school',
        profile,
        id: r.id,
        text: r.text,
        source: r.source,
        kind: c.kind,
        required_mm: requiredLength_mm(r, c.diameter_mm, c.fist_mm),
        recommended_mm: null,
        max_mm: r.max_mm ?? null,
        special: r.for.includes(c.entry.id) && r.use !== 'any',
      }))
  );
}

/** The more a rule of common practice says of what it is for, the sooner it is taken. */
const closeness = (r: CommonLength, { entry }: Case): number =>
  (r.for.includes(entry.id) ? 4 : r.for.includes(entry.family) ? 2 : 0) + (r.uses === 'any' ? 0 : 1);

function ofCommonPractice({ practice }: Rules, c: Case): Ruling[] {
  const rules = practice.lengths.filter(
    (r) =>
      isFor(r, c.entry) &&
      (r.uses === 'any' || isAmong(r.uses, c.use)) &&
      r.kind === c.kind &&
      (r.with === undefined || r.with.some((w) => c.companions.includes(w))),
  );
  const closest = Math.max(...rules.map((r) => closeness(r, c)));
  return rules
    .filter((r) => closeness(r, c) === closest)
    .map((r) => ({
      layer: 'common',
      profile: practice,
      id: r.id,
      text: r.text,
      source: r.source,
      kind: r.kind,
      required_mm: requiredLength_mm(r, c.diameter_mm, c.fist_mm),
      recommended_mm: r.recommended_mm ?? null,
      max_mm: r.max_mm ?? null,
      special: false,
    }));
}

/** All rules that are left when those on top have silenced those beneath. */
function rulings(rules: Rules, c: Case): Ruling[] {
  const school = ofSchool(rules.profile, c);
  const silenced = school.some((r) => r.special && r.required_mm !== null);
  return rules.common && !silenced ? [...school, ...ofCommonPractice(rules, c)] : school;
}

/** Whether there is an end there that a tail could be measured at. */
export const hasTail = (entry: LengthEntry, use: Use): boolean =>
  entry.check_points.some((p) => p.id === 'tail') && !isInTheMiddle(use);

const NOTHING = {
  'no end': 'no tail is asked: the rope goes on, or its ends belong to other knots',
  silent: 'this rule set says nothing about this length on this knot',
} as const;

function answerFor(rules: Rules, c: Case, { between }: LengthsBetween): LengthAnswer {
  const { use } = c;
  const { profile } = rules;
  const all = hasTail(c.entry, use) ? rulings(rules, c) : [];
  const asking = all.filter((r) => r.required_mm !== null);
  // of two that ask as much the school's is named
  const said =
    asking.length > 0 ? asking.reduce((a, b) => (b.required_mm! > a.required_mm! ? b : a)) : (all[0] ?? null);
  const greatest_mm = asking.flatMap((r) => (r.max_mm === null ? [] : [r.max_mm]));
  const max_mm = greatest_mm.length > 0 ? Math.min(...greatest_mm) : null;
  const required_mm = said?.required_mm ?? null;
  const base = {
    use,
    length_kind: c.kind,
    required_mm,
    recommended_mm: said?.recommended_mm ?? null,
    max_mm,
    rule: said
      ? {
          id: said.id,
          text: said.text,
          source: said.source,
          profile: said.profile.id,
          version: said.profile.version,
          layer: said.layer,
        }
      : {
          id: 'none',
          text: NOTHING[hasTail(c.entry, use) ? 'silent' : 'no end'],
          source: 'practice',
          profile: profile.id,
          version: profile.version,
          layer: null,
        },
  };
  if (required_mm === null) return { ...base, verdict: 'no-rule', margin_mm: null };
  if (!between) return { ...base, verdict: 'not-measured', margin_mm: null };
  const { verdict, margin_mm } = againstLimits(between.low_mm, between.high_mm, required_mm, max_mm);
  return { ...base, verdict, margin_mm: Number.isFinite(margin_mm) ? margin_mm : null };
}

/**
 * The length asked of a knot's tail, or of that of the knot tied behind it, and how a measured one stands to it.
 * @param entry as it is, or as it is stored with a record
 * @throws not-a-number for values out of range
 */
export function lengthAsked(rules: Rules, entry: LengthEntry, q: LengthsBetween): LengthAnswer {
  // a companion that is part of the knot leaves it its own tail
  const companions = (q.companions ?? []).filter((c) => !partsOf(entry).includes(c));
  const diameter_mm = finite('rope_diameter_mm', q.rope_diameter_mm, 2, 40);
  const fist_mm = finite('fist_mm', q.fist_mm ?? DEFAULT_FIST_MM, ...FIST_RANGE_MM);
  const of = (use: Use): LengthAnswer => {
    const kind: LengthKind = use === 'stopper' || companions.length > 0 ? 'beyond_stopper' : 'tail';
    return answerFor(rules, { entry, use, companions, kind, diameter_mm, fist_mm }, q);
  };
  if (q.use !== undefined) return of(q.use);
  const uses = usesOf(entry);
  const open = uses.filter((use) => refusalOf(rules, entry, use) === null);
  return (open.length > 0 ? open : uses)
    .map(of)
    .reduce((a, b) => ((b.required_mm ?? -1) > (a.required_mm ?? -1) ? b : a));
}

/**
 * As `lengthAsked`, of a knot of the catalogue and with common practice as it is now.
 * @throws unknown-knot; bad-input for a use that the knot is not made for; as `lengthAsked`
 * @example lengthFor(shippedProfile('sport-crag'), { knot: 'offset-overhand', rope_diameter_mm: 10 }).required_mm // 300
 */
export function lengthFor(
  profile: Profile,
  { common = true, knot, tail_mm, uncertainty_mm, byRuler, ...q }: LengthQuestion,
): LengthAnswer {
  const entry = entryById(knot);
  const uses = usesOf(entry);
  if (q.use !== undefined && !uses.includes(q.use))
    throw fault('bad-input', {}, [{ path: 'use', message: `it is not made for that: ${uses.join(', ')}` }]);
  const tail = tail_mm === undefined ? undefined : finite('tail_mm', tail_mm, 0, 20_000);
  const off = byRuler ? 0 : finite('uncertainty_mm', uncertainty_mm ?? 0, 0, 1000);
  const between = tail === undefined ? undefined : { low_mm: tail - off, high_mm: tail + off };
  return lengthAsked({ profile, practice: COMMON_PRACTICE, common }, entry, { ...q, between });
}
