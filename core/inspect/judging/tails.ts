/** Tails as they are typed on a walk, in the unit they are counted in. */
import { lengthToMm, type LengthUnit } from '../../units';

export type TailUnit = LengthUnit | 'diameter';

/**
 * @param text a number, decimal point or comma
 * @returns mm to a tenth; null where it is no length up to 20 m
 * @example typedTail_mm('1,5', 'fist', { fist_mm: 92, rope_diameter_mm: 10 }) // 138
 */
export function typedTail_mm(
  text: string,
  unit: TailUnit,
  of: { readonly fist_mm: number; readonly rope_diameter_mm: number },
): number | null {
  const t = text.trim().replace(',', '.');
  if (t === '') return null;
  const v = Number(t);
  if (!Number.isFinite(v) || v < 0 || v > 20_000) return null;
  const mm = unit === 'diameter' ? v * of.rope_diameter_mm : lengthToMm(v, unit, of.fist_mm);
  return mm > 20_000 ? null : Math.round(mm * 10) / 10;
}
