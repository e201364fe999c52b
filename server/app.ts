/** Builds the server. Does not listen: main.ts does, tests use inject. */
import compress from '@fastify/compress';
import cookie from '@fastify/cookie';
import helmet from '@fastify/helmet';
import rateLimit from '@fastify/rate-limit';
import serveStatic from '@fastify/static';
import swagger from '@fastify/swagger';
import Fastify, { type FastifyInstance } from 'fastify';
import { jsonSchemaTransform, validatorCompiler } from 'fastify-type-provider-zod';
import { API_BASE, ENDPOINTS } from '../contract';
import { fault } from '../core/errors';
import { bind } from './bind';
import type { Context } from './context';
import { rows } from './database';
import { docsPage, type OpenApi } from './docsPage';
import { installErrors, sendProblem } from './plugins/errors';
import { TryLimiter } from './plugins/session';
import { loggerAs, requestId, Watching } from './watching';
import { inspectRoutes } from './routes/inspect';
import { knotRoutes } from './routes/knots';
import { passkeyRoutes } from './routes/passkeys';
import { peopleRoutes } from './routes/people';
import { evidenceRoutes } from './routes/evidence';
import { recordRoutes } from './routes/records';
import { ropeRoutes } from './routes/ropes';
import { roundRoutes } from './routes/rounds';
import { showRoutes } from './routes/shows';
import { workRoutes } from './routes/work';
import { computing } from './work/asking';

const BODY_LIMIT = 256 * 1024;
/** A request that is not all here within this is ended, and a connection on which none comes. */
const REQUEST_WITHIN_ms = 20_000;
const HEADERS_WITHIN_ms = 10_000;
const KEPT_OPEN_ms = 30_000;
const MOST_CONNECTIONS = 4000;

export async function buildApp(context: Context): Promise<FastifyInstance> {
  const { settings, db } = context;
  const app = Fastify({
    logger: loggerAs(settings.logLevel),
    genReqId: requestId,
    bodyLimit: BODY_LIMIT,
    requestTimeout: REQUEST_WITHIN_ms,
    connectionTimeout: 0,
    http: { connectionsCheckingInterval: 5000 },
    routerOptions: { maxParamLength: 200 },
    // addresses of proxies in front; only what they say of who asks is believed
    trustProxy: settings.proxies && settings.proxies.length > 0 ? [...settings.proxies] : false,
    // what is being answered is answered to its end; shows are ended before
    forceCloseConnections: 'idle',
    return503OnClosing: true,
    frameworkErrors: (_error, _request, reply) => void sendProblem(reply, fault('not-found')),
  });
  app.setValidatorCompiler(validatorCompiler);
  // replies are typed and tested against the contract; they are not checked again on every request
  app.setSerializerCompiler(() => (data) => JSON.stringify(data));
  installErrors(app);
  // gzip alone: pictures and shapes shrink to a fifth of themselves at little cost
  await app.register(compress, { threshold: 1024, encodings: ['gzip'] });
  await app.register(cookie);
  await app.register(helmet, {
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        workerSrc: ["'self'", 'blob:'],
        upgradeInsecureRequests: null,
      },
    },
    strictTransportSecurity: false,
  });
  if (settings.ratePerMinute > 0)
    await app.register(rateLimit, {
      max: settings.ratePerMinute,
      timeWindow: 60_000,
      allowList: (request) => !request.url.startsWith('/api/'),
      errorResponseBuilder: (_request, info) => fault('too-many-requests', { seconds: Math.ceil(info.ttl / 1000) }),
    });
  await app.register(swagger, {
    openapi: {
      openapi: '3.1.0',
      info: {
        title: 'Idiom',
        version: settings.version,
        description:
          'Life-safety knots: choosing, tying, checking, and the record of it. A training and record-keeping aid; it gives no clearance to load.',
      },
    },
    transform: jsonSchemaTransform,
  });

  // a proxy may say in a header of its own who asks
  const { clientHeader, proxies = [] } = settings;
  if (clientHeader)
    app.addHook('onRequest', (request, _reply, done) => {
      const said = request.headers[clientHeader];
      if (proxies.includes(request.socket.remoteAddress ?? ''))
        request.raw.headers['x-forwarded-for'] = Array.isArray(said) ? said.at(-1) : said;
      done();
    });

  // pages of other sites may not change data with a visitor's cookie
  app.addHook('onRequest', (request, _reply, done) => {
    const { origin, host } = request.headers;
    if (request.method !== 'GET' && request.method !== 'HEAD' && origin !== undefined) {
      const own = `http://${host}`;
      if (!URL.canParse(origin) || !URL.canParse(own) || new URL(origin).host !== new URL(own).host)
        return done(fault('cross-site'));
    }
    done();
  });

  // what nobody said may be kept is not
  app.addHook('onSend', (request, reply, payload, done) => {
    if (request.url.startsWith('/api/') && !reply.hasHeader('cache-control'))
      void reply.header('cache-control', 'no-store');
    done(null, payload);
  });
  app.server.headersTimeout = HEADERS_WITHIN_ms;
  app.server.keepAliveTimeout = KEPT_OPEN_ms;
  app.server.maxConnections = MOST_CONNECTIONS;

  const limiter = new TryLimiter(context.now);
  const compute = computing(context);
  const watching = new Watching(compute);
  watching.install(app);
  app.addHook('preClose', (done) => {
    watching.stopping = true;
    done();
  });
  app.addHook('onClose', () => compute.work.close());
  await compute.work.makeReady();
  await app.register((api, _options, done) => {
    bind(api, context, ENDPOINTS.health, async () => {
      await rows(context.healthDb ?? db, 'SELECT 1');
      return { status: 'ok', database: 'ok', version: settings.version };
    });
    bind(api, context, ENDPOINTS.live, () => ({ status: 'ok' }));
    bind(api, context, ENDPOINTS.ready, async () => {
      if (watching.stopping) throw fault('stopping');
      await rows(context.healthDb ?? db, 'SELECT 1');
      return { status: 'ok' };
    });
    knotRoutes(api, context, compute);
    inspectRoutes(api, context, compute);
    workRoutes(api, context, compute);
    peopleRoutes(api, context, limiter);
    passkeyRoutes(api, context, limiter);
    ropeRoutes(api, context, compute);
    roundRoutes(api, context, compute);
    showRoutes(api, context);
    recordRoutes(api, context, limiter, compute);
    evidenceRoutes(api, context, compute);
    done();
  });
  app.get(`${API_BASE}/openapi.json`, { schema: { hide: true } }, () => app.swagger());
  app.get('/api/docs', { schema: { hide: true } }, (_request, reply) =>
    reply.type('text/html; charset=utf-8').send(docsPage(app.swagger() as unknown as OpenApi)),
  );

  if (settings.webRoot)
    await app.register(serveStatic, {
      root: settings.webRoot,
      wildcard: false,
      index: false,
      setHeaders: (reply, path) => {
        void reply.header(
          'cache-control',
          path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache',
        );
      },
      preCompressed: true,
    });
  app.setNotFoundHandler((request, reply) => {
    const path = request.url.split('?')[0]!;
    if (path.startsWith('/api/')) {
      const known = Object.values(ENDPOINTS).some((e) =>
        new RegExp(`^${API_BASE}${e.path.replace(/:\w+/g, '[^/]+')}$`).test(path),
      );
      return sendProblem(reply, fault(known ? 'method-not-allowed' : 'not-found'));
    }
    if (!settings.webRoot || (request.method !== 'GET' && request.method !== 'HEAD') || /\.\w+$/.test(path))
      return sendProblem(reply, fault('not-found'));
    return reply.type('text/html; charset=utf-8').header('cache-control', 'no-cache').sendFile('index.html');
  });
  await app.ready();
  return app;
}
