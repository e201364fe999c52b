import { randomBytes } from 'node:crypto';
import type { Person, Role } from '../../contract';
import { rows, run, type Connection, type Database } from '../database';
import { ERASED_NAME } from '../record/covered';
import type { Keeping } from '../record/held';

interface PersonRow {
  id: string;
  organisation: string;
  handle: string;
  name: string;
  password_hash: string;
  pin_hash: string | null;
  roles: string;
  fist_mm: number;
  arm_mm: number | null;
  hand_mm: number | null;
  foot_mm: number | null;
  calibrated: number;
  length_unit: Person['length_unit'];
  hand: Person['hand'];
  single_keys: number;
  must_change: number;
  about: string;
}
export interface StoredPerson extends Person {
  readonly organisation: string;
  readonly password_hash: string;
  readonly pin_hash: string | null;
  readonly must_change: boolean;
  readonly about: string;
}

const COLUMNS =
  'id, organisation, handle, name, password_hash, pin_hash, roles, fist_mm, arm_mm, hand_mm, foot_mm, calibrated, length_unit, hand, single_keys, must_change, about';

const fromRow = (r: PersonRow): StoredPerson => ({
  id: r.id,
  organisation: r.organisation,
  handle: r.handle,
  name: r.name,
  password_hash: r.password_hash,
  pin_hash: r.pin_hash,
  has_pin: r.pin_hash !== null,
  roles: r.roles.split(',').filter(Boolean) as Role[],
  fist_mm: r.fist_mm,
  arm_mm: r.arm_mm,
  hand_mm: r.hand_mm,
  foot_mm: r.foot_mm,
  calibrated: Boolean(r.calibrated),
  length_unit: r.length_unit,
  hand: r.hand,
  single_keys: Boolean(r.single_keys),
  must_change: Boolean(r.must_change),
  about: r.about,
});

/** What may leave the server of a person. */
export function publicPerson(p: StoredPerson): Person {
  return {
    id: p.id,
    handle: p.handle,
    name: p.name,
    roles: p.roles,
    fist_mm: p.fist_mm,
    arm_mm: p.arm_mm,
    hand_mm: p.hand_mm,
    foot_mm: p.foot_mm,
    calibrated: p.calibrated,
    has_pin: p.has_pin,
    length_unit: p.length_unit,
    hand: p.hand,
    single_keys: p.single_keys,
  };
}

export async function personByHandle(db: Database, handle: string): Promise<StoredPerson | null> {
  const [r] = await rows<PersonRow>(db, `SELECT ${COLUMNS} FROM people WHERE handle = ?`, [handle]);
  return r ? fromRow(r) : null;
}
export async function personById(
  db: Database | Connection,
  organisation: string,
  id: string,
): Promise<StoredPerson | null> {
  const [r] = await rows<PersonRow>(db, `SELECT ${COLUMNS} FROM people WHERE organisation = ? AND id = ?`, [
    organisation,
    id,
  ]);
  return r ? fromRow(r) : null;
}
export async function peopleOf(db: Database, organisation: string): Promise<StoredPerson[]> {
  return (
    await rows<PersonRow>(db, `SELECT ${COLUMNS} FROM people WHERE organisation = ? ORDER BY name, id`, [organisation])
  ).map(fromRow);
}
export async function demoPeople(db: Database): Promise<StoredPerson[]> {
  return (
    await rows<PersonRow>(
      db,
      `SELECT ${COLUMNS.split(', ')
        .map((c) => `p.${c}`)
        .join(', ')} FROM people p JOIN organisations o ON o.id = p.organisation WHERE o.demo ORDER BY p.name`,
    )
  ).map(fromRow);
}
export async function countPeople(db: Database | Connection): Promise<number> {
  return (await rows<{ n: number }>(db, 'SELECT COUNT(*) AS n FROM people'))[0]!.n;
}

export interface NewPerson {
  readonly id: string;
  readonly organisation: string;
  readonly handle: string;
  readonly name: string;
  readonly password_hash: string;
  readonly roles: readonly Role[];
  readonly fist_mm?: number;
  readonly arm_mm?: number;
  readonly length_unit?: Person['length_unit'];
  readonly hand?: Person['hand'];
  readonly pin_hash?: string;
  readonly about?: string;
  /** the password was given by somebody else */
  readonly must_change?: boolean;
}
/** @throws id-taken */
export async function insertPerson(k: Keeping, p: NewPerson): Promise<void> {
  await k.made('people', p.id);
  await run(
    k.c,
    'INSERT INTO people (id, organisation, handle, name, name_salt, password_hash, pin_hash, must_change, roles, fist_mm, arm_mm, calibrated, length_unit, hand, about, created_at) VALUES (?)',
    [
      [
        p.id,
        p.organisation,
        p.handle,
        p.name,
        randomBytes(32),
        p.password_hash,
        p.pin_hash ?? null,
        p.must_change ?? false,
        p.roles.join(','),
        p.fist_mm ?? 100,
        p.arm_mm ?? null,
        p.fist_mm !== undefined,
        p.length_unit ?? 'mm',
        p.hand ?? 'right',
        p.about ?? '',
        k.now,
      ],
    ],
  );
}
export async function updatePreferences(
  k: Keeping,
  id: string,
  changes: Partial<Pick<Person, 'fist_mm' | 'arm_mm' | 'hand_mm' | 'foot_mm' | 'length_unit' | 'hand' | 'single_keys'>>,
): Promise<void> {
  const set: Record<string, unknown> = { ...changes };
  if (changes.fist_mm !== undefined) set['calibrated'] = true;
  if (Object.keys(set).length === 0) return;
  await run(k.c, 'UPDATE people SET ? WHERE id = ?', [set, id]);
  k.changed('people', id);
}
export async function handlesTaken(db: Database | Connection, handles: readonly string[]): Promise<string[]> {
  return handles.length === 0
    ? []
    : (await rows<{ handle: string }>(db, 'SELECT handle FROM people WHERE handle IN (?)', [handles])).map(
        (r) => r.handle,
      );
}
export async function changePerson(
  k: Keeping,
  id: string,
  changes: {
    readonly name?: string | undefined;
    readonly roles?: readonly Role[] | undefined;
    readonly password_hash?: string | undefined;
    readonly pin_hash?: string | undefined;
    readonly must_change?: boolean | undefined;
  },
): Promise<void> {
  const { roles, ...rest } = changes;
  const set = Object.fromEntries(
    Object.entries({ ...rest, ...(roles && { roles: [...new Set(roles)].join(',') }) }).filter(
      ([, v]) => v !== undefined,
    ),
  );
  if (Object.keys(set).length === 0) return;
  await run(k.c, 'UPDATE people SET ? WHERE organisation = ? AND id = ?', [set, k.organisation, id]);
  k.changed('people', id);
}
/** Erases a person's names with what opens their seal. The row says so from then on, and verifies; without this entry it is accused. */
export async function erasePerson(k: Keeping, id: string): Promise<void> {
  await run(
    k.c,
    'UPDATE people SET name = ?, handle = ?, about = ?, name_salt = NULL WHERE organisation = ? AND id = ?',
    [ERASED_NAME, `erased-${id.slice(0, 8)}`, '', k.organisation, id],
  );
  k.changed('people', id);
}
/** Everyone of the organisation who is instructor; held until the transaction ends. */
export async function instructorsHeld(c: Connection, organisation: string): Promise<string[]> {
  return (
    await rows<{ id: string }>(
      c,
      "SELECT id FROM people WHERE organisation = ? AND FIND_IN_SET('instructor', roles) FOR UPDATE",
      [organisation],
    )
  ).map((r) => r.id);
}
