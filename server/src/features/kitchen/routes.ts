import { kitchenResponse } from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { readKitchen } from './kitchen-service.ts';

/** The kitchen as it is now. It is changed by events, like everything else. */
export const kitchenRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  app.get('/api/kitchen', { schema: { response: { 200: kitchenResponse } } }, async (request) => {
    const { row, settings } = await readKitchen(app.db, request.identity.kitchenId);
    return { id: row.id, name: row.name, demo: row.demo, settings, now: new Date(app.now()).toISOString() };
  });
  done();
};
