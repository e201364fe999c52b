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
