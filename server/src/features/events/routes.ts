import { appendRequest, appendResponse, eventsResponse, ulid } from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { AppError } from '../../plugins/errors.ts';
import { appendEvents } from './append.ts';
import { readEvents } from './event-log.ts';

const TIME_EVERY_MS = 15_000;

/** The log: append, read on, and follow live. */
export const eventRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  app.post(
    '/api/events',
    { schema: { body: appendRequest, response: { 200: appendResponse } } },
    async (request) => {
      const trace = request.body.events.findIndex((e) => e.type === 'trace-imported');
      if (trace >= 0) {
        throw new AppError('bad-input', [
          {
            path: `events.${trace}.type`,
            message: 'a trace comes in with its rows, at /api/makes/:id/traces',
          },
        ]);
      }
      const { events } = await appendEvents(
        app.db,
        request.identity.kitchenId,
        request.body.events,
        app.now(),
      );
      app.hub.notify();
      return { events };
    },
  );

  app.get(
    '/api/events',
    {
      schema: {
        querystring: z.object({
          after: z.coerce.number().int().min(0).default(0),
          stream: ulid.optional(),
          limit: z.coerce.number().int().min(1).max(5000).default(1000),
        }),
        response: { 200: eventsResponse },
      },
    },
    async (request) => {
      const { after, stream, limit } = request.query;
      const { kitchenId } = request.identity;
      const events = await readEvents(app.db, {
        kitchenId,
        afterSeq: after,
        limit,
        ...(stream ? { streamId: stream } : {}),
      });
      return { events, now: new Date(app.now()).toISOString() };
    },
  );

  const open = new Set<() => void>();
  app.addHook('preClose', () => {
    for (const end of open) end();
  });

  app.get(
    '/api/stream',
    { schema: { querystring: z.object({ after: z.coerce.number().int().min(0).default(0) }) } },
    (request, reply) => {
      const last = Number(request.headers['last-event-id'] ?? request.query.after);
      reply.hijack();
      const { raw } = reply;
      raw.writeHead(200, {
        'content-type': 'text/event-stream',
        'cache-control': 'no-store',
        'x-accel-buffering': 'no',
      });
      const tellTime = (): void => {
        raw.write(`data: ${JSON.stringify({ kind: 'time', now: new Date(app.now()).toISOString() })}\n\n`);
      };
      tellTime();
      const timer = setInterval(tellTime, TIME_EVERY_MS);
      const stop = app.hub.follow(request.identity.kitchenId, Number.isFinite(last) ? last : 0, (events) => {
        for (const event of events)
          raw.write(`id: ${event.seq}\ndata: ${JSON.stringify({ kind: 'event', event })}\n\n`);
      });
      const end = (): void => {
        clearInterval(timer);
        stop();
        open.delete(end);
        raw.end();
      };
      open.add(end);
      raw.on('close', end);
      raw.on('error', end);
    },
  );
  done();
};
