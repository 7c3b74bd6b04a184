import helmet from '@fastify/helmet';
import fastifyStatic from '@fastify/static';
import { errorOf } from '@morning-crock/core/contract';
import Fastify, { type FastifyInstance } from 'fastify';
import { serializerCompiler, validatorCompiler, type ZodTypeProvider } from 'fastify-type-provider-zod';
import { sep } from 'node:path';
import type { DataSource } from 'typeorm';
import { deviceRoutes } from './features/devices/routes.ts';
import { eventRoutes } from './features/events/routes.ts';
import { exchangeRoutes } from './features/exchange/routes.ts';
import { kitchenRoutes } from './features/kitchen/routes.ts';
import { makeRoutes } from './features/makes/routes.ts';
import { databasePlugin } from './plugins/database.ts';
import { errorsPlugin } from './plugins/errors.ts';
import { identityPlugin } from './plugins/identity.ts';
import { streamPlugin } from './plugins/stream.ts';

export interface AppOptions {
  /** Initialised, migrated, with a kitchen inside. */
  readonly dataSource: DataSource;
  /** ms since 1970. */
  readonly clock: () => number;
  /** Folder of the built page; left out, only the API is served. */
  readonly pageRoot?: string;
  readonly logger?: boolean;
}

/** Builds the server; it never listens by itself. */
export async function buildApp(options: AppOptions): Promise<FastifyInstance> {
  const app = Fastify({
    logger: options.logger ?? false,
    bodyLimit: 4 * 1024 * 1024,
    forceCloseConnections: true,
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
        upgradeInsecureRequests: null,
      },
    },
    strictTransportSecurity: false,
  });
  await app.register(errorsPlugin);
  await app.register(databasePlugin, { dataSource: options.dataSource, clock: options.clock });
  await app.register(identityPlugin);
  await app.register(streamPlugin);
  await app.register(eventRoutes);
  await app.register(kitchenRoutes);
  await app.register(makeRoutes);
  await app.register(deviceRoutes);
  await app.register(exchangeRoutes);
  if (options.pageRoot === undefined)
    app.setNotFoundHandler((_request, reply) => reply.status(404).send(errorOf('not-found')));
  else await servePage(app, options.pageRoot);
  return app;
}

/** The page: hashed assets are kept for ever, everything else is asked for again; its own addresses lead to it. */
async function servePage(app: FastifyInstance, root: string): Promise<void> {
  await app.register(fastifyStatic, {
    root,
    cacheControl: false,
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
