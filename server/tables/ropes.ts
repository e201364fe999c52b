/** Ropes, cords, slings, karabiners; how each stands now follows from the entries about it. */
import type { RopeRow } from '../../contract';
import { openDamages, ropeLife, type EntryOf, type RopeHappening, type RopeLife } from '../../core/records';
import { rows, run, type Connection, type Database } from '../database';
import type { Keeping } from '../record/held';

/** How a rope stands, of `ropes r LEFT JOIN rope_status s`. */
export const ROPE_STATE_SQL =
  "IF(r.state = 'retired' OR COALESCE(s.retired, FALSE), 'retired', IF(COALESCE(s.open_damages, 0) > 0, 'damaged', 'in-service'))";
const SELECT = `SELECT r.id, r.tag, r.thing, r.kind, r.diameter_mm, GREATEST(0, ROUND(r.length_m - COALESCE(s.cut_m, 0), 4)) AS length_m, r.length_m AS first_length_m, ${ROPE_STATE_SQL} AS state,
  COALESCE(s.open_damages, 0) AS open_damages, COALESCE(s.hard_falls, 0) AS hard_falls, DATE_FORMAT(r.in_service_since, '%Y-%m-%d') AS in_service_since, r.note,
  (SELECT COUNT(*) FROM check_status c WHERE c.organisation = r.organisation AND c.rope = r.id AND c.open_finding) AS open_findings,
  (SELECT COUNT(*) FROM tied_knots k WHERE k.rope = r.id AND k.ended_at IS NULL) AS knots_in_it
  FROM ropes r LEFT JOIN rope_status s ON s.rope = r.id`;

export async function ropesOf(db: Database, organisation: string): Promise<RopeRow[]> {
  return rows<RopeRow>(
    db,
    `${SELECT} WHERE r.organisation = ? ORDER BY ${ROPE_STATE_SQL} = 'retired', r.thing, r.tag`,
    [organisation],
  );
}
export async function ropeById(db: Database | Connection, organisation: string, id: string): Promise<RopeRow | null> {
  const [r] = await rows<RopeRow>(db, `${SELECT} WHERE r.organisation = ? AND r.id = ?`, [organisation, id]);
  return r ?? null;
}
/** What a recording asks of a rope. */
export type RopeInChain = Pick<RopeRow, 'id' | 'tag' | 'thing' | 'diameter_mm' | 'state'> & {
  readonly kind: NonNullable<RopeRow['kind']>;
};
/** The same row without what lists count; `kind` is null of what is no rope. */
export async function ropeInChain(
  c: Connection,
  organisation: string,
  id: string,
): Promise<(Omit<RopeInChain, 'kind'> & Pick<RopeRow, 'kind'>) | null> {
  const [r] = await rows<RopeRow>(
    c,
    `SELECT r.id, r.tag, r.thing, r.kind, r.diameter_mm, ${ROPE_STATE_SQL} AS state
     FROM ropes r LEFT JOIN rope_status s ON s.rope = r.id WHERE r.organisation = ? AND r.id = ?`,
    [organisation, id],
  );
  return r ?? null;
}
/** Whether the id is taken, and by which request. */
export async function storedRope(
  db: Database | Connection,
  id: string,
): Promise<{ organisation: string; request_sha256: string | null } | null> {
  const [r] = await rows<{ organisation: string; request_sha256: string | null }>(
    db,
    'SELECT organisation, request_sha256 FROM ropes WHERE id = ?',
    [id],
  );
  return r ?? null;
}

export interface NewRope extends Pick<RopeRow, 'id' | 'tag' | 'kind' | 'diameter_mm' | 'note'> {
  readonly thing?: RopeRow['thing'];
  /** as it comes */
  readonly length_m: number | null;
  readonly state?: 'in-service' | 'retired';
  readonly in_service_since?: string | null;
}
/** @throws id-taken */
export async function insertRope(k: Keeping, r: NewRope, request_sha256: string | null = null): Promise<void> {
  await k.made('ropes', r.id);
  await run(
    k.c,
    'INSERT INTO ropes (id, organisation, tag, thing, kind, diameter_mm, length_m, state, in_service_since, note, created_at, request_sha256) VALUES (?)',
    [
      [
        r.id,
        k.organisation,
        r.tag,
        r.thing ?? 'rope',
        r.kind,
        r.diameter_mm,
        r.length_m,
        r.state ?? 'in-service',
        r.in_service_since ?? null,
        r.note,
        k.now,
        request_sha256,
      ],
    ],
  );
}
/** How the database sorts texts: it holds those equal of which this is. */
const WEIGHT = (of: string) => `HEX(WEIGHT_STRING(${of} COLLATE utf8mb4_unicode_ci))`;
/** What the tags of an organisation are held equal by. */
export async function tagsHeld(c: Connection, organisation: string): Promise<string[]> {
  const found = await rows<{ held: string }>(c, `SELECT ${WEIGHT('tag')} AS held FROM ropes WHERE organisation = ?`, [
    organisation,
  ]);
  return found.map((r) => r.held);
}
/** What texts would be held equal by, in their order; null where there is none. */
export async function heldAs(c: Connection, texts: readonly (string | null)[]): Promise<(string | null)[]> {
  const given = texts.flatMap((text, i) => (text === null ? [] : [{ text, i }]));
  const held: (string | null)[] = texts.map(() => null);
  if (given.length === 0) return held;
  const found = await rows<{ i: number; held: string }>(
    c,
    `SELECT i, ${WEIGHT('CONVERT(text USING utf8mb4)')} AS held FROM (${given.map(() => 'SELECT ? AS i, ? AS text').join(' UNION ALL ')}) given`,
    given.flatMap(({ text, i }) => [i, text]),
  );
  for (const r of found) held[Number(r.i)] = r.held;
  return held;
}

export const happeningOf = (e: EntryOf<'rope-event'>): RopeHappening => ({ ...e.body, id: e.id });
/** The life that a rope's entries tell. */
export const lifeOf = (first_length_m: number | null, entries: readonly EntryOf<'rope-event'>[]): RopeLife =>
  ropeLife(first_length_m, entries.map(happeningOf));

export interface RopeStatus {
  readonly rope: string;
  readonly organisation: string;
  readonly sequence: number;
  readonly retired: boolean;
  readonly open_damages: number;
  readonly hard_falls: number;
  readonly cut_m: number;
}
/** What lists show of a rope, from its entries. @param first_length_m as it came: damage that was cut off at the other end is gone */
export function ropeStatusOf(
  organisation: string,
  rope: string,
  first_length_m: number | null,
  entries: readonly EntryOf<'rope-event'>[],
): RopeStatus {
  const life = lifeOf(first_length_m, entries);
  return {
    rope,
    organisation,
    sequence: entries.at(-1)!.sequence,
    retired: life.retired !== null,
    open_damages: openDamages(life).length,
    hard_falls: life.hard_falls,
    cut_m: life.cut_m,
  };
}
export async function firstLengthOf(db: Database | Connection, rope: string): Promise<number | null> {
  return (
    (await rows<{ length_m: number | null }>(db, 'SELECT length_m FROM ropes WHERE id = ?', [rope]))[0]?.length_m ??
    null
  );
}
export async function storeRopeStatus(
  db: Database | Connection,
  organisation: string,
  rope: string,
  entries: readonly EntryOf<'rope-event'>[],
): Promise<void> {
  const s = ropeStatusOf(organisation, rope, await firstLengthOf(db, rope), entries);
  const keys = Object.keys(s) as (keyof RopeStatus)[];
  await run(
    db,
    `INSERT INTO rope_status (${keys.join(', ')}) VALUES (?) ON DUPLICATE KEY UPDATE ${keys
      .slice(1)
      .map((k) => `${k} = VALUES(${k})`)
      .join(', ')}`,
    [keys.map((k) => s[k])],
  );
}
export async function storedRopeStatuses(db: Database, organisation: string): Promise<RopeStatus[]> {
  return (
    await rows<RopeStatus>(
      db,
      'SELECT rope, organisation, sequence, retired, open_damages, hard_falls, cut_m FROM rope_status WHERE organisation = ?',
      [organisation],
    )
  ).map((r) => ({ ...r, retired: Boolean(r.retired) }));
}
