/**
 * Judging a tail against a profile: required = max(k rope diameters, fixed length, n fists). Compared
 * unrounded; an interval of measurement that touches a limit is not judged. A profile that says nothing
 * gives "no-rule", never a pass.
 */
import { fault, finite } from '../errors';
import { entryById } from '../knots/catalogue/lookup';
import { SHIPPED_VERSIONS } from './shipped';
import type { LengthKind, LengthRule, Profile, TailUse } from './types';

export interface TailQuestion {
  readonly knot: string;
  readonly rope_diameter_mm: number;
  readonly tail_mm?: number | undefined;
  readonly uncertainty_mm?: number | undefined;
  readonly stopper?: boolean | undefined;
  /** breadth of the person's fist across the knuckles, 70 to 120 mm, 100 where not calibrated */
  readonly fist_mm?: number | undefined;
  readonly as?: TailUse | undefined;
}

export interface TailAnswer {
  readonly length_kind: LengthKind;
  readonly required_mm: number | null;
  readonly recommended_mm: number | null;
  readonly max_mm: number | null;
  readonly rule: {
    readonly id: string;
    readonly text: string;
    readonly source: string;
    readonly profile: string;
    readonly version: number;
  };
  readonly verdict: 'enough' | 'short' | 'long' | 'not-measured' | 'no-rule';
  /** least distance to the nearest limit, rounded down; negative when missed; null where there is nothing to compare */
  readonly margin_mm: number | null;
}

export const DEFAULT_FIST_MM = 100;
export const FIST_RANGE_MM = [70, 120] as const;

/**
 * A shipped profile by id, `id` or `id@version`.
 * @throws unknown-profile
 */
export function shippedProfile(reference: string): Profile {
  const [id, version] = reference.split('@');
  const found = SHIPPED_VERSIONS.find((p) => p.id === id && (version === undefined || version === String(p.version)));
  if (!found) throw fault('unknown-profile', { profile: reference });
  return found;
}

function ruleFor(profile: Profile, question: TailQuestion, family: string): LengthRule | undefined {
  const use = question.as ?? 'tie-in';
  return profile.lengths.find(
    (r) =>
      (r.use === 'any' ? use !== 'rope-end' || r.for.includes(question.knot) : r.use === use) &&
      (r.for.includes(question.knot) || r.for.includes(family) || r.for.includes('any')) &&
      (r.stopper === undefined || r.stopper === (question.stopper ?? false)),
  );
}

/** Largest of the parts of a rule, mm, unrounded; null where the rule asks no length. */
export function requiredLength_mm(
  rule: Pick<LengthRule, 'ropeDiameters' | 'fixed_mm' | 'fists' | 'noLength'>,
  ropeDiameter_mm: number,
  fist_mm: number,
): number | null {
  const parts = [
    rule.ropeDiameters === undefined ? null : rule.ropeDiameters * ropeDiameter_mm,
    rule.fixed_mm ?? null,
    rule.fists === undefined ? null : rule.fists * fist_mm,
  ].filter((v) => v !== null);
  return rule.noLength || parts.length === 0 ? null : Math.max(...parts);
}

/** How a length that lies somewhere between two readings stands to its limits, unrounded; the margin at worst, in whole mm downward. */
export function againstLimits(
  low_mm: number,
  high_mm: number,
  required_mm: number,
  max_mm: number | null,
): Pick<TailAnswer, 'verdict' | 'margin_mm'> {
  const short = high_mm < required_mm;
  const long = !short && max_mm !== null && low_mm > max_mm;
  const within = low_mm >= required_mm && (max_mm === null || high_mm <= max_mm);
  const margin = long
    ? max_mm - low_mm
    : Math.min(low_mm - required_mm, max_mm === null || short ? Infinity : max_mm - high_mm);
  return {
    verdict: short ? 'short' : long ? 'long' : within ? 'enough' : 'not-measured',
    margin_mm: Math.floor(margin),
  };
}

/**
 * @throws unknown-knot; not-a-number for values out of range
 * @example judgeTail(shippedProfile('sport-crag'), { knot: 'bowline-locked', rope_diameter_mm: 10, tail_mm: 87 }).verdict // 'short'
 */
export function judgeTail(profile: Profile, question: TailQuestion): TailAnswer {
  const knot = entryById(question.knot);
  const diameter = finite('rope_diameter_mm', question.rope_diameter_mm, 2, 40);
  const fist = finite('fist_mm', question.fist_mm ?? DEFAULT_FIST_MM, ...FIST_RANGE_MM);
  const uncertainty = finite('uncertainty_mm', question.uncertainty_mm ?? 0, 0, 1000);
  const rule = ruleFor(profile, question, knot.family);
  const named = { profile: profile.id, version: profile.version };
  if (!rule)
    return {
      length_kind: question.as === 'rope-end' ? 'beyond_stopper' : 'tail',
      required_mm: null,
      recommended_mm: null,
      max_mm: null,
      verdict: 'no-rule',
      margin_mm: null,
      rule: {
        id: 'none',
        text: 'this rule set says nothing about this length on this knot',
        source: 'practice',
        ...named,
      },
    };
  const required = requiredLength_mm(rule, diameter, fist);
  const max = rule.max_mm ?? null;
  const base = {
    length_kind: rule.kind,
    required_mm: required,
    recommended_mm: null,
    max_mm: max,
    rule: { id: rule.id, text: rule.text, source: rule.source, ...named },
  };
  if (required === null) return { ...base, verdict: 'no-rule', margin_mm: null };
  if (question.tail_mm === undefined) return { ...base, verdict: 'not-measured', margin_mm: null };
  const tail = finite('tail_mm', question.tail_mm, 0, 20000);
  return { ...base, ...againstLimits(tail - uncertainty, tail + uncertainty, required, max) };
}
