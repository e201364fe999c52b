/** Who asks for work that takes long, and whether they are still there. */
import type { FastifyReply, FastifyRequest } from 'fastify';
import type { Context } from '../context';
import { giveTurnBack } from '../plugins/turns';
import { currentPerson } from '../plugins/session';
import type { SessionPerson } from '../tables/sessions';
import { KeptAnswers } from './kept';
import { LongWork } from './jobs';
import { Work, type Asker } from './work';

const MOST_KEPT_bytes = 128 * 1024 * 1024;

/** What routes compute by. */
export interface Computing {
  readonly work: Work;
  readonly long: LongWork;
  /** what is the same for everybody */
  readonly kept: KeptAnswers;
}
export function computing(context: Context): Computing {
  const work = new Work({ file: context.settings.workFile ?? null });
  return { work, long: new LongWork(work, context.now), kept: new KeptAnswers(MOST_KEPT_bytes) };
}

/** Ends when the connection is closed before the answer. */
function goneSignal(reply: FastifyReply): AbortSignal {
  const end = new AbortController();
  // of the answer, not of the connection: that one serves many
  reply.raw.once('close', () => {
    if (!reply.raw.writableEnded) end.abort();
  });
  return end.signal;
}
export function askerFor(who: SessionPerson | null, request: FastifyRequest, reply: FastifyReply): Asker {
  giveTurnBack(request);
  return { key: who?.id ?? request.ip, signedIn: who !== null, gone: goneSignal(reply) };
}
/** The same where nobody need sign in: the session is looked for only where there is one. */
export const askerOf = async (context: Context, request: FastifyRequest, reply: FastifyReply): Promise<Asker> =>
  askerFor(await currentPerson(context, request), request, reply);
