/**
 * Turns: so many of those signed in are answered at once, the others wait for their turn in the order in which they came. What is answered at once
 * shares the database's connections and this thread: without turns everybody would wait for everybody, and whoever asks whether all is well too.
 * Recording has turns of its own, so that reading does not hold it up.
 */
import { Semaphore } from 'async-mutex';
import type { FastifyReply, FastifyRequest } from 'fastify';
import { fault } from '../../core/errors';

const AT_ONCE = { record: 8, read: 10, session: 8 } as const;
export type TurnKind = keyof typeof AT_ONCE;

const held = new WeakMap<FastifyRequest, () => void>();

export class Turns {
  private readonly of: Readonly<Record<TurnKind, Semaphore>> = {
    record: new Semaphore(AT_ONCE.record),
    read: new Semaphore(AT_ONCE.read),
    session: new Semaphore(AT_ONCE.session),
  };

  /** Does something when its turn comes. @throws gone where whoever asked has hung up by then */
  async inTurn<T>(kind: TurnKind, request: FastifyRequest, reply: FastifyReply, work: () => T): Promise<Awaited<T>> {
    const [, release] = await this.of[kind].acquire();
    let isHeld = true;
    const giveBack = () => {
      if (isHeld) release();
      isHeld = false;
    };
    held.set(request, giveBack);
    try {
      if (reply.raw.destroyed) throw fault('gone');
      return await work();
    } finally {
      giveBack();
    }
  }
}

/** What is computed in a thread has bounds of its own: whoever waits for it lets the next one go on. */
export const giveTurnBack = (request: FastifyRequest): void => held.get(request)?.();
