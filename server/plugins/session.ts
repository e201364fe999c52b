/** Sessions by cookie; the database keeps only the hash of the token. Sign-in tries are limited, always. */
import { createHash, randomBytes } from 'node:crypto';
import type { FastifyReply, FastifyRequest } from 'fastify';
import { hash, verify } from '@node-rs/argon2';
import { fault } from '../../core/errors';
import type { Context } from '../context';
import { insertSession, deleteSession, sessionPerson, type SessionPerson } from '../tables/sessions';

export const COOKIE = 'idiom_session';
const SESSION_DAYS = 7;
const TRIES = 8;
const WINDOW_MS = 10 * 60_000;
const MOST_KEYS = 10_000;

export const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex');
/** argon2id with the package's defaults (19 MiB, two passes). */
export const hashPassword = (password: string): Promise<string> => hash(password);

/** Counts wrong passwords per key; in memory, bounded. */
export class TryLimiter {
  private readonly tries = new Map<string, { count: number; since: number }>();
  constructor(private readonly now: () => Date) {}
  /** @throws too-many-tries */
  check(key: string): void {
    const t = this.tries.get(key);
    const at = this.now().getTime();
    if (!t || at - t.since > WINDOW_MS) return;
    if (t.count >= TRIES) throw fault('too-many-tries', { seconds: Math.ceil((t.since + WINDOW_MS - at) / 1000) });
  }
  wrong(key: string): void {
    const at = this.now().getTime();
    const t = this.tries.get(key);
    if (!t || at - t.since > WINDOW_MS) {
      if (this.tries.size >= MOST_KEYS) this.tries.delete(this.tries.keys().next().value!);
      this.tries.set(key, { count: 1, since: at });
    } else t.count += 1;
  }
  right(key: string): void {
    this.tries.delete(key);
  }
}

let dummy: string | undefined;

/**
 * Whether a password is right; takes as long for somebody unknown.
 * @throws wrong-password, too-many-tries
 */
export async function checkPassword(
  limiter: TryLimiter,
  key: string,
  stored: string | undefined,
  given: string,
): Promise<void> {
  limiter.check(key);
  // counted before the slow comparison, so that tries sent side by side count too
  limiter.wrong(key);
  dummy ??= await hashPassword(randomBytes(16).toString('hex'));
  const right = await verify(stored ?? dummy, given);
  if (!right || stored === undefined) throw fault('wrong-password');
  limiter.right(key);
}

export async function openSession(context: Context, reply: FastifyReply, person: string): Promise<void> {
  const token = randomBytes(32).toString('hex');
  const now = context.now();
  const expires = new Date(now.getTime() + SESSION_DAYS * 86_400_000);
  await insertSession(context.db, tokenHash(token), person, now, expires);
  void reply.setCookie(COOKIE, token, { httpOnly: true, sameSite: 'strict', path: '/', expires });
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
