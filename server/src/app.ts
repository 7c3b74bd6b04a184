import helmet from '@fastify/helmet';
import fastifyStatic from '@fastify/static';
import swagger from '@fastify/swagger';
import { errorOf } from '@morning-crock/core/contract';
import Fastify, { type FastifyInstance } from 'fastify';
import {
  jsonSchemaTransform,
  serializerCompiler,
  validatorCompiler,
  type ZodTypeProvider,
} from 'fastify-type-provider-zod';
import { sep } from 'node:path';
import type { DataSource } from 'typeorm';
import { accessPlugin, type LocalNetwork } from './features/access/access-plugin.ts';
import { accessRoutes } from './features/access/routes.ts';
import { backupRoutes } from './features/backup/routes.ts';
import { deviceRoutes } from './features/devices/routes.ts';
import { eventRoutes } from './features/events/routes.ts';
import { exchangeRoutes } from './features/exchange/routes.ts';
import { kitchenRoutes } from './features/kitchen/routes.ts';
import { learningRoutes } from './features/learning/routes.ts';
import { cultureRoutes } from './features/cultures/routes.ts';
import { milkRoutes } from './features/milk/routes.ts';
import { makeRoutes } from './features/makes/routes.ts';
import { traceRoutes } from './features/traces/routes.ts';
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
  /** Left out, only this computer is let in. */
  readonly localNetwork?: LocalNetwork;
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
  await app.register(swagger, {
    openapi: {
      info: {
        title: 'Morning Crock',
        version: '1',
        description:
          'The HTTP interface of one kitchen. Loggers post to /api/makes/{id}/readings; everything else is what the page itself uses.',
      },
    },
    transform: jsonSchemaTransform,
  });
  await app.register(accessPlugin, { localNetwork: options.localNetwork ?? null });
  await app.register(identityPlugin);
  await app.register(streamPlugin);
  await app.register(eventRoutes);
  await app.register(kitchenRoutes);
  await app.register(makeRoutes);
  await app.register(deviceRoutes);
  await app.register(exchangeRoutes);
  await app.register(traceRoutes);
  await app.register(milkRoutes);
  await app.register(cultureRoutes);
  await app.register(learningRoutes);
  await app.register(backupRoutes);
  await app.register(accessRoutes);
  app.get('/api/openapi.json', { schema: { hide: true } }, () => app.swagger());
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
