import { foldMethods } from '@morning-crock/core';
import { methodsResponse } from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { kitchenEntity } from '../../db/entities.ts';
import { readEvents } from '../events/event-log.ts';

/** The kitchen's own methods with all their versions; those that come with the product are in the core. */
export const methodRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  app.get('/api/methods', { schema: { response: { 200: methodsResponse } } }, async (request) => {
    const { kitchenId } = request.identity;
    const { lastSeq } = await app.db.getRepository(kitchenEntity).findOneByOrFail({ id: kitchenId });
    const saved = await readEvents(app.db, { kitchenId, types: ['method-changed'] });
    const changes = [];
    for (const streamId of new Set(saved.map((event) => event.streamId)))
      changes.push(...(await readEvents(app.db, { kitchenId, streamId, types: ['voided', 'corrected'] })));
    return { methods: foldMethods([...saved, ...changes]), lastSeq };
  });
  done();
};
