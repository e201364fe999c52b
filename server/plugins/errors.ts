/** Every error leaves as application/problem+json with a code from the one table. */
import { ERRORS, fault, IdiomError, type ErrorCode, type FieldFault } from '../../core/errors';
import type { FastifyError, FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import { hasZodFastifySchemaValidationErrors } from 'fastify-type-provider-zod';
import { asFault } from '../database';

export function sendProblem(reply: FastifyReply, error: IdiomError): FastifyReply {
  const body = {
    type: `/api/docs#${error.code}`,
    title: ERRORS[error.code].title,
    status: error.status,
    detail: error.message,
    code: error.code,
    ...(error.errors.length > 0 ? { errors: error.errors } : {}),
  };
  if (error.status === 429 || error.status === 503)
    void reply.header('retry-after', String(error.values['seconds'] ?? 2));
  return reply
    .code(error.status)
    .header('cache-control', 'no-store')
    .type('application/problem+json')
    .send(JSON.stringify(body));
}

const FRAMEWORK: Readonly<Record<string, ErrorCode>> = {
  FST_ERR_CTP_INVALID_JSON_BODY: 'bad-json',
  FST_ERR_CTP_EMPTY_JSON_BODY: 'bad-json',
  FST_ERR_CTP_INVALID_CONTENT_LENGTH: 'bad-json',
  FST_ERR_CTP_BODY_TOO_LARGE: 'body-too-large',
  FST_ERR_CTP_INVALID_MEDIA_TYPE: 'unsupported-media',
  FST_ERR_BAD_URL: 'not-found',
};

/** Zod's issues as path and message; an unknown field is named by its own path. */
function fieldFaults(error: FastifyError): FieldFault[] {
  const out: FieldFault[] = [];
  const where = (error as { validationContext?: string }).validationContext ?? 'body';
  for (const v of error.validation ?? []) {
    const path = v.instancePath.split('/').filter(Boolean).join('.');
    const at = where === 'body' ? path : [where, path].filter(Boolean).join('.');
    const keys = (v.params as { keys?: string[] }).keys;
    if (v.keyword === 'unrecognized_keys' && keys)
      for (const key of keys) out.push({ path: [at, key].filter(Boolean).join('.'), message: 'is not known here' });
    else out.push({ path: at, message: v.message ?? 'is not valid' });
  }
  return out.slice(0, 50);
}

let counter = 0;

export function toIdiomError(error: FastifyError, request: FastifyRequest): IdiomError {
  if (hasZodFastifySchemaValidationErrors(error)) return fault('bad-input', {}, fieldFaults(error));
  const known = asFault(error);
  if (known instanceof IdiomError) return known;
  const mapped = FRAMEWORK[error.code];
  if (mapped) return fault(mapped);
  if (
    error instanceof SyntaxError ||
    (error.statusCode !== undefined && error.statusCode >= 400 && error.statusCode < 500)
  )
    return fault(error.statusCode === 429 ? 'too-many-requests' : 'bad-json', { seconds: 60 });
  counter += 1;
  request.log.error({ err: error, number: counter }, 'internal');
  return fault('internal', { number: counter });
}

export function installErrors(app: FastifyInstance): void {
  app.setErrorHandler((error: FastifyError, request, reply) => sendProblem(reply, toIdiomError(error, request)));
}
