/**
 * What is being shown on other screens, by a code. Kept in memory only: it is the place of a film, nothing of the record; after a restart one opens it anew.
 */
import { randomInt } from 'node:crypto';
import type { z } from 'zod';
import type { showState } from '../contract';
import { fault } from '../core/errors';

export type ShowState = z.output<typeof showState>;
type Listener = (state: ShowState) => void;
interface Show {
  state: ShowState;
  readonly by: string;
  readonly ends: Date;
  readonly listeners: Set<Listener>;
}

const LASTS_h = 8;
/** open shows in all, and of one person; beyond the latter one's own oldest is closed, never somebody else's */
const MOST = 600;
const MOST_OF_ONE = 3;
/** screens that follow one show */
const MOST_SCREENS = 200;
/** wrong codes from one address in a window: beyond them none is looked for */
const MOST_WRONG = 20;
const WINDOW_ms = 10 * 60_000;
const MOST_ADDRESSES = 10_000;

export class Shows {
  private readonly open = new Map<string, Show>();
  private readonly wrong = new Map<string, { count: number; since: number }>();
  constructor(private readonly now: () => Date) {}

  /** @param by the person who shows it @returns its code, six digits, and until when it stands */
  begin(by: string, state: ShowState): { code: string; ends_at: string } {
    for (const [code, show] of this.open) if (show.ends <= this.now()) this.open.delete(code);
    const own = [...this.open].filter(([, show]) => show.by === by);
    if (own.length >= MOST_OF_ONE) this.open.delete(own[0]![0]);
    if (this.open.size >= MOST) throw fault('busy-computing', { seconds: 60 });
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
  /** Codes are not guessed: so many wrong ones of an address, then none is taken for a while. @throws too-many-tries */
  private mayTry(address: string): void {
    const at = this.now().getTime();
    const t = this.wrong.get(address);
    if (t && at - t.since <= WINDOW_ms && t.count >= MOST_WRONG)
      throw fault('too-many-tries', { seconds: Math.ceil((t.since + WINDOW_ms - at) / 1000) });
  }
  private wasWrong(address: string): void {
    const at = this.now().getTime();
    const t = this.wrong.get(address);
    if (t && at - t.since <= WINDOW_ms) t.count += 1;
    else {
      if (this.wrong.size >= MOST_ADDRESSES) this.wrong.delete(this.wrong.keys().next().value!);
      this.wrong.set(address, { count: 1, since: at });
    }
  }
  /** @param tell is told where it stands, at once and whenever it moves @returns how to stop; null where there is no such show, or too many follow it */
  follow(code: string, tell: Listener, address = ''): (() => void) | null {
    this.mayTry(address);
    const show = this.found(code);
    if (!show) {
      this.wasWrong(address);
      return null;
    }
    if (show.listeners.size >= MOST_SCREENS) throw fault('busy-computing', { seconds: 30 });
    show.listeners.add(tell);
    tell(show.state);
    return () => void show.listeners.delete(tell);
  }
}
