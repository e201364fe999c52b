/** A real database and an app for server tests. The database server is started by the test command. */
import { join } from 'node:path';
import type { FastifyInstance, InjectOptions } from 'fastify';
import { randomUUID } from 'node:crypto';
import { buildApp } from '../app';
import type { Settings } from '../context';
import { openPool, poolOptions, type Database } from '../database';
import { plantDemo, demoId } from '../demo/plant';
import { prepareDatabase } from '../migrate';
import { COOKIE, hashPassword, openSession } from '../plugins/session';
import { keeping, keepingOfProgram } from '../record/keeping';
import { insertOrganisation } from '../tables/organisations';
import { insertPerson } from '../tables/people';
import { insertRope } from '../tables/ropes';
import { storeKnotEntries } from '../tables/knotEntries';
import { storeShippedProfiles } from '../tables/profiles';
import type { Role } from '../../contract';
import { chainsToVerify, verifyOrganisation } from '../verify';

export interface Testbed {
  readonly app: FastifyInstance;
  readonly db: Database;
  readonly databaseUrl: string;
  /** what the clock shows; tests set it */
  clock: { now: Date };
  /** @throws where the record does not verify, unless the test altered it: what was written past the record is found so */
  close: () => Promise<void>;
}

export const adminUrl = (): string => {
  const url = process.env['IDIOM_TEST_ADMIN_URL'];
  if (!url) throw new Error('run these by npm test: it starts the database they need');
  return url;
};

export async function testbed(
  name: string,
  options: { demo?: boolean; settings?: Partial<Settings>; alters?: boolean } = {},
): Promise<Testbed> {
  const unique = `${name}_${randomUUID().slice(0, 8)}`.replaceAll('-', '_');
  const url = `mysql://${unique}:pw@localhost/${unique}?socket=${encodeURIComponent(process.env['IDIOM_TEST_SOCKET'] ?? '')}`;
  const prepared = await prepareDatabase(adminUrl(), url, join(import.meta.dirname, '../migrations'));
  const db = openPool(poolOptions(prepared.url));
  const clock = { now: new Date('2026-05-14T10:00:00.000Z') };
  await storeShippedProfiles(db, clock.now);
  await storeKnotEntries(db, clock.now, null);
  if (options.demo) await plantDemo(db, clock.now);
  const app = await buildApp({
    db,
    now: () => clock.now,
    settings: {
      version: 'test',
      ratePerMinute: 0,
      webRoot: null,
      setupToken: null,
      logLevel: 'silent',
      ...options.settings,
    },
  });
  return {
    app,
    db,
    databaseUrl: prepared.url,
    clock,
    close: async () => {
      await app.close();
      try {
        if (!options.alters)
          for (const { id } of await chainsToVerify(db)) {
            const { faults } = await verifyOrganisation(db, id);
            if (faults.length > 0) throw new Error(`the record does not verify: ${faults.slice(0, 5).join('; ')}`);
          }
      } finally {
        await db.end();
      }
    },
  };
}

export const PASSWORD = 'a-long-password';
let hashed: Promise<string> | null = null;

export interface Member {
  readonly id: string;
  readonly cookie: string;
  readonly organisation: string;
}

/** A new organisation with one rope. */
export async function organisation(t: Testbed, name: string): Promise<{ id: string; rope: string }> {
  const id = randomUUID();
  const rope = randomUUID();
  await keepingOfProgram(t.db, t.clock.now, (k) => insertOrganisation(k, id, name, false));
  await keeping(t.db, { organisation: id, by: id, now: t.clock.now }, (k) =>
    insertRope(k, { id: rope, tag: `${name}-1`, kind: 'dynamic', diameter_mm: 10, length_m: 50, note: '' }),
  );
  return { id, rope };
}

/** A person with a session. */
export async function member(t: Testbed, org: string, roles: readonly Role[]): Promise<Member> {
  hashed ??= hashPassword(PASSWORD);
  const id = randomUUID();
  const password_hash = await hashed;
  await keeping(t.db, { organisation: org, by: org, now: t.clock.now }, (k) =>
    insertPerson(k, {
      id,
      organisation: org,
      handle: `p${id.slice(0, 8)}`,
      name: `Person ${id.slice(0, 4)}`,
      password_hash,
      roles,
    }),
  );
  let cookie = '';
  const reply = {
    setCookie: (key: string, value: string) => {
      cookie = `${key}=${value}`;
    },
  };
  await openSession({ db: t.db, now: () => t.clock.now, settings: {} as Settings }, reply as never, id);
  return { id, cookie, organisation: org };
}

export async function demoMember(t: Testbed, handle: string): Promise<Member> {
  const id = demoId(handle);
  let cookie = '';
  await openSession(
    { db: t.db, now: () => t.clock.now, settings: {} as Settings },
    {
      setCookie: (key: string, value: string) => {
        cookie = `${key}=${value}`;
      },
    } as never,
    id,
  );
  return { id, cookie, organisation: demoId('organisation') };
}

export interface Answer {
  readonly status: number;
  readonly body: Record<string, unknown> & { code?: string; errors?: { path: string; message: string }[] };
  readonly text: string;
  readonly headers: Record<string, unknown>;
}

/** One request. Bodies are JSON unless they are text already. */
export async function call(
  t: Testbed,
  method: string,
  path: string,
  as: Member | null = null,
  body?: unknown,
  headers: Record<string, string> = {},
): Promise<Answer> {
  const options: InjectOptions = {
    method: method as 'GET',
    url: path.startsWith('/api') ? path : `/api/v1${path}`,
    headers: {
      ...(as ? { cookie: as.cookie } : {}),
      ...(body === undefined ? {} : { 'content-type': 'application/json' }),
      ...headers,
    },
  };
  if (body !== undefined) options.payload = typeof body === 'string' ? body : JSON.stringify(body);
  const r = await t.app.inject(options);
  let parsed = {};
  try {
    parsed = JSON.parse(r.payload) as object;
  } catch {
    // files are no JSON
  }
  return { status: r.statusCode, body: parsed, text: r.payload, headers: r.headers };
}

export const sessionToken = (m: Member): string => m.cookie.slice(COOKIE.length + 1);

/** A complete, right check of an eight. */
export function checkBody(
  m: { tier: string; rope: string; at?: string },
  change: Record<string, unknown> = {},
): Record<string, unknown> & {
  id: string;
  tied_knot: Record<string, unknown> & { id: string };
  answers: Record<string, unknown>[];
} {
  const points = ['name', 'front', 'back', 'path', 'set', 'eye', 'harness'];
  return {
    id: randomUUID(),
    tied_knot: {
      id: randomUUID(),
      knot: 'figure-eight-follow-through',
      rope: m.rope,
      place: 'Loft, station 3',
      tied_by: m.tier,
      tied_at: m.at ?? '2026-05-14T09:30:00.000Z',
    },
    profile: 'rope-access',
    profile_version: 1,
    rope_diameter_mm: 10,
    use: 'tie-in',
    fist_mm: 100,
    hand: 'right',
    seen_at: '2026-05-14T09:40:00.000Z',
    answers: [
      ...points.map((point) => ({ point, found: 'right' })),
      { point: 'tail', found: 'right', tail: { tail_mm: 130, method: 'ruler', uncertainty_mm: 5 } },
    ],
    note: '',
    ...change,
  };
}
