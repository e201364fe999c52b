/**
 * When a tied knot is to be looked at again: it was never looked at; it was moved, loaded anew, or another rope took the load since; it hung
 * idle, or for so long that a knot of its kind may have loosened. The occasions are practice; the hours are general.
 */
import type { KnotEntry } from '../knots/facts/types';

export const KNOT_EVENTS = ['moved', 'other-rope-took-load', 'reloaded', 'left-idle'] as const;
export type KnotEventKind = (typeof KNOT_EVENTS)[number];
export const EVENT_WORDS: Readonly<Record<KnotEventKind, string>> = {
  moved: 'moved',
  'other-rope-took-load': 'another rope took the load',
  reloaded: 'loaded anew',
  'left-idle': 'hung idle',
};

/** A knot that may loosen when idle is looked at again after so long; any other after so long. General. */
export const HOURS_UNTIL_AGAIN = { loosens: 12, keeps: 7 * 24 } as const;

export interface LookedAt {
  /** of the last check of it; null where there was none */
  readonly last_check_at: string | null;
  readonly events: readonly { readonly kind: KnotEventKind; readonly at: string }[];
  /** the rope was retired, or damage found in it, and nothing was done about it */
  readonly rope_state?: 'in-service' | 'damaged' | 'retired' | undefined;
  /** the rule set's own interval, hours; the usual one where it sets none */
  readonly interval_h?: number | undefined;
}

export interface Again {
  readonly why: 'never' | 'rope-state' | KnotEventKind | 'long-ago';
  readonly text: string;
  readonly since: string | null;
}

/** Hours after which a look no longer stands. A rule set's interval never stretches the time of a knot that loosens. */
function hoursItStands(knot: Pick<KnotEntry, 'keeps_when_idle'>, interval_h: number | undefined): number {
  const usual = knot.keeps_when_idle ? HOURS_UNTIL_AGAIN.keeps : HOURS_UNTIL_AGAIN.loosens;
  return Math.min(interval_h ?? usual, knot.keeps_when_idle ? Infinity : usual);
}

/**
 * From when on a knot is to be looked at again, as far as is known now: the sooner, the more overdue. `askedAgain` says why.
 * @param tied_at ISO instant
 * @returns ISO instant
 */
export function dueAt(
  knot: Pick<KnotEntry, 'keeps_when_idle'>,
  { last_check_at, events, rope_state, interval_h }: LookedAt,
  tied_at: string,
): string {
  // in a rope that is out of use, or never looked at, it has been due since it was tied
  if (last_check_at === null || (rope_state ?? 'in-service') !== 'in-service') return tied_at;
  const stands = new Date(Date.parse(last_check_at) + hoursItStands(knot, interval_h) * 3_600_000).toISOString();
  return [stands, ...events.map((e) => e.at).filter((at) => at > last_check_at)].sort()[0]!;
}

/**
 * @param now ISO instant
 * @returns every reason, the gravest first; empty where the last look still stands
 */
export function askedAgain(
  knot: Pick<KnotEntry, 'keeps_when_idle' | 'loosens'>,
  { last_check_at, events, rope_state, interval_h }: LookedAt,
  now: string,
): Again[] {
  const rope: Again[] =
    rope_state === 'retired' || rope_state === 'damaged'
      ? [
          {
            why: 'rope-state',
            text:
              rope_state === 'retired'
                ? 'its rope is retired: take it out'
                : 'its rope has damage that nothing was done about: take it out',
            since: null,
          },
        ]
      : [];
  if (last_check_at === null)
    return [...rope, { why: 'never', text: 'nobody has looked at both faces yet', since: null }];
  const since = events.filter((e) => e.at > last_check_at);
  const happened = KNOT_EVENTS.flatMap((kind): Again[] => {
    const first = since
      .filter((e) => e.kind === kind)
      .map((e) => e.at)
      .sort()[0];
    return first === undefined
      ? []
      : [{ why: kind, text: `${EVENT_WORDS[kind]} since it was looked at: unchecked`, since: first }];
  });
  const hours = hoursItStands(knot, interval_h);
  const passed = (Date.parse(now) - Date.parse(last_check_at)) / 3_600_000;
  const long: Again[] =
    passed > hours
      ? [
          {
            why: 'long-ago',
            text: knot.keeps_when_idle
              ? passed >= 48
                ? `last looked at ${Math.floor(passed / 24)} days ago`
                : `last looked at ${Math.floor(passed)} hours ago`
              : `last looked at ${Math.floor(passed)} hours ago; ${knot.loosens.text}`,
            since: last_check_at,
          },
        ]
      : [];
  return [...rope, ...happened, ...long];
}
