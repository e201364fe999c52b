/** Longer work: where it stands, stopping it, fetching what came of it. */
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import { API_BASE, ENDPOINTS } from '../../contract';
import { bind } from '../bind';
import type { Context } from '../context';
import { sendPdf } from '../handing';
import type { Computing } from '../work/asking';
import type { JobSeen } from '../work/jobs';

const addressOf = (job: JobSeen) => `${API_BASE}/work/${job.id}`;
const asReply = (job: JobSeen) => ({
  ...job,
  result: job.state === 'done' ? `${addressOf(job)}/result` : null,
});

/** That it was begun, with its address; a browser is led to the page that follows it. */
export function sendBegun(request: FastifyRequest, reply: FastifyReply, job: JobSeen): FastifyReply {
  if (request.headers.accept?.includes('text/html')) return reply.redirect(`/work/${job.id}`, 303);
  return reply.code(202).header('location', addressOf(job)).header('cache-control', 'no-store').send(asReply(job));
}

export function workRoutes(app: FastifyInstance, context: Context, { long }: Computing): void {
  bind(app, context, ENDPOINTS.longWork, ({ params, who }) => asReply(long.look(who.id, params.id)));
  bind(app, context, ENDPOINTS.stopWork, ({ params, who }) => asReply(long.stop(who.id, params.id)));
  bind(app, context, ENDPOINTS.workResult, ({ params, who, reply }) => {
    const { name, file } = long.result(who.id, params.id);
    return sendPdf(reply, name, file);
  });
}
