import { foldDays } from '@morning-crock/core';
import { daysResponse } from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { readEvents } from '../events/event-log.ts';

/** Days that are kept or going on; those that are over are in the log alone. */
export const dayRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  app.get('/api/days', { schema: { response: { 200: daysResponse } } }, async (request) => {
    const { kitchenId } = request.identity;
    const laid = await readEvents(app.db, { kitchenId, types: ['day-changed'] });
    const changes = [];
    for (const streamId of new Set(laid.map((event) => event.streamId)))
      changes.push(...(await readEvents(app.db, { kitchenId, streamId, types: ['voided', 'corrected'] })));
    return { days: foldDays([...laid, ...changes]) };
  });
  done();
};
