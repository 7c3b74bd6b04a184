import { restoreResponse } from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { backUp, restore } from './backup-service.ts';

const MAX_FILE_BYTES = 512 * 1024 * 1024;

/** The whole kitchen out as one file, and into an empty kitchen again. */
export const backupRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  app.get('/api/backup', async (request, reply) => {
    void reply.header('content-disposition', 'attachment; filename="kitchen.json"');
    return backUp(app.db, request.identity.kitchenId, app.now());
  });

  app.post(
    '/api/restore',
    { bodyLimit: MAX_FILE_BYTES, schema: { response: { 200: restoreResponse } } },
    async (request) => {
      const result = await restore(app.db, request.identity.kitchenId, request.body);
      app.hub.notify();
      return result;
    },
  );
  done();
};
