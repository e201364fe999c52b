/**
 * What was set for a person by whom. Whoever made a person, or set their password, knows or knew how to sign as them: such a person is no second
 * one to them, until an instructor who does not depend on them has confirmed the person face to face.
 */
import { randomUUID } from 'node:crypto';
import type { CredentialWhat, Role } from '../../contract';
import { rows, run, type Connection, type Database } from '../database';
import { PROGRAM } from '../record/covered';
import type { Keeping } from '../record/held';

interface Event {
  readonly number: number;
  readonly person: string;
  readonly what: CredentialWhat;
  readonly by_person: string;
}

/** Notes that something was set, in the transaction that sets it. @throws id-taken for an id from a device */
export async function noteCredential(
  k: Keeping,
  person: string,
  what: CredentialWhat,
  by: string,
  { roles = null, id }: { readonly roles?: readonly Role[] | null; readonly id?: string } = {},
): Promise<void> {
  const own = id ?? randomUUID();
  if (id) await k.made('credential_events', id);
  await run(k.c, 'INSERT INTO credential_events (id, organisation, person, what, roles, by_person, at) VALUES (?)', [
    [own, k.organisation, person, what, roles ? roles.join(',') : null, by, k.now],
  ]);
  k.changed('credential_events', own);
}

/** By these somebody else can sign as the person. */
const BY_OTHERS: readonly CredentialWhat[] = ['made', 'password', 'pin'];

async function eventsOf(c: Connection | Database, person: string): Promise<Event[]> {
  return rows<Event>(
    c,
    'SELECT number, person, what, by_person FROM credential_events WHERE person = ? ORDER BY number',
    [person],
  );
}

/** What was found while one question is answered: each person's events are read once, each answer worked out once. */
class Asked {
  private readonly events = new Map<string, Promise<Event[]>>();
  private readonly found = new Map<string, Promise<boolean>>();
  constructor(private readonly c: Connection | Database) {}

  private eventsOf(person: string): Promise<Event[]> {
    const there = this.events.get(person) ?? eventsOf(this.c, person);
    this.events.set(person, there);
    return there;
  }
  async depends(person: string, other: string, before: number): Promise<boolean> {
    if (person === other) return true;
    const events = (await this.eventsOf(person)).filter((e) => e.number < before);
    const key = `${person} ${other} ${events.length}`;
    const found = this.found.get(key) ?? this.workOut(person, other, events);
    this.found.set(key, found);
    return found;
  }
  private async workOut(person: string, other: string, events: readonly Event[]): Promise<boolean> {
    let depends = false;
    for (const e of events) {
      const isSet = BY_OTHERS.includes(e.what);
      if (e.by_person === person || !(isSet || (e.what === 'confirmed' && depends))) continue;
      const through = e.by_person !== PROGRAM && (await this.depends(e.by_person, other, e.number));
      if (isSet && through) depends = true;
      if (e.what === 'confirmed' && !through) depends = false;
    }
    return depends;
  }
}

/**
 * Whether a person depends on another: the other, or somebody who then depended on the other, made them or set how they prove themselves, and
 * no instructor has confirmed them in person since who did not depend on the other. A confirmation given at the machine itself counts. Nothing
 * lifts it with time. On themselves everybody depends.
 */
export const dependsOn = (c: Connection | Database, person: string, other: string): Promise<boolean> =>
  new Asked(c).depends(person, other, Infinity);

/** Everybody of the organisation on whom a person depends. */
export async function dependsOnWhom(c: Connection | Database, organisation: string, person: string): Promise<string[]> {
  const setters = await rows<{ by_person: string }>(
    c,
    'SELECT DISTINCT by_person FROM credential_events WHERE organisation = ? AND what IN (?) AND by_person <> person',
    [organisation, BY_OTHERS],
  );
  const asked = new Asked(c);
  const found: string[] = [];
  for (const { by_person } of setters)
    if (by_person !== person && (await asked.depends(person, by_person, Infinity))) found.push(by_person);
  return found;
}

export interface CredentialRow {
  readonly id: string;
  readonly person: string;
  readonly person_name: string;
  readonly what: CredentialWhat;
  readonly roles: readonly Role[] | null;
  readonly by_name: string;
  readonly at: string;
}
interface Raw extends Omit<CredentialRow, 'roles' | 'at' | 'by_name'> {
  readonly number: number;
  readonly roles: string | null;
  readonly by_name: string | null;
  readonly at: Date;
}
/** What was set, newest first: of one person, or of everybody. @param before a number */
export async function credentialsPage(
  db: Database,
  organisation: string,
  { person, before, limit }: { readonly person?: string; readonly before?: number | undefined; readonly limit: number },
): Promise<(CredentialRow & { readonly number: number })[]> {
  const found = await rows<Raw>(
    db,
    `SELECT e.id, e.number, e.person, p.name AS person_name, e.what, e.roles, b.name AS by_name, e.at
     FROM credential_events e JOIN people p ON p.id = e.person LEFT JOIN people b ON b.id = e.by_person
     WHERE e.organisation = ?${person === undefined ? '' : ' AND e.person = ?'}${before === undefined ? '' : ' AND e.number < ?'}
     ORDER BY e.number DESC LIMIT ?`,
    [organisation, ...(person === undefined ? [] : [person]), ...(before === undefined ? [] : [before]), limit],
  );
  return found.map((r) => ({
    ...r,
    roles: r.roles === null ? null : (r.roles.split(',').filter(Boolean) as Role[]),
    by_name: r.by_name ?? 'at the machine itself',
    at: r.at.toISOString(),
  }));
}
/** Whether an id stands for this confirmation already. */
export async function isConfirmation(db: Database, id: string, person: string, by: string): Promise<boolean> {
  const found = await rows(
    db,
    "SELECT id FROM credential_events WHERE id = ? AND person = ? AND by_person = ? AND what = 'confirmed'",
    [id, person, by],
  );
  return found.length > 0;
}
