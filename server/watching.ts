/** What is told of the server to whoever runs it: lines of a log, figures, whether it lives and is ready. None of it says who anybody is. */
import type { FastifyInstance, FastifyRequest } from 'fastify';
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';
import { randomUUID } from 'node:crypto';
import type { Computing } from './work/asking';

const LOOPBACK = new Set(['127.0.0.1', '::1', '::ffff:127.0.0.1']);
const SECONDS = [0.005, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 20];

/** The route, not the address that was asked: that may hold ids and names. */
const routeOf = (request: FastifyRequest): string => request.routeOptions.url ?? 'none';

/** An error without what it quotes: a database's message holds the values that were sent. */
export function errorSaid(error: Error & { code?: string; errno?: number }): {
  type: string;
  message: string;
  stack: string;
  code: string | undefined;
  errno: number | undefined;
} {
  const { name, code, errno, stack = '' } = error;
  const where = stack.split('\n').filter((line) => /^\s+at /.test(line));
  return {
    type: name,
    message: errno === undefined ? error.message : '',
    stack: where.slice(0, 12).join('\n'),
    code,
    errno,
  };
}

/** How the log writes: a JSON object a line, each request with an id that its answer carries too. */
export const loggerAs = (level: string) => ({
  level,
  serializers: {
    req: (request: FastifyRequest) => ({ id: request.id, method: request.method, route: routeOf(request) }),
    res: (reply: { statusCode: number }) => ({ status: reply.statusCode }),
    err: errorSaid,
  },
});
export const requestId = (): string => randomUUID();

export class Watching {
  private readonly registry = new Registry();
  private readonly requests = new Histogram({
    name: 'idiom_request_seconds',
    help: 'Answered requests by route, method and status',
    labelNames: ['route', 'method', 'status'],
    buckets: SECONDS,
    registers: [this.registry],
  });
  /** told to stop: answers what it has, takes nothing more */
  stopping = false;

  constructor({ work }: Computing) {
    collectDefaultMetrics({ register: this.registry, prefix: 'idiom_' });
    new Gauge({
      name: 'idiom_work_in_hand',
      help: 'Tasks that are computed or wait for a thread',
      registers: [this.registry],
      collect() {
        this.set(work.inHand);
      },
    });
  }

  /** Figures for whoever asks from this machine itself, past no proxy; for others there is nothing there. */
  install(app: FastifyInstance): void {
    app.addHook('onRequest', (request, reply, done) => {
      void reply.header('x-request-id', request.id);
      done();
    });
    app.addHook('onResponse', (request, reply, done) => {
      this.requests.observe(
        { route: routeOf(request), method: request.method, status: String(reply.statusCode) },
        reply.elapsedTime / 1000,
      );
      done();
    });
    app.get('/metrics', { schema: { hide: true } }, async (request, reply) => {
      const isHere =
        LOOPBACK.has(request.socket.remoteAddress ?? '') &&
        !('x-forwarded-for' in request.headers) &&
        !('forwarded' in request.headers);
      if (!isHere) return reply.callNotFound();
      return reply.type(this.registry.contentType).send(await this.registry.metrics());
    });
  }
}
