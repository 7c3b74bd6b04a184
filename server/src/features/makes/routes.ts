import { beginsMake, hashSeed, type BandForecast } from '@morning-crock/core';
import { eventsResponse, makesResponse, makeSummary, ulid } from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import * as z from 'zod';
import { asStored } from '../../plugins/as-stored.ts';
import { AppError } from '../../plugins/errors.ts';
import { readEvents } from '../events/event-log.ts';
import { listMakes } from './make-service.ts';

const params = z.object({ id: ulid });

/** Makes: the list, one make's events, and its forecast for scripts. */
export const makeRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  app.get(
    '/api/makes',
    {
      ...asStored,
      schema: {
        querystring: z.object({
          status: makeSummary.shape.status.optional(),
          /** What is under way, and so many of the others, the latest first. */
          latest: z.coerce.number().int().min(1).max(1000).optional(),
        }),
        response: { 200: makesResponse },
      },
    },
    async (request) => {
      const makes = await listMakes(app.db, request.identity.kitchenId, app.work, app.build);
      const { status, latest = makes.length } = request.query;
      return {
        makes: makes.filter((m, i) =>
          status ? m.status === status : i < latest || m.status === 'under-way',
        ),
        now: new Date(app.now()).toISOString(),
      };
    },
  );

  app.get(
    '/api/makes/:id',
    { ...asStored, schema: { params, response: { 200: eventsResponse } } },
    async (request) => {
      const { kitchenId } = request.identity;
      const events = await readEvents(app.db, { kitchenId, streamId: request.params.id });
      if (!events.some((e) => beginsMake(e.type))) throw new AppError('not-found');
      return { events, now: new Date(app.now()).toISOString() };
    },
  );

  app.get(
    '/api/makes/:id/forecast',
    { schema: { params } },
    async (request, reply): Promise<BandForecast> => {
      const { id: makeId } = request.params;
      const events = await readEvents(app.db, { kitchenId: request.identity.kitchenId, streamId: makeId });
      if (!events.some((e) => beginsMake(e.type))) throw new AppError('not-found');
      const gone = new AbortController();
      reply.raw.once('close', () => gone.abort());
      const job = { makeId, events, nowMs: app.now(), seed: hashSeed(makeId) };
      const forecast = await app.work.run('forecast', job, gone.signal);
      if (!forecast) throw new AppError('not-found');
      return forecast;
    },
  );
  done();
};
