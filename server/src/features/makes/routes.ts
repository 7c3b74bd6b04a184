import { bandForecast, hashSeed, type BandForecast } from '@morning-crock/core';
import { eventsResponse, makesResponse, ulid } from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { AppError } from '../../plugins/errors.ts';
import { readEvents } from '../events/event-log.ts';
import { listMakes, readMake } from './make-service.ts';

const params = z.object({ id: ulid });

/** Makes: the list, one make's events, and its forecast for scripts. */
export const makeRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  const found = async (kitchenId: string, id: string) => {
    const make = await readMake(app.db, kitchenId, id);
    if (!make) throw new AppError('not-found');
    return make;
  };

  app.get(
    '/api/makes',
    {
      schema: {
        querystring: z.object({ status: z.enum(['under-way', 'kept', 'discarded']).optional() }),
        response: { 200: makesResponse },
      },
    },
    async (request) => {
      const makes = await listMakes(app.db, request.identity.kitchenId);
      const { status } = request.query;
      return {
        makes: makes.filter((m) => !status || m.status === status),
        now: new Date(app.now()).toISOString(),
      };
    },
  );

  app.get('/api/makes/:id', { schema: { params, response: { 200: eventsResponse } } }, async (request) => {
    const { kitchenId } = request.identity;
    // A waking is a make as well, though of another shape.
    const events = await readEvents(app.db, { kitchenId, streamId: request.params.id });
    if (!events.some((e) => e.type === 'make-started' || e.type === 'waking-started'))
      throw new AppError('not-found');
    return { events, now: new Date(app.now()).toISOString() };
  });

  app.get('/api/makes/:id/forecast', { schema: { params } }, async (request): Promise<BandForecast> => {
    const { state } = await found(request.identity.kitchenId, request.params.id);
    return bandForecast(state, app.now(), hashSeed(request.params.id));
  });
  done();
};
