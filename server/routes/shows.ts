import type { ServerResponse } from 'node:http';
import type { FastifyInstance } from 'fastify';
import { ENDPOINTS } from '../../contract';
import { fault } from '../../core/errors';
import { motionOf } from '../../core/knots/tying/motions';
import { bind } from '../bind';
import type { Context } from '../context';
import { Shows } from '../shows';

/** A line that says nothing, so that nobody on the way takes the stream for dead. */
const STILL_HERE_ms = 20_000;

export function showRoutes(app: FastifyInstance, context: Context): void {
  const shows = new Shows(context.now);
  /** screens that follow: ended before the server is */
  const following = new Set<ServerResponse>();
  app.addHook('preClose', (done) => {
    for (const screen of following) screen.end();
    done();
  });
  bind(app, context, ENDPOINTS.openShow, ({ body, who }) => {
    motionOf(body.knot, body.way);
    return shows.begin(who.person.id, body);
  });
  bind(app, context, ENDPOINTS.moveShow, ({ params, body, who }) => {
    motionOf(body.knot, body.way);
    const screens = shows.move(params.code, who.person.id, body);
    if (screens === null) throw fault('not-found');
    return { screens };
  });
  bind(app, context, ENDPOINTS.followShow, ({ params, request, reply }) => {
    let begun = false;
    const send = (text: string) => {
      if (!begun) {
        begun = true;
        reply.hijack();
        reply.raw.writeHead(200, {
          'content-type': 'text/event-stream',
          'cache-control': 'no-store',
          connection: 'keep-alive',
          'x-accel-buffering': 'no',
        });
      }
      reply.raw.write(text);
    };
    const stop = shows.follow(params.code, (state) => send(`data: ${JSON.stringify(state)}\n\n`), request.ip);
    if (!stop) throw fault('not-found');
    following.add(reply.raw);
    const still = setInterval(() => send(': still here\n\n'), STILL_HERE_ms);
    still.unref();
    request.raw.on('close', () => {
      following.delete(reply.raw);
      clearInterval(still);
      stop();
    });
    return reply;
  });
}
