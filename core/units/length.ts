/** Lengths as people say them: millimetres, inches, fists. Stored always in millimetres. */
import { finite } from '../errors';

export const MM_PER_INCH = 25.4;
export const LENGTH_UNITS = ['mm', 'in', 'fist'] as const;
export type LengthUnit = (typeof LENGTH_UNITS)[number];

/**
 * @param value in `unit`, >= 0
 * @param fist_mm breadth of this person's fist
 * @throws not-a-number
 * @example lengthToMm(1.5, 'fist', 92) // 138
 */
export function lengthToMm(value: number, unit: LengthUnit, fist_mm: number): number {
  const v = finite('length', value, 0, 1e6);
  return unit === 'mm' ? v : unit === 'in' ? v * MM_PER_INCH : v * fist_mm;
}

/** For reading: whole millimetres, inches to a quarter, fists to a tenth; other lengths with their unit. */
export function lengthText(value_mm: number, unit: LengthUnit, fist_mm = 100): string {
  if (unit === 'mm') return value_mm >= 1000 ? `${(value_mm / 1000).toFixed(2)} m` : `${Math.round(value_mm)} mm`;
  if (unit === 'in') return `${(Math.round((value_mm / MM_PER_INCH) * 4) / 4).toString()} in`;
  return `${(value_mm / fist_mm).toFixed(1)} fists`;
}

/** From one length to another, for reading; the unit once where both have the same. */
export function rangeText(low_mm: number, high_mm: number, unit: 'mm' | 'in'): string {
  const [low, high] = [lengthText(low_mm, unit), lengthText(high_mm, unit)];
  if (low === high) return high;
  const bothIn = unit === 'in' ? ' in' : low_mm >= 1000 ? ' m' : high_mm < 1000 ? ' mm' : null;
  return `${bothIn === null ? low : low.slice(0, -bothIn.length)}–${high}`;
}

const UNIT_MM: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: MM_PER_INCH,
  inch: MM_PER_INCH,
  inches: MM_PER_INCH,
  '"': MM_PER_INCH,
  '”': MM_PER_INCH,
  ft: 12 * MM_PER_INCH,
  feet: 12 * MM_PER_INCH,
  foot: 12 * MM_PER_INCH,
  "'": 12 * MM_PER_INCH,
  '’': 12 * MM_PER_INCH,
};
const NUMBER =
  /^(?:(\d+)\s+(\d+)\/(\d+)|(\d+)\/(\d+)|(\d+(?:[.,]\d+)?|[.,]\d+))\s*(mm|cm|m|inches|inch|in|"|”|feet|foot|ft|'|’)?\s*/i;

/**
 * A length as people write it, in mm: a number, or whole and fraction, with or without its unit; feet and inches one after the other.
 * @param unit what a bare number means
 * @returns NaN where it is no length
 * @example lengthFromText('1 1/2 in', 'mm') // 38.1
 */
export function lengthFromText(text: string, unit: 'mm' | 'in'): number {
  let rest = text.trim().replaceAll('−', '-');
  if (rest === '') return Number.NaN;
  let sum = 0;
  for (let k = 0; rest !== ''; k++) {
    const found = NUMBER.exec(rest);
    if (!found || k > 2) return Number.NaN;
    const [all, whole, upper, lower, above, below, plain, of] = found;
    if (k > 0 && !of) return Number.NaN;
    const value =
      plain !== undefined
        ? Number(plain.replace(',', '.'))
        : Number(whole ?? 0) + Number(upper ?? above) / Number(lower ?? below);
    sum += value * (of ? UNIT_MM[of.toLowerCase()]! : unit === 'in' ? MM_PER_INCH : 1);
    rest = rest.slice(all.length);
  }
  return Number.isFinite(sum) ? sum : Number.NaN;
}

/**
 * A length that has to be there, as it is shown: up to whole steps, never down. What is a step already to a tenth of a
 * millimetre stays.
 * @example upTo(5, 46.5) // 50
 */
export const upTo = (step_mm: number, mm: number): number => Math.ceil(Math.round(mm * 10) / 10 / step_mm) * step_mm;
