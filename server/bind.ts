/** Binds an endpoint of the contract to a handler: access, parsed input, reply. */
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import type { z } from 'zod';
import { API_BASE, type Endpoint } from '../contract';
import { fault } from '../core/errors';
import type { Context } from './context';
import { currentPerson } from './plugins/session';
import { Turns } from './plugins/turns';
import type { SessionPerson } from './tables/sessions';

type Parsed<T> = T extends z.ZodType ? z.output<T> : undefined;
type Part<E, K extends string> = K extends keyof E ? Parsed<E[K]> : undefined;

export interface Call<E extends Endpoint> {
  readonly params: Part<E, 'params'>;
  readonly query: Part<E, 'query'>;
  readonly body: Part<E, 'body'>;
  readonly request: FastifyRequest;
  readonly reply: FastifyReply;
  /** the person of the session; on open endpoints null unless signed in */
  readonly who: E['access'] extends 'open' ? null : SessionPerson;
}

/** One for each server. */
const turnsOf = new WeakMap<Context, Turns>();

export function bind<const E extends Endpoint>(
  app: FastifyInstance,
  context: Context,
  endpoint: E,
  handler: (call: Call<E>) => unknown,
): void {
  const turns = turnsOf.get(context) ?? new Turns();
  turnsOf.set(context, turns);
  app.route({
    method: endpoint.method,
    url: API_BASE + endpoint.path,
    schema: {
      summary: endpoint.summary,
      ...(endpoint.params ? { params: endpoint.params } : {}),
      ...(endpoint.query ? { querystring: endpoint.query } : {}),
      ...(endpoint.body ? { body: endpoint.body } : {}),
      ...(endpoint.reply ? { response: { 200: endpoint.reply } } : {}),
    },
    // who may: said before the input is looked at, so that a stranger learns nothing from it
    onRequest: async (request, reply) => {
      if (endpoint.access === 'open') return;
      const who = await turns.inTurn('session', request, reply, () => currentPerson(context, request));
      if (!who) throw fault('not-signed-in');
      if (who.must_change && !endpoint.withFirstPassword) throw fault('first-password');
      if (Array.isArray(endpoint.access) && !endpoint.access.some((r) => who.person.roles.includes(r as never)))
        throw fault('role-missing', { roles: endpoint.access.join(', ') });
      (request as { who?: SessionPerson }).who = who;
    },
    handler: async (request, reply) => {
      const call = {
        params: request.params,
        query: request.query,
        body: request.body,
        request,
        reply,
        who: (request as { who?: SessionPerson }).who ?? null,
      } as unknown as Call<E>;
      if (endpoint.access === 'open') return handler(call);
      return turns.inTurn(endpoint.method === 'GET' ? 'read' : 'record', request, reply, () => handler(call));
    },
  });
}
