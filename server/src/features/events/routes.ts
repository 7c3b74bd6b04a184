import { appendRequest, appendResponse, eventsResponse, ulid } from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { once } from 'node:events';
import type { ServerResponse } from 'node:http';
import * as z from 'zod';
import { AppError } from '../../plugins/errors.ts';
import { asStored } from '../../plugins/as-stored.ts';
import { appendEvents } from './append.ts';
import { readEvents } from './event-log.ts';

/** Two hundred entries, however wordy. */
const MAX_ENTRIES_BYTES = 2 * 1024 * 1024;
/** A page that takes nothing for this long is gone. */
const PATIENCE_MS = 60_000;

/** The log: append, read on, and follow live. */
export const eventRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  app.post(
    '/api/events',
    {
      ...asStored,
      bodyLimit: MAX_ENTRIES_BYTES,
      schema: { body: appendRequest, response: { 200: appendResponse } },
    },
    async (request) => {
      const trace = request.body.events.findIndex((e) => e.type === 'trace-imported');
      if (trace >= 0) {
        throw new AppError('bad-input', [
          {
            path: `events.${trace}.type`,
            message: 'send a trace with its rows to /api/makes/:id/traces',
          },
        ]);
      }
      const photo = request.body.events.findIndex((e) => e.type === 'photographed');
      if (photo >= 0)
        throw new AppError('bad-input', [
          {
            path: `events.${photo}.type`,
            message: 'send a picture with its entry to /api/makes/:id/photos',
          },
        ]);
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
      ...asStored,
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
      const ended = new AbortController();
      const { signal } = ended;
      const tell = (message: unknown, id = ''): boolean =>
        raw.write(`${id}data: ${JSON.stringify(message)}\n\n`);
      const tellTime = (): void => {
        // Nothing is heaped up for a page that does not read.
        if (!raw.writableNeedDrain) tell({ kind: 'time', now: new Date(app.now()).toISOString() });
      };
      tellTime();
      const timer = setInterval(tellTime, app.hub.timeEveryMs);
      const stop = app.hub.follow(
        request.identity.kitchenId,
        Number.isFinite(last) ? last : 0,
        async (events) => {
          for (const event of events) {
            if (signal.aborted) return;
            if (!tell({ kind: 'event', event }, `id: ${event.seq}\n`)) await drained(raw, signal);
          }
        },
      );
      const end = (): void => {
        if (signal.aborted) return;
        ended.abort();
        clearInterval(timer);
        stop();
        forget();
        raw.destroy();
      };
      const forget = app.streams.opened(request, end);
      raw.on('close', end);
      raw.on('error', end);
    },
  );
  done();
};

/** Waits until a reader has taken what it was told; one that takes nothing is let go. */
async function drained(raw: ServerResponse, signal: AbortSignal): Promise<void> {
  try {
    await once(raw, 'drain', { signal: AbortSignal.any([signal, AbortSignal.timeout(PATIENCE_MS)]) });
  } catch {
    raw.destroy();
  }
}
