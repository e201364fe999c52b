/** Lengths laid off by one's own body: arm's length, foot, hand, fist. Each was measured once with a ruler; only those are used. */
export const OWN_MEASURES = ['arm', 'foot', 'hand', 'fist'] as const;
export type OwnMeasure = (typeof OWN_MEASURES)[number];
/** What a measure can be, mm: outside of it something else was measured. General. */
export const OWN_MEASURE_RANGES_MM: Readonly<Record<OwnMeasure, readonly [number, number]>> = {
  arm: [500, 1200],
  foot: [180, 400],
  hand: [130, 300],
  fist: [70, 120],
};

const WORDS: Readonly<Record<OwnMeasure, readonly [string, string]>> = {
  arm: ['arm’s length', 'arm’s lengths'],
  foot: ['foot', 'feet'],
  hand: ['hand', 'hands'],
  fist: ['fist', 'fists'],
};

/** mm; null where it was never measured */
export type OwnMeasures = Readonly<Record<OwnMeasure, number | null>>;

const counted = (n: number, of: OwnMeasure) => `${n} ${WORDS[of][n === 1 ? 0 : 1]}`;

/**
 * A length in own measures, never less than it: whole ones of the largest that goes into it, the rest in whole ones of the measure that
 * overshoots least.
 * @param mm > 0
 * @returns words and the length they come to; null where nothing was measured
 * @example inOwnMeasures(1000, { arm: 700, foot: null, hand: null, fist: 90 }) // { text: '1 arm’s length and 4 fists', mm: 1060 }
 */
export function inOwnMeasures(mm: number, own: OwnMeasures): { readonly text: string; readonly mm: number } | null {
  const known = OWN_MEASURES.filter((m) => own[m] !== null && own[m]! > 0);
  if (known.length === 0 || !(mm > 0)) return null;
  const largest = known.find((m) => own[m]! <= mm);
  const whole = largest ? Math.floor(mm / own[largest]!) : 0;
  const rest = mm - whole * (largest ? own[largest]! : 0);
  if (largest && rest < 1) return { text: counted(whole, largest), mm: whole * own[largest]! };
  const [filler, n] = known
    .map((m) => [m, Math.ceil(rest / own[m]!)] as const)
    .reduce((a, b) => (b[1] * own[b[0]]! < a[1] * own[a[0]]! - 1e-9 ? b : a));
  const sum = whole * (largest ? own[largest]! : 0) + n * own[filler]!;
  if (!largest || filler === largest) return { text: counted(whole + n, filler), mm: sum };
  return { text: `${counted(whole, largest)} and ${counted(n, filler)}`, mm: sum };
}
