/**
 * A tail against what is asked of it: required = max(k rope diameters, fixed length, n fists). Compared unrounded; what touches a limit is not
 * judged. Which rule it is says lengths.ts.
 */
import { fault } from '../errors';
import { SHIPPED_VERSIONS } from './shipped';
import type { LengthKind, LengthRule, Profile } from './types';

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
