/** Tying along: what is still shown of a step as help fades, and where one stopped. Kept on this device, per way. */
import { keep, kept } from '../../store/kept';

export type Shown = 'picture' | 'caption' | 'name';

/** Help is taken away step by step: first pictures, then captions; with twice as many levels as steps only the name is left. */
export const leastHelp = (steps: number): number => 2 * steps;
/** @param level 0 everything is shown @param step from 0 */
export function shownAt(level: number, step: number, steps: number): Shown {
  if (level >= steps + step + 1) return 'name';
  return level >= step + 1 ? 'caption' : 'picture';
}

export interface Along {
  readonly level: number;
  /** steps at which one stopped, the last time round */
  readonly stopped: readonly number[];
}
const NOTHING: Along = { level: 0, stopped: [] };
const keyOf = (knot: string, way: string) => `idiom.along.${knot}.${way}`;

/** What is kept; nothing where it cannot be read. */
export function keptAlong(knot: string, way: string): Along {
  try {
    const there = JSON.parse(kept(keyOf(knot, way)) ?? 'null') as Partial<Along> | null;
    return there && Number.isInteger(there.level) && there.level! >= 0 && Array.isArray(there.stopped)
      ? { level: there.level!, stopped: there.stopped.filter((s) => Number.isInteger(s)) }
      : NOTHING;
  } catch {
    return NOTHING;
  }
}
export function keepAlong(knot: string, way: string, along: Along): void {
  keep(keyOf(knot, way), JSON.stringify(along));
}
