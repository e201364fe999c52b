/** What each person is signed off to tie and, apart, to check: the last row for a knot holds. */
import { rows, run, type Connection, type Database } from '../database';
import type { Keeping } from '../record/held';

export interface SignOff {
  readonly knot: string;
  readonly may: 'tie' | 'check';
  readonly by_name: string;
  readonly at: string;
}
interface Row {
  id: string;
  organisation: string;
  person: string;
  knot: string;
  may: 'tie' | 'check';
  given: number;
  signed_at: Date;
  by_name: string;
  request_sha256: string;
}

export async function signOffById(
  db: Database,
  id: string,
): Promise<{ row: { person: string }; organisation: string; request_sha256: string } | null> {
  const [r] = await rows<Row>(db, 'SELECT person, organisation, request_sha256 FROM sign_offs WHERE id = ?', [id]);
  return r ? { row: { person: r.person }, organisation: r.organisation, request_sha256: r.request_sha256 } : null;
}
/** @throws id-taken */
export async function insertSignOff(
  k: Keeping,
  s: { id: string; person: string; knot: string; may: 'tie' | 'check'; given: boolean; signed_by: string },
  request_sha256: string,
): Promise<void> {
  await k.made('sign_offs', s.id);
  await run(
    k.c,
    'INSERT INTO sign_offs (id, organisation, person, knot, may, given, signed_by, signed_at, request_sha256) VALUES (?)',
    [[s.id, k.organisation, s.person, s.knot, s.may, s.given, s.signed_by, k.now, request_sha256]],
  );
}
export async function signedOff(db: Database | Connection, organisation: string, person: string): Promise<SignOff[]> {
  const found = await rows<Row>(
    db,
    'SELECT s.*, p.name AS by_name FROM sign_offs s JOIN people p ON p.id = s.signed_by WHERE s.organisation = ? AND s.person = ? ORDER BY s.signed_at, s.id',
    [organisation, person],
  );
  const last = new Map(found.map((r) => [`${r.knot} ${r.may}`, r]));
  return [...last.values()]
    .filter((r) => r.given)
    .map((r) => ({ knot: r.knot, may: r.may, by_name: r.by_name, at: r.signed_at.toISOString() }));
}
/** Who of some people is signed off for a knot, and for what; null where the organisation signs nobody off. */
export async function signedOffFor(
  c: Connection,
  organisation: string,
  knot: string,
  people: readonly string[],
): Promise<((person: string, what: 'tie' | 'check') => boolean) | null> {
  const found = await rows<Pick<Row, 'person' | 'may' | 'given'>>(
    c,
    'SELECT person, may, given FROM sign_offs WHERE organisation = ? AND person IN (?) AND knot = ? ORDER BY signed_at, id',
    [organisation, people, knot],
  );
  if (
    found.length === 0 &&
    (await rows(c, 'SELECT id FROM sign_offs WHERE organisation = ? LIMIT 1', [organisation])).length === 0
  )
    return null;
  return (person, what) => Boolean(found.findLast((r) => r.person === person && r.may === what)?.given);
}
