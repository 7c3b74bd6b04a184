import helmet from '@fastify/helmet';
import fastifyStatic from '@fastify/static';
import swagger from '@fastify/swagger';
import { ENTRY_VERSION_HEADER, errorOf, EVENT_VERSION } from '@morning-crock/core/contract';
import fp from 'fastify-plugin';
import Fastify, { type FastifyBaseLogger, type FastifyInstance, type FastifyReply } from 'fastify';
import { serializerCompiler, validatorCompiler, type ZodTypeProvider } from 'fastify-type-provider-zod';
import { sep } from 'node:path';
import type { DataSource } from 'typeorm';
import { accessPlugin } from './features/access/access-plugin.ts';
import type { LocalNetwork } from './features/access/local-network.ts';
import { accessRoutes } from './features/access/routes.ts';
import { backupRoutes } from './features/backup/routes.ts';
import { deviceRoutes } from './features/devices/routes.ts';
import { eventRoutes } from './features/events/routes.ts';
import { calendarRoutes } from './features/calendar/routes.ts';
import { exchangeRoutes } from './features/exchange/routes.ts';
import { kitchenRoutes } from './features/kitchen/routes.ts';
import { learningRoutes } from './features/learning/routes.ts';
import { cultureRoutes } from './features/cultures/routes.ts';
import { larderRoutes } from './features/larder/routes.ts';
import { dayRoutes } from './features/days/routes.ts';
import { methodRoutes } from './features/methods/routes.ts';
import { photoRoutes } from './features/photos/routes.ts';
import { milkRoutes } from './features/milk/routes.ts';
import { makeRoutes } from './features/makes/routes.ts';
import type { Authority } from './features/secure/authority.ts';
import { isOfHome } from './features/secure/home-names.ts';
import { secureRoutes } from './features/secure/routes.ts';
import { traceRoutes } from './features/traces/routes.ts';
import { connectionsPlugin } from './plugins/connections.ts';
import { databasePlugin } from './plugins/database.ts';
import { DatabaseWatch } from './plugins/database-watch.ts';
import { diskPlugin, ROOM_ENOUGH, type DiskWatch } from './plugins/disk.ts';
import { errorsPlugin } from './plugins/errors.ts';
import { identityPlugin } from './plugins/identity.ts';
import { knownAnswersPlugin } from './plugins/known-answers.ts';
import { openStreamsPlugin } from './plugins/open-streams.ts';
import { streamPlugin } from './plugins/stream.ts';
import { OPENAPI } from './openapi.ts';
import { workHere, type Work } from './work/work.ts';
import { MINUTE_MS } from '@morning-crock/core';

declare module 'fastify' {
  interface FastifyInstance {
    readonly work: Work;
    /** What this very code of the server is known by; left out, nothing worked out is kept for its next start. */
    readonly build: string | undefined;
    /** Where files lie while they come in; left out, where the system keeps what is passing. */
    readonly spoolFolder: string | undefined;
  }
}

/** What a route takes that says nothing else. */
const MAX_BODY_BYTES = 256 * 1024;

export interface AppOptions {
  /** Initialised, migrated, with a kitchen inside. */
  readonly dataSource: DataSource;
  /** Whose server it is, when the database holds several kitchens; left out, the first one's. */
  readonly kitchenId?: string;
  /** ms since 1970. */
  readonly clock: () => number;
  /** Folder of the built page; left out, only the API is served. */
  readonly pageRoot?: string;
  /** Where faults are written; left out, nowhere. */
  readonly loggerInstance?: FastifyBaseLogger;
  /** Where long work is done; left out, on the spot. */
  readonly work?: Work;
  /** What this code of the server is known by; left out, nothing worked out is kept for its next start. */
  readonly build?: string;
  /** How much room the disk has; left out, it is not looked at. */
  readonly disk?: DiskWatch;
  /** Where files lie while they come in; left out, where the system keeps what is passing. */
  readonly spoolFolder?: string;
  /** A statement the database does not answer within this is given up, ms; left out, ten seconds. */
  readonly statementMs?: number;
  /** A body that is not whole within this is not waited for, ms; left out, half a minute. */
  readonly bodyMs?: number;
  /** How often open pages are told the time, ms; left out, every quarter of a minute. */
  readonly timeEveryMs?: number;
  /** Left out, only this computer is let in. */
  readonly localNetwork?: LocalNetwork;
  /** Whom devices trust that come to the secure address; left out where there is none. */
  readonly authority?: Authority;
}

/** Connections that do not get on are let go; a large file over a slow network still comes through. */
export const CONNECTION_LIMITS = {
  timeout: 120_000,
  requestTimeout: 10 * MINUTE_MS,
  keepAliveTimeout: 20_000,
  headersTimeout: 10_000,
  connectionsCheckingInterval: 2000,
} as const;

/** Builds the server; it never listens by itself. */
export async function buildApp(options: AppOptions): Promise<FastifyInstance> {
  const app = Fastify({
    ...(options.loggerInstance ? { loggerInstance: options.loggerInstance } : { logger: false }),
    bodyLimit: MAX_BODY_BYTES,
    forceCloseConnections: true,
    connectionTimeout: CONNECTION_LIMITS.timeout,
    requestTimeout: CONNECTION_LIMITS.requestTimeout,
    keepAliveTimeout: CONNECTION_LIMITS.keepAliveTimeout,
    http: {
      headersTimeout: CONNECTION_LIMITS.headersTimeout,
      connectionsCheckingInterval: CONNECTION_LIMITS.connectionsCheckingInterval,
    },
    // A part of an address that is no identity is no route of ours.
    routerOptions: { maxParamLength: 64 },
    frameworkErrors: (error, request, reply) => {
      request.log.warn({ err: error, url: request.url });
      const body = errorOf('bad-input', [{ path: '', message: 'is not an address of this kitchen' }]);
      void (reply as FastifyReply).status(400).send(body);
    },
  }).withTypeProvider<ZodTypeProvider>();
  app.setValidatorCompiler(validatorCompiler);
  app.setSerializerCompiler(serializerCompiler);
  await app.register(helmet, {
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:'],
        fontSrc: ["'self'", 'data:'],
        workerSrc: ["'self'", 'blob:'],
        // At the plain address the page asks whether this device trusts the secure one.
        connectSrc: [
          "'self'",
          (request) => secureSource(request.headers.host, options.localNetwork?.securePort),
          () => secureSource(options.localNetwork?.hosts.find(isOfHome), options.localNetwork?.securePort),
        ],
        upgradeInsecureRequests: null,
      },
    },
    // A name of a home belongs to nobody: another computer may carry it tomorrow, and be plain.
    strictTransportSecurity: false,
  });
  app.addHook('onSend', (_request, reply, _payload, next) => {
    // A page kept open since before an update sees by it that it is older than what it talks to.
    reply.header(ENTRY_VERSION_HEADER, EVENT_VERSION);
    // The camera reads labels, the microphone takes notes; nothing else of a device is any page's business here.
    reply.header(
      'permissions-policy',
      'camera=(self), microphone=(self), geolocation=(), payment=(), usb=(), serial=(), bluetooth=()',
    );
    next();
  });
  app.decorate('spoolFolder', options.spoolFolder);
  app.decorate('work', options.work ?? workHere);
  app.decorate('build', options.build);
  app.decorate('authority', options.authority ?? null);
  app.addHook('onClose', () => app.work.close());
  await app.register(errorsPlugin);
  await app.register(diskPlugin, { disk: options.disk ?? ROOM_ENOUGH });
  await app.register(databasePlugin, { dataSource: options.dataSource, clock: options.clock });
  const watch = new DatabaseWatch(options.dataSource, options.statementMs);
  app.addHook('onClose', (_app, next) => {
    watch.close();
    next();
  });
  const away = (): boolean => watch.away;
  await app.register(swagger, OPENAPI);
  await app.register(connectionsPlugin, { bodyMs: options.bodyMs });
  await app.register(accessPlugin, { localNetwork: options.localNetwork ?? null, away });
  await app.register(knownAnswersPlugin, { away });
  await app.register(openStreamsPlugin);
  await app.register(identityPlugin, { kitchenId: options.kitchenId ?? null });
  await app.register(streamPlugin, { timeEveryMs: options.timeEveryMs });
  for (const routes of [
    eventRoutes,
    kitchenRoutes,
    makeRoutes,
    deviceRoutes,
    exchangeRoutes,
    traceRoutes,
    milkRoutes,
    cultureRoutes,
    larderRoutes,
    methodRoutes,
    dayRoutes,
    photoRoutes,
    learningRoutes,
    backupRoutes,
    accessRoutes,
    secureRoutes,
    calendarRoutes,
  ])
    // A part without a name is looked for among all modules there are.
    await app.register(fp(routes, { name: routes.name, encapsulate: true }));
  app.get('/api/openapi.json', { schema: { hide: true } }, () => app.swagger());
  if (options.pageRoot === undefined)
    app.setNotFoundHandler((_request, reply) => reply.status(404).send(errorOf('not-found')));
  else await servePage(app, options.pageRoot);
  return app;
}

/** The secure address of the host that was asked, as a policy names it. @example secureSource('192.168.7.5:4620', 4621) // 'https://192.168.7.5:4621' */
function secureSource(host = '', port: number | undefined): string {
  const name = /^([a-z0-9.-]+)(?::\d+)?$/i.exec(host)?.[1];
  return port === undefined || name === undefined ? "'self'" : `https://${name}:${port}`;
}

/** The page: hashed assets are kept for ever, everything else is asked for again; its own addresses lead to it. */
async function servePage(app: FastifyInstance, root: string): Promise<void> {
  await app.register(fastifyStatic, {
    root,
    cacheControl: false,
    // The build has packed them already; nothing is packed while somebody waits.
    preCompressed: true,
    setHeaders: (response, path) => {
      const kept = path.includes(`${sep}assets${sep}`);
      void response.header('cache-control', kept ? 'public, max-age=31536000, immutable' : 'no-cache');
    },
  });
  app.setNotFoundHandler((request, reply) => {
    const ownAddress = request.method === 'GET' && !/^\/(api|assets)\//.test(request.url);
    if (ownAddress) return reply.header('cache-control', 'no-cache').sendFile('index.html');
    return reply.status(404).send(errorOf('not-found'));
  });
}
