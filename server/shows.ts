/**
 * What is being shown on other screens, by a code. Kept in memory only: it is the place of a film, nothing of the record; after a restart one opens it anew.
 */
import { randomInt } from 'node:crypto';
import type { z } from 'zod';
import type { showState } from '../contract';

export type ShowState = z.output<typeof showState>;
type Listener = (state: ShowState) => void;
interface Show {
  state: ShowState;
  readonly by: string;
  readonly ends: Date;
  readonly listeners: Set<Listener>;
}

const LASTS_h = 8;
/** more open shows than this: the oldest is closed */
const MOST = 300;
/** screens that follow one show */
const MOST_SCREENS = 60;

export class Shows {
  private readonly open = new Map<string, Show>();
  constructor(private readonly now: () => Date) {}

  /** @param by the person who shows it @returns its code, six digits, and until when it stands */
  begin(by: string, state: ShowState): { code: string; ends_at: string } {
    for (const [code, show] of this.open) if (show.ends <= this.now()) this.open.delete(code);
    const oldest = this.open.keys().next().value;
    if (this.open.size >= MOST && oldest !== undefined) this.open.delete(oldest);
    let code: string;
    do code = String(randomInt(100_000, 1_000_000));
    while (this.open.has(code));
    const ends = new Date(this.now().getTime() + LASTS_h * 3_600_000);
    this.open.set(code, { state, by, ends, listeners: new Set() });
    return { code, ends_at: ends.toISOString() };
  }
  private found(code: string): Show | null {
    const show = this.open.get(code);
    return show && show.ends > this.now() ? show : null;
  }
  /** @returns how many screens follow; null where there is no such show, or another opened it */
  move(code: string, by: string, state: ShowState): number | null {
    const show = this.found(code);
    if (show?.by !== by) return null;
    show.state = state;
    for (const tell of show.listeners) tell(state);
    return show.listeners.size;
  }
  /** @param tell is told where it stands, at once and whenever it moves @returns how to stop; null where there is no such show, or too many follow it */
  follow(code: string, tell: Listener): (() => void) | null {
    const show = this.found(code);
    if (!show || show.listeners.size >= MOST_SCREENS) return null;
    show.listeners.add(tell);
    tell(show.state);
    return () => void show.listeners.delete(tell);
  }
}
