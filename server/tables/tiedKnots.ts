import { entryById } from '../../core/knots/catalogue/lookup';
import type { Use } from '../../core/knots/facts/uses';
import { lookAgainAfter_h, rulesOf, shippedProfile } from '../../core/profiles';
import { askedAgain, dueAt, type Again, type KnotEventKind, type LookedAt } from '../../core/records';
import { ROPE_STATE_SQL } from './ropes';
import { rows, run, type Connection, type Database } from '../database';
import type { Keeping } from '../record/held';

export interface TiedKnotRow {
  readonly id: string;
  readonly knot: string;
  readonly rope: string;
  readonly place: string;
  /** none: somebody outside, or not known */
  readonly tied_by: string | null;
  readonly tied_by_words: string | null;
  readonly tied_at: string;
  readonly ended_at: string | null;
  readonly ended_why: string | null;
  readonly last_check: string | null;
  readonly last_check_at: string | null;
  /** what it was last looked at for */
  readonly use: string | null;
  readonly moved_to: string | null;
  readonly again: readonly Again[];
}
export type NewTiedKnot = Pick<TiedKnotRow, 'id' | 'knot' | 'rope' | 'place' | 'tied_by' | 'tied_by_words' | 'tied_at'>;
interface Raw {
  id: string;
  organisation: string;
  knot: string;
  rope: string;
  place: string;
  tied_by: string | null;
  tied_by_words: string | null;
  tied_at: Date;
  ended_at: Date | null;
  ended_why: string | null;
  request_sha256: string;
  rope_tag: string;
  rope_state: 'in-service' | 'damaged' | 'retired';
}
interface Event {
  id: string;
  tied_knot: string;
  kind: KnotEventKind;
  moved_to: string | null;
  noted_at: Date;
  request_sha256: string;
}

/** What `askedAgain` and `dueAt` are told of a knot. */
interface Known extends LookedAt {
  readonly last_check: string | null;
  readonly use: string | null;
  readonly moved_to: string | null;
}

/** How long the rules of a check let a look stand, hours; undefined where they do not say. */
function intervalOf(
  knot: string,
  last: { readonly profile: string; readonly profile_version: number; readonly made_for: string | null },
): number | undefined {
  const profile = shippedProfile(`${last.profile}@${last.profile_version}`);
  return last.made_for === null
    ? profile.lookAgainAfter_h
    : lookAgainAfter_h(rulesOf(profile), entryById(knot), last.made_for as Use);
}

/** Of each knot its last check, and what happened to it. */
async function lookedAt(db: Database | Connection, found: readonly Raw[]): Promise<Map<string, Known>> {
  if (found.length === 0) return new Map();
  const ids = found.map((r) => r.id);
  // one after the other: inside a transaction there is one connection
  const checks = await rows<{
    tied_knot: string;
    check_id: string;
    seen_at: Date;
    profile: string;
    profile_version: number;
    made_for: string | null;
  }>(
    db,
    'SELECT tied_knot, check_id, seen_at, profile, profile_version, made_for FROM check_status WHERE tied_knot IN (?) AND NOT short_look ORDER BY seen_at',
    [ids],
  );
  const events = await rows<Event>(db, 'SELECT * FROM knot_events WHERE tied_knot IN (?) ORDER BY noted_at', [ids]);
  return new Map(
    found.map((r) => {
      const last = checks.findLast((c) => c.tied_knot === r.id);
      return [
        r.id,
        {
          last_check: last?.check_id ?? null,
          last_check_at: last?.seen_at.toISOString() ?? null,
          use: last?.made_for ?? null,
          moved_to: events.findLast((e) => e.tied_knot === r.id && e.moved_to !== null)?.moved_to ?? null,
          rope_state: r.rope_state,
          interval_h: last && intervalOf(r.knot, last),
          events: events
            .filter((e) => e.tied_knot === r.id)
            .map((e) => ({ kind: e.kind, at: e.noted_at.toISOString() })),
        },
      ];
    }),
  );
}

/** With the last check of each and what happened to it since: whether it is to be looked at again. */
async function withAgain(
  db: Database | Connection,
  found: readonly Raw[],
  now: Date,
): Promise<(TiedKnotRow & { rope_tag: string })[]> {
  const known = await lookedAt(db, found);
  return found.map((r) => {
    const own = known.get(r.id)!;
    return {
      id: r.id,
      knot: r.knot,
      rope: r.rope,
      rope_tag: r.rope_tag,
      place: r.place,
      tied_by: r.tied_by,
      tied_by_words: r.tied_by_words,
      tied_at: r.tied_at.toISOString(),
      ended_at: r.ended_at?.toISOString() ?? null,
      ended_why: r.ended_why,
      last_check: own.last_check,
      last_check_at: own.last_check_at,
      use: own.use,
      moved_to: own.moved_to,
      again: r.ended_at ? [] : askedAgain(entryById(r.knot), own, now.toISOString()),
    };
  });
}
/**
 * Knots with the rope that each hangs in. Which ones is said of the knots alone, so that they are found by their own index
 * however many there are: joined first, all would be read and sorted.
 * @param by an index that has to be taken
 */
const withRope = (where: string, order = '', limit = '', by = ''): string =>
  `SELECT k.*, r.tag AS rope_tag, ${ROPE_STATE_SQL} AS rope_state
  FROM (SELECT k.* FROM tied_knots k ${by} WHERE ${where} ${order} ${limit}) k
  JOIN ropes r ON r.id = k.rope LEFT JOIN rope_status s ON s.rope = k.rope ${order}`;
const plain = ({ rope_tag: _, ...row }: TiedKnotRow & { rope_tag: string }): TiedKnotRow => row;

/** The row as it is stored, of whatever organisation: for knowing a request again, and for verifying. */
export async function storedTiedKnot(
  db: Database | Connection,
  id: string,
): Promise<(NewTiedKnot & { organisation: string; request_sha256: string }) | null> {
  const [r] = await rows<Raw>(db, 'SELECT * FROM tied_knots WHERE id = ?', [id]);
  return r
    ? {
        id: r.id,
        knot: r.knot,
        rope: r.rope,
        place: r.place,
        tied_by: r.tied_by,
        tied_by_words: r.tied_by_words,
        tied_at: r.tied_at.toISOString(),
        organisation: r.organisation,
        request_sha256: r.request_sha256,
      }
    : null;
}
export async function tiedKnotById(
  db: Database | Connection,
  organisation: string,
  id: string,
  now: Date,
): Promise<TiedKnotRow | null> {
  const [r] = await withAgain(
    db,
    await rows<Raw>(db, withRope('k.organisation = ? AND k.id = ?'), [organisation, id]),
    now,
  );
  return r ? plain(r) : null;
}
/** @throws id-taken */
export async function insertTiedKnot(keep: Keeping, k: NewTiedKnot, request_sha256: string): Promise<void> {
  await keep.made('tied_knots', k.id);
  await run(
    keep.c,
    'INSERT INTO tied_knots (id, organisation, knot, rope, place, tied_by, tied_by_words, tied_at, due_at, request_sha256) VALUES (?)',
    // due since it was tied, until somebody has looked
    [
      [
        k.id,
        keep.organisation,
        k.knot,
        k.rope,
        k.place,
        k.tied_by,
        k.tied_by_words,
        new Date(k.tied_at),
        new Date(k.tied_at),
        request_sha256,
      ],
    ],
  );
}
/** Ends a knot that has not ended; does nothing otherwise. */
export async function endTiedKnot(k: Keeping, id: string, why: string): Promise<void> {
  const { affectedRows } = await run(
    k.c,
    'UPDATE tied_knots SET ended_at = ?, ended_why = ? WHERE organisation = ? AND id = ? AND ended_at IS NULL',
    [k.now, why, k.organisation, id],
  );
  if (affectedRows > 0) k.changed('tied_knots', id);
}
export async function tiedKnotsPage(
  db: Database,
  organisation: string,
  limit: number,
  before: { at: Date; id: string } | null,
  now: Date,
): Promise<TiedKnotRow[]> {
  const order = 'ORDER BY k.tied_at DESC, k.id DESC';
  const found = before
    ? await rows<Raw>(
        db,
        // left to itself it begins at the newest and passes over all that are not wanted
        withRope(
          'k.organisation = ? AND k.tied_at <= ? AND (k.tied_at < ? OR k.id < ?)',
          order,
          'LIMIT ?',
          'FORCE INDEX (organisation)',
        ),
        [organisation, before.at, before.at, before.id, limit],
      )
    : await rows<Raw>(db, withRope('k.organisation = ?', order, 'LIMIT ?'), [organisation, limit]);
  return (await withAgain(db, found, now)).map(plain);
}

/** Knots still in their ropes that are to be looked at again, the most overdue first. */
export async function toLookAtAgain(
  db: Database,
  organisation: string,
  limit: number,
  now: Date,
): Promise<(TiedKnotRow & { rope_tag: string })[]> {
  const found = await rows<Raw>(
    db,
    withRope('k.organisation = ? AND k.ended_at IS NULL AND k.due_at <= ?', 'ORDER BY k.due_at', 'LIMIT ?'),
    [organisation, now, limit],
  );
  return (await withAgain(db, found, now)).filter((k) => k.again.length > 0);
}

/** Works out anew when a knot, or every knot that hangs in a rope, is due again. */
export async function workOutDue(
  db: Database | Connection,
  of: { readonly knot: string } | { readonly rope: string },
): Promise<void> {
  const [where, value] = 'knot' in of ? ['k.id = ?', of.knot] : ['k.rope = ? AND k.ended_at IS NULL', of.rope];
  await keepDue(db, await rows<Raw>(db, withRope(where), [value]));
}

const AT_ONCE = 1000;
/** Works it out for knots of an organisation that hang and of which it was never done: those of an older program. By index, so many at a time. */
export async function workOutUnknown(db: Database, organisation: string): Promise<number> {
  let count = 0;
  for (;;) {
    const found = await rows<Raw>(
      db,
      withRope('k.organisation = ? AND k.ended_at IS NULL AND k.due_at IS NULL', '', 'LIMIT ?'),
      [organisation, AT_ONCE],
    );
    await keepDue(db, found);
    count += found.length;
    if (found.length < AT_ONCE) return count;
  }
}

/** When each knot is due again, by what is known of it. */
async function dueOf(db: Database | Connection, found: readonly Raw[]): Promise<Map<string, Date>> {
  const known = await lookedAt(db, found);
  return new Map(
    found.map((r) => [r.id, new Date(dueAt(entryById(r.knot), known.get(r.id)!, r.tied_at.toISOString()))]),
  );
}
async function keepDue(db: Database | Connection, found: readonly Raw[]): Promise<void> {
  for (const [id, at] of await dueOf(db, found))
    await run(db, 'UPDATE tied_knots SET due_at = ? WHERE id = ?', [at, id]);
}

/** Knots that hang and are due at another time than what is known of them says. */
export async function dueOtherwise(
  db: Database,
  organisation: string,
): Promise<{ id: string; is: string | null; should: string }[]> {
  const wrong: { id: string; is: string | null; should: string }[] = [];
  for (let after = ''; ;) {
    const found = await rows<Raw & { due_at: Date | null }>(
      db,
      withRope('k.organisation = ? AND k.ended_at IS NULL AND k.id > ?', 'ORDER BY k.id', 'LIMIT ?'),
      [organisation, after, AT_ONCE],
    );
    const due = await dueOf(db, found);
    for (const r of found) {
      const [is, should] = [r.due_at?.toISOString() ?? null, due.get(r.id)!.toISOString()];
      if (is !== should) wrong.push({ id: r.id, is, should });
    }
    if (found.length < AT_ONCE) return wrong;
    after = found.at(-1)!.id;
  }
}

export async function knotEventById(
  db: Database | Connection,
  id: string,
): Promise<{ row: { tied_knot: string }; organisation: string; request_sha256: string } | null> {
  const [r] = await rows<Event & { organisation: string }>(
    db,
    'SELECT tied_knot, organisation, request_sha256 FROM knot_events WHERE id = ?',
    [id],
  );
  return r ? { row: { tied_knot: r.tied_knot }, organisation: r.organisation, request_sha256: r.request_sha256 } : null;
}
/** @throws id-taken */
export async function insertKnotEvent(
  k: Keeping,
  e: {
    id: string;
    tied_knot: string;
    kind: KnotEventKind;
    moved_to?: string | undefined;
    note: string;
    noted_by: string;
  },
  request_sha256: string,
): Promise<void> {
  await k.made('knot_events', e.id);
  await run(
    k.c,
    'INSERT INTO knot_events (id, organisation, tied_knot, kind, moved_to, note, noted_by, noted_at, request_sha256) VALUES (?)',
    [[e.id, k.organisation, e.tied_knot, e.kind, e.moved_to ?? null, e.note, e.noted_by, k.now, request_sha256]],
  );
  await workOutDue(k.c, { knot: e.tied_knot });
}
/** Knots still in a rope, the last tied first. */
export async function knotsInRope(db: Database, organisation: string, rope: string, now: Date): Promise<TiedKnotRow[]> {
  return (
    await withAgain(
      db,
      await rows<Raw>(
        db,
        withRope('k.organisation = ? AND k.rope = ? AND k.ended_at IS NULL', 'ORDER BY k.tied_at DESC', 'LIMIT 200'),
        [organisation, rope],
      ),
      now,
    )
  ).map(plain);
}
/** The knot of a kind that was tied last at a place and still hangs there. @param rope null: in whichever */
export async function hangsThere(
  db: Database,
  organisation: string,
  knot: string,
  place: string,
  rope: string | null,
  now: Date,
): Promise<TiedKnotRow | null> {
  const found = await rows<Raw>(
    db,
    withRope(
      `k.organisation = ? AND k.ended_at IS NULL AND k.knot = ? AND TRIM(k.place) = ?${rope === null ? '' : ' AND k.rope = ?'}`,
      'ORDER BY k.tied_at DESC',
      'LIMIT 1',
    ),
    [organisation, knot, place.trim(), ...(rope === null ? [] : [rope])],
  );
  const [r] = await withAgain(db, found, now);
  return r ? plain(r) : null;
}
