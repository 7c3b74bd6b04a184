import { creamFactors, ledgerPage, localDate, openLots, DAY_MS } from '@morning-crock/core';
import {
  ledgerResponse,
  milkDaysResponse,
  milkingsStored,
  milkingsUpload,
  milkRoomResponse,
  ulid,
  type MilkDays,
} from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import * as z from 'zod';
import { checkClock } from '../events/append.ts';
import { withLog } from '../events/event-log.ts';
import { readKitchen } from '../kitchen/kitchen-service.ts';
import { milkingDraft, milkingKey, milkingsCsv } from './milkings.ts';
import { milkRegister } from './milk-service.ts';

/** Days of milk told: a whole lactation and a bit. */
const DAYS_TOLD = 400;
const MAX_UPLOAD_BYTES = 16 * 1024 * 1024;
/** Rows of a file stored between two looks at what is there already. */
const SLICE = 1000;

/** The milk room: what is in it, its ledger, the days of milk, milkings in and out as CSV. */
export const milkRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  const room = async (kitchenId: string) =>
    (await milkRegister.read(app.db, kitchenId, app.build !== undefined)).state;
  const now = (): string => new Date(app.now()).toISOString();

  app.get('/api/milk', { schema: { response: { 200: milkRoomResponse } } }, async (request) => {
    const { state, lastSeq } = await milkRegister.read(
      app.db,
      request.identity.kitchenId,
      app.build !== undefined,
    );
    return {
      lots: openLots(state),
      creamFactors: creamFactors(state),
      lines: state.lines.length,
      lastSeq,
      now: now(),
    };
  });

  app.get(
    '/api/milk/ledger',
    {
      schema: {
        querystring: z.object({
          offset: z.coerce.number().int().min(0).default(0),
          limit: z.coerce.number().int().min(1).max(2000).default(200),
          lot: ulid.optional(),
        }),
        response: { 200: ledgerResponse },
      },
    },
    async (request) => {
      const { offset, limit, lot } = request.query;
      const { lines } = await room(request.identity.kitchenId);
      return { ...ledgerPage(lines, { offset, limit, lotId: lot }), now: now() };
    },
  );

  app.get('/api/milk/days', { schema: { response: { 200: milkDaysResponse } } }, async (request) => {
    const { kitchenId } = request.identity;
    const { milkings, pours } = await room(kitchenId);
    const { zone } = (await readKitchen(app.db, kitchenId)).settings.site;
    const sinceMs = app.now() - DAYS_TOLD * DAY_MS;
    const days = new Map<string, MilkDays['days'][number]>();
    for (const { atMs, source, kind, litres } of milkings) {
      if (atMs < sinceMs) continue;
      const day = localDate(zone, atMs);
      const key = `${day} ${source}`;
      days.set(key, { day, source, kind, litres: (days.get(key)?.litres ?? 0) + litres });
    }
    const used = new Map<string, number>();
    for (const { atMs, litres } of pours) {
      if (atMs < sinceMs || atMs > app.now()) continue;
      const day = localDate(zone, atMs);
      used.set(day, (used.get(day) ?? 0) + litres);
    }
    return {
      days: [...days.values()].sort((a, b) => (a.day < b.day ? -1 : 1)),
      used: [...used].map(([day, litres]) => ({ day, litres })),
      now: now(),
    };
  });

  app.post(
    '/api/milk/milkings',
    {
      bodyLimit: MAX_UPLOAD_BYTES,
      schema: { body: milkingsUpload, response: { 200: milkingsStored } },
    },
    async (request) => {
      const { kitchenId, cookId } = request.identity;
      const { rows, deviceId } = request.body;
      // What was taken in by hand and comes back in a file is the same milking.
      const here = new Set((await room(kitchenId)).milkings.map(milkingKey));
      const drafts = new Map(
        rows
          .filter((row) => !here.has(milkingKey({ ...row, atMs: Date.parse(row.at) })))
          .map((row) => {
            const draft = milkingDraft(row, { kitchenId, cookId, deviceId });
            return [draft.id, draft] as const;
          }),
      );
      const unique = [...drafts.values()];
      checkClock(unique, app.now());
      const added = await withLog(app.db, kitchenId, async (log) => {
        let count = 0;
        for (let i = 0; i < unique.length; i += SLICE) {
          const slice = unique.slice(i, i + SLICE);
          const known = await log.find(slice.map((d) => d.id));
          const fresh = slice.filter((d) => !known.has(d.id));
          // A lot of its own each, on record only: nothing else can speak against it.
          await log.appendMany(fresh.map((d) => ({ ...d, receivedAt: now() })));
          count += fresh.length;
        }
        return count;
      });
      if (added > 0) app.hub.notify();
      return { added, already: rows.length - added };
    },
  );

  app.get('/api/milk/milkings.csv', async (request, reply) => {
    const { kitchenId } = request.identity;
    const { settings } = await readKitchen(app.db, kitchenId);
    void reply
      .header('content-type', 'text/csv; charset=utf-8')
      .header('content-disposition', 'attachment; filename="milkings.csv"');
    return milkingsCsv(await room(kitchenId), settings.site.zone);
  });
  done();
};
