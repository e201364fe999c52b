import type { Person } from '../../contract';
import { rows, run, type Database } from '../database';
import type { Role } from '../../contract';

export interface SessionPerson {
  readonly id: string;
  readonly organisation: string;
  readonly organisation_name: string;
  readonly demo: boolean;
  /** a first password, given by somebody else, that was not changed yet */
  readonly must_change: boolean;
  readonly person: Person;
}

export async function insertSession(
  db: Database,
  token_sha256: string,
  person: string,
  now: Date,
  expires: Date,
): Promise<void> {
  await run(db, 'INSERT INTO sessions (token_sha256, person, created_at, expires_at) VALUES (?)', [
    [token_sha256, person, now, expires],
  ]);
  await run(db, 'DELETE FROM sessions WHERE expires_at < ? LIMIT 100', [now]);
}
export async function deleteSession(db: Database, token_sha256: string): Promise<void> {
  await run(db, 'DELETE FROM sessions WHERE token_sha256 = ?', [token_sha256]);
}

interface Found {
  id: string;
  organisation: string;
  organisation_name: string;
  demo: number;
  handle: string;
  name: string;
  roles: string;
  fist_mm: number;
  arm_mm: number | null;
  hand_mm: number | null;
  foot_mm: number | null;
  calibrated: number;
  has_pin: number;
  must_change: number;
  length_unit: Person['length_unit'];
  hand: Person['hand'];
  single_keys: number;
}
export const SESSION_QUERY =
  'SELECT p.id, p.organisation, o.name AS organisation_name, o.demo, p.handle, p.name, p.roles, p.fist_mm, p.arm_mm, p.hand_mm, p.foot_mm, p.calibrated, p.pin_hash IS NOT NULL AS has_pin, p.must_change, p.length_unit, p.hand, p.single_keys FROM sessions s JOIN people p ON p.id = s.person JOIN organisations o ON o.id = p.organisation WHERE s.token_sha256 = ? AND s.expires_at > ?';

export async function sessionPerson(db: Database, token_sha256: string, now: Date): Promise<SessionPerson | null> {
  const [r] = await rows<Found>(db, SESSION_QUERY, [token_sha256, now]);
  if (!r) return null;
  const person: Person = {
    id: r.id,
    handle: r.handle,
    name: r.name,
    roles: r.roles.split(',').filter(Boolean) as Role[],
    fist_mm: r.fist_mm,
    arm_mm: r.arm_mm,
    hand_mm: r.hand_mm,
    foot_mm: r.foot_mm,
    calibrated: Boolean(r.calibrated),
    has_pin: Boolean(r.has_pin),
    length_unit: r.length_unit,
    hand: r.hand,
    single_keys: Boolean(r.single_keys),
  };
  return {
    id: r.id,
    organisation: r.organisation,
    organisation_name: r.organisation_name,
    demo: Boolean(r.demo),
    must_change: Boolean(r.must_change),
    person,
  };
}
/** Ends every session of a person, but for one: a new password leaves none behind. */
export async function endSessionsOf(db: Database, person: string, but: string | null = null): Promise<void> {
  await run(db, 'DELETE FROM sessions WHERE person = ? AND token_sha256 <> ?', [person, but ?? '']);
}
