/**
 * The life of a rope, cord, sling or karabiner: what happened to it, and how it stands now. Places are told from the tagged end. Cutting an
 * end off moves every place; damage that lay wholly in the piece cut off is gone with it. Retired is final. Not modelled: a rope cut in two
 * in the middle (cut up to the place, and add the rest as a rope of its own).
 */
export const ROPE_EVENTS = ['looked-over', 'damaged', 'damage-settled', 'hard-fall', 'end-cut', 'retired'] as const;
export type RopeEventKind = (typeof ROPE_EVENTS)[number];
export const ROPE_EVENT_WORDS: Readonly<Record<RopeEventKind, string>> = {
  'looked-over': 'looked over from end to end, nothing found',
  damaged: 'damage found',
  'damage-settled': 'damage looked into: may stay in use',
  'hard-fall': 'hard fall',
  'end-cut': 'end cut off',
  retired: 'retired',
};
export const ROPE_ENDS = ['tagged', 'other'] as const;
export type RopeEnd = (typeof ROPE_ENDS)[number];

export interface RopeEvent {
  readonly event: RopeEventKind;
  /** when it happened, by the clock of the device */
  readonly happened_at: string;
  /** damage: metres from the tagged end as it then was; left out where it cannot be told */
  readonly at_m?: number;
  /** damage: length of rope it takes */
  readonly over_m?: number;
  /** end cut off: which, and how much */
  readonly end?: RopeEnd;
  readonly cut_m?: number;
  /** the damage that was looked into: the id of its entry */
  readonly damage?: string;
}
export interface RopeHappening extends RopeEvent {
  readonly id: string;
  readonly note: string;
}

export interface Damage {
  readonly id: string;
  /** metres from the tagged end as it is now; null where its place is not known */
  readonly at_m: number | null;
  readonly over_m: number;
  readonly note: string;
  readonly found_at: string;
  /** null while nothing was done about it */
  readonly settled: 'looked-into' | 'cut-off' | null;
}
export interface RopeLife {
  readonly length_m: number | null;
  readonly retired: { readonly at: string; readonly note: string } | null;
  readonly damages: readonly Damage[];
  readonly hard_falls: number;
  readonly cut_m: number;
  readonly last_looked_over: string | null;
}

/** A metre, in tenths of a millimetre: lengths are added and taken away many times. */
const rounded = (m: number): number => Math.round(m * 10_000) / 10_000;

/**
 * @param first_length_m as it came; null where it was never measured, or has none
 * @param events in the order of the record
 * @example ropeLife(60, [cut 2 m off the tagged end]).length_m // 58
 */
export function ropeLife(first_length_m: number | null, events: readonly RopeHappening[]): RopeLife {
  let length = first_length_m;
  let retired: RopeLife['retired'] = null;
  let damages: Damage[] = [];
  let [falls, cut] = [0, 0];
  let looked: string | null = null;
  for (const e of events) {
    if (e.event === 'damaged')
      damages.push({
        id: e.id,
        at_m: e.at_m ?? null,
        over_m: e.over_m ?? 0,
        note: e.note,
        found_at: e.happened_at,
        settled: null,
      });
    else if (e.event === 'damage-settled')
      damages = damages.map((d) => (d.id === e.damage ? { ...d, settled: 'looked-into' } : d));
    else if (e.event === 'hard-fall') falls += 1;
    else if (e.event === 'retired') retired ??= { at: e.happened_at, note: e.note };
    else if (e.event === 'looked-over') looked = e.happened_at;
    else {
      const off = e.cut_m ?? 0;
      cut = rounded(cut + off);
      if (length !== null) length = Math.max(0, rounded(length - off));
      damages = damages.map((d) => {
        if (d.at_m === null) return d;
        const at_m = e.end === 'tagged' ? rounded(d.at_m - off) : d.at_m;
        // what lies at the very cut is not gone
        const gone = e.end === 'tagged' ? at_m + d.over_m < 0 : length !== null && at_m > length;
        return {
          ...d,
          at_m: e.end === 'tagged' && !gone ? Math.max(0, at_m) : at_m,
          settled: d.settled ?? (gone ? 'cut-off' : null),
        };
      });
    }
  }
  return { length_m: length, retired, damages, hard_falls: falls, cut_m: cut, last_looked_over: looked };
}

/** Damages that nothing was done about. */
export const openDamages = (life: Pick<RopeLife, 'damages'>): readonly Damage[] =>
  life.damages.filter((d) => d.settled === null);

/** Why such an event cannot be, or null. */
export function refusedEvent(
  life: RopeLife,
  e: RopeEvent,
): { readonly path: keyof RopeEvent; readonly message: string } | null {
  if (life.retired) return { path: 'event', message: 'it is retired: nothing more is noted of it' };
  if (e.event === 'damaged' && e.at_m !== undefined && life.length_m !== null && e.at_m > life.length_m)
    return { path: 'at_m', message: `lies beyond its end: it is ${life.length_m} m long now` };
  if (e.event === 'end-cut' && (e.end === undefined || e.cut_m === undefined))
    return { path: 'cut_m', message: 'needs which end, and how much' };
  if (e.event === 'end-cut' && life.length_m !== null && e.cut_m! >= life.length_m)
    return { path: 'cut_m', message: `is all of it: it is ${life.length_m} m long now` };
  if (e.event === 'damage-settled' && !openDamages(life).some((d) => d.id === e.damage))
    return { path: 'damage', message: 'is no open damage of it' };
  return null;
}
