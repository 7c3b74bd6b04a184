import { restoreResponse } from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { Readable } from 'node:stream';
import { withSpooled } from '../exchange/spooled.ts';
import { takesFiles } from '../exchange/takes-files.ts';
import { backUp, restore } from './backup-service.ts';

const MAX_FILE_BYTES = 1024 * 1024 * 1024;

/** The whole kitchen out as one file, and into an empty kitchen again. */
export const backupRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  takesFiles(app);
  app.get('/api/backup', (request, reply) => {
    void reply
      .header('content-type', 'application/json; charset=utf-8')
      .header('content-disposition', 'attachment; filename="kitchen.json"');
    return reply.send(Readable.from(backUp(app.db, request.identity.kitchenId, app.now())));
  });

  app.post(
    '/api/restore',
    {
      bodyLimit: MAX_FILE_BYTES,
      config: { takesFile: true },
      schema: { response: { 200: restoreResponse } },
    },
    async (request) => {
      const { kitchenId } = request.identity;
      const spool = { mostBytes: MAX_FILE_BYTES, folder: app.spoolFolder };
      const result = await withSpooled(request.body as Readable, spool, (open) =>
        restore(app.db, kitchenId, open),
      );
      app.hub.notify();
      return result;
    },
  );
  done();
};
