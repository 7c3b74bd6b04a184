import { daysResponse } from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { readDays } from './kept-days.ts';

/** The days of a kitchen. */
export const dayRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  app.get('/api/days', { schema: { response: { 200: daysResponse } } }, async (request) => ({
    days: await readDays(app.db, request.identity.kitchenId),
  }));
  done();
};
