/** How an entry comes into the record: asked for once, under the organisation's lock, in one transaction. */
import { fault, IdiomError } from '../../core/errors';
import type { EntryKind, EntryOf } from '../../core/records';
import { contentHash } from '../canonical';
import type { Context } from '../context';
import { inTransaction } from '../database';
import type { Keeping } from '../record/held';
import { keepingRows } from '../record/keeping';
import { append, lockChain, type Recorded } from '../tables/entries';
import type { SessionPerson } from '../tables/sessions';

export const badField = (path: string, message: string) => new IdiomError('bad-input', {}, [{ path, message }]);
/** A device's clock may run ahead by this much; more is refused. */
const CLOCK_AHEAD_MS = 10 * 60_000;

/** @throws bad-input where a time lies further ahead of the server's clock than a device's clock may be wrong */
export function notInTheFuture(path: string, at: string, now: Date): void {
  if (new Date(at).getTime() <= now.getTime() + CLOCK_AHEAD_MS) return;
  throw badField(
    path,
    `lies in the future: it says ${at.slice(0, 16)}, the server’s clock ${now.toISOString().slice(0, 16)} (UTC). One of the two clocks is wrong`,
  );
}
/** What was seen longer ago than this is no look that is signed now. */
const LONG_AGO_MS = 366 * 86_400_000;
/** @throws bad-input where a look lies longer back than a year */
export function notLongAgo(path: string, at: string, now: Date): void {
  if (new Date(at).getTime() < now.getTime() - LONG_AGO_MS)
    throw badField(path, `lies more than a year back: the server’s clock says ${now.toISOString().slice(0, 10)}`);
}
/** A day of the calendar may have begun elsewhere already, no more. */
export const isAfterToday = (day: string | null, now: Date): boolean =>
  day !== null && day > new Date(now.getTime() + 86_400_000).toISOString().slice(0, 10);
/** @throws bad-input */
export function notAfterToday(path: string, day: string | null, now: Date): void {
  if (isAfterToday(day, now)) throw badField(path, 'lies in the future');
}

const isRecorded = (x: object): x is Recorded => 'again' in x;

/** What is asked for. */
export interface Asked<K extends EntryKind> {
  readonly kind: K;
  /** made on the device: the same one twice is recorded once */
  readonly id: string;
  /** all that was sent: the same id for anything else is refused. Who asks belongs to it */
  readonly request: unknown;
  /** ids that come with it and may be new */
  readonly brings?: readonly string[];
}

/**
 * Records one entry.
 * @param make the entry's body, made while nobody else can add to the organisation's record
 * @param after what else changes with it, in the same transaction; `at` is the time that the entry has
 * @throws id-taken, also where it brings something under its own id, and what `make` throws; then nothing is changed
 */
export async function recordEntry<K extends EntryKind>(
  context: Context,
  who: SessionPerson,
  { kind, id, request, brings = [] }: Asked<K>,
  make: (k: Keeping) => Promise<EntryOf<K>['body']>,
  after: (k: Keeping, body: EntryOf<K>['body'], at: string) => Promise<void> = async () => {},
): Promise<Recorded> {
  const hash = contentHash(request);
  if (brings.includes(id)) throw fault('id-taken');
  const now = context.now();
  return inTransaction(context.recordingDb ?? context.db, async (c) => {
    const held = await lockChain(c, who.organisation, id, hash, brings);
    if (isRecorded(held)) return held;
    const { chain, free } = held;
    const by = { organisation: who.organisation, by: who.id, now, demo: who.demo };
    const work = async (k: Keeping) => {
      const body = await make(k);
      const draft = {
        id,
        organisation: who.organisation,
        kind,
        recorded_at: now.toISOString(),
        recorded_by: who.id,
        body,
      };
      const recorded = await append(c, chain, draft as Parameters<typeof append>[2], hash);
      await after(k, body, recorded.recorded_at);
      return recorded.recorded;
    };
    return keepingRows(c, by, chain, work, free);
  });
}

/** Without what was left out: bytes hold no fields without a value. */
export function present<T extends object>(
  given: T,
): { [K in keyof T as T[K] extends undefined ? never : K]: Exclude<T[K], undefined> } {
  return Object.fromEntries(Object.entries(given).filter(([, v]) => v !== undefined)) as never;
}

/** A place is typed: capitals and spaces at its ends say nothing. */
export const samePlace = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();
