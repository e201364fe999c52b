/** Sessions by cookie; the database keeps only the hash of the token. Sign-in tries are limited, always. */
import { createHash, randomBytes } from 'node:crypto';
import type { FastifyReply, FastifyRequest } from 'fastify';
import { hash, verify } from '@node-rs/argon2';
import { fault } from '../../core/errors';
import type { Context } from '../context';
import { insertSession, deleteSession, sessionPerson, type SessionPerson } from '../tables/sessions';

export const COOKIE = 'idiom_session';
const SESSION_DAYS = 7;
const WINDOW_MS = 10 * 60_000;
/** Wrong passwords in a window: of one person from one address, of one address whoever it tries, of one person from wherever. */
const TRIES = { both: 8, address: 40, person: 60 } as const;
const MOST_KEYS = 10_000;

export const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex');
/** argon2id with the package's defaults (19 MiB, two passes). */
export const hashPassword = (password: string): Promise<string> => hash(password);

export interface TryKeys {
  readonly person: string;
  readonly address: string;
}
/** By what wrong passwords are counted, together wherever a password is asked. @param person an id, or a name nobody has */
export const keysOf = (request: FastifyRequest, person: string): TryKeys => ({ person, address: request.ip });

/** Whether who asks came by https: as the server is reached, or as a proxy says whose word counts. */
const isSecure = ({ settings }: Context, request: FastifyRequest | null): boolean =>
  settings.publicUrl?.startsWith('https:') ?? request?.protocol === 'https';

type Counted = keyof typeof TRIES;
/** Counts wrong passwords; in memory, bounded. */
export class TryLimiter {
  private readonly tries: Readonly<Record<Counted, Map<string, { count: number; since: number }>>> = {
    both: new Map(),
    address: new Map(),
    person: new Map(),
  };
  constructor(private readonly now: () => Date) {}
  private each({ person, address }: TryKeys): readonly (readonly [of: Counted, key: string])[] {
    return [
      ['both', `${person}|${address}`],
      ['address', address],
      ['person', person],
    ];
  }
  /** @throws too-many-tries */
  check(keys: TryKeys): void {
    const at = this.now().getTime();
    for (const [of, key] of this.each(keys)) {
      const t = this.tries[of].get(key);
      if (t && at - t.since <= WINDOW_MS && t.count >= TRIES[of])
        throw fault('too-many-tries', { seconds: Math.ceil((t.since + WINDOW_MS - at) / 1000) });
    }
  }
  wrong(keys: TryKeys): void {
    const at = this.now().getTime();
    for (const [of, key] of this.each(keys)) {
      const tries = this.tries[of];
      const t = tries.get(key);
      if (!t || at - t.since > WINDOW_MS) {
        if (tries.size >= MOST_KEYS) tries.delete(tries.keys().next().value!);
        tries.set(key, { count: 1, since: at });
      } else t.count += 1;
    }
  }
  /** The right one was given: what this person got wrong there is forgotten; of the others only this try is. */
  right(keys: TryKeys): void {
    for (const [of, key] of this.each(keys)) {
      const t = this.tries[of].get(key);
      if (of === 'both') this.tries.both.delete(key);
      else if (t) t.count -= 1;
    }
  }
}

let dummy: string | undefined;

/**
 * Whether a password is right; takes as long for somebody unknown.
 * @throws wrong-password, too-many-tries
 */
export async function checkPassword(
  limiter: TryLimiter,
  keys: TryKeys,
  stored: string | undefined,
  given: string,
): Promise<void> {
  limiter.check(keys);
  // counted before the slow comparison, so that tries sent side by side count too
  limiter.wrong(keys);
  dummy ??= await hashPassword(randomBytes(16).toString('hex'));
  const right = await verify(stored ?? dummy, given);
  if (!right || stored === undefined) throw fault('wrong-password');
  limiter.right(keys);
}

/** The hash of the session's own token; null where there is none. */
export function tokenOf(request: FastifyRequest): string | null {
  const token = request.cookies[COOKIE];
  return token ? tokenHash(token) : null;
}

export async function openSession(context: Context, reply: FastifyReply, person: string): Promise<void> {
  const secure = isSecure(context, reply.request ?? null);
  const token = randomBytes(32).toString('hex');
  const now = context.now();
  const expires = new Date(now.getTime() + SESSION_DAYS * 86_400_000);
  await insertSession(context.db, tokenHash(token), person, now, expires);
  void reply.setCookie(COOKIE, token, { httpOnly: true, sameSite: 'strict', path: '/', secure, expires });
}

export async function closeSession(context: Context, request: FastifyRequest, reply: FastifyReply): Promise<void> {
  const token = request.cookies[COOKIE];
  if (token) await deleteSession(context.db, tokenHash(token));
  void reply.clearCookie(COOKIE, { path: '/' });
}

export async function currentPerson(context: Context, request: FastifyRequest): Promise<SessionPerson | null> {
  const token = request.cookies[COOKIE];
  if (!token || !/^[0-9a-f]{64}$/.test(token)) return null;
  return sessionPerson(context.db, tokenHash(token), context.now());
}
