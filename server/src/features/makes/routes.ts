import { beginsMake, hashSeed, type BandForecast } from '@morning-crock/core';
import { eventsResponse, makesResponse, makeSummary, ulid } from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import * as z from 'zod';
import { asStored } from '../../plugins/as-stored.ts';
import { AppError } from '../../plugins/errors.ts';
import { readEvents } from '../events/event-log.ts';
import { LogTexts, written } from './log-texts.ts';
import { listMakes } from './make-service.ts';

const params = z.object({ id: ulid });

/** Makes: the list, one make's events, and its forecast for scripts. */
export const makeRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  const texts = new LogTexts();
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
    async (request, reply) => {
      const log = await texts.of(app.db, request.identity.kitchenId, request.params.id);
      if (!log) throw new AppError('not-found');
      const { fresh, before } = log;
      const now = new Date(app.now()).toISOString();
      // What is kept of it stands in front as it was written; only the rest is written now.
      if (before !== '')
        void reply
          .type('application/json; charset=utf-8')
          .serializer(
            () => `{"events":[${before}${fresh.length > 0 ? `,${written(fresh)}` : ''}],"now":"${now}"}`,
          );
      return { events: fresh, now };
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
