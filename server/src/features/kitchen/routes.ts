import { kitchenResponse } from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { readKitchen } from './kitchen-service.ts';

/** The kitchen as it is now. It is changed by events, like everything else. */
export const kitchenRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  app.get('/api/kitchen', { schema: { response: { 200: kitchenResponse } } }, async (request) => {
    const { row, settings } = await readKitchen(app.db, request.identity.kitchenId);
    const { id, name, demo, lastSeq } = row;
    return { id, name, demo, settings, lastSeq, now: new Date(app.now()).toISOString() };
  });
  done();
};
