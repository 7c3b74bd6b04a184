import { canonicalValue, thinIndices } from '@morning-crock/core';
import { tracePart, traceStored, traceUpload, ulid } from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import * as z from 'zod';
import { AppError } from '../../plugins/errors.ts';
import { readMake } from '../makes/make-service.ts';
import { readingsCsv } from './readings-csv.ts';
import { importTrace } from './trace-service.ts';
import { readTrace } from './trace-store.ts';

const MAX_UPLOAD_BYTES = 64 * 1024 * 1024;
const params = z.object({ id: ulid });

/** Loggers' files: in whole, out as CSV, and in parts that can be drawn. */
export const traceRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  app.post(
    '/api/makes/:id/traces',
    {
      bodyLimit: MAX_UPLOAD_BYTES,
      config: { takesFile: true },
      schema: { params, body: traceUpload, response: { 200: traceStored } },
    },
    async (request) => {
      const { kitchenId, cookId } = request.identity;
      const stored = await importTrace(app.db, kitchenId, request.params.id, request.body, {
        nowMs: app.now(),
        cookId,
      });
      if (stored.added > 0) app.hub.notify();
      return stored;
    },
  );

  app.get('/api/makes/:id/readings.csv', { schema: { params } }, async (request, reply) => {
    const { kitchenId } = request.identity;
    const make = await readMake(app.db, kitchenId, request.params.id);
    if (!make) throw new AppError('not-found');
    const traces = await Promise.all(make.state.traces.map((t) => readTrace(app.db, kitchenId, t.traceId)));
    void reply
      .header('content-type', 'text/csv; charset=utf-8')
      .header('content-disposition', 'attachment; filename="readings.csv"');
    return readingsCsv(make.state, traces);
  });

  app.get(
    '/api/makes/:id/traces/:traceId',
    {
      schema: {
        params: z.object({ id: ulid, traceId: ulid }),
        querystring: z.object({
          from: z.coerce.number().int().optional(),
          to: z.coerce.number().int().optional(),
          points: z.coerce.number().int().min(3).max(5000).default(1000),
        }),
        response: { 200: tracePart },
      },
    },
    async (request) => {
      const { kitchenId } = request.identity;
      const make = await readMake(app.db, kitchenId, request.params.id);
      const facts = make?.state.traces.find((t) => t.traceId === request.params.traceId);
      if (!facts) throw new AppError('not-found');
      const { from, to, points } = request.query;
      const rows = await readTrace(app.db, kitchenId, facts.traceId, {
        fromMs: from ?? Number.NEGATIVE_INFINITY,
        toMs: to ?? Number.POSITIVE_INFINITY,
      });
      const kept = thinIndices(rows.at, rows.values, points);
      return {
        rows: rows.at.length,
        points: kept.map((i): [number, number] => [
          rows.at[i]!,
          canonicalValue(rows.values[i]!, facts.unit, facts.correction),
        ]),
      };
    },
  );
  done();
};
