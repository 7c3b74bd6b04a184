import { checkedCorrection, correctedC, toCelsius } from '@morning-crock/core';
import {
  deviceReading,
  deviceReadingResponse,
  EVENT_VERSION,
  temperatureC,
  ulid,
  type DraftEvent,
  type EventOf,
  type KitchenSettings,
  type TypedQuantity,
} from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { ulid as newUlid } from 'ulid';
import type { EntityManager } from 'typeorm';
import * as z from 'zod';
import { eventEntity } from '../../db/entities.ts';
import { AppError } from '../../plugins/errors.ts';
import { appendWithin, checkClock } from '../events/append.ts';
import { withLog } from '../events/event-log.ts';
import { readKitchen } from '../kitchen/kitchen-service.ts';
import { isMake } from '../makes/make-service.ts';

/** At most one reading of a device is stored in this time. */
const STORE_EVERY_MS = 10_000;

/** A temperature as the device said it, set right when a checked thermometer of the kitchen bears its name. */
function temperatureOf(
  device: string,
  said: { readonly celsius: number | undefined; readonly fahrenheit: number | undefined },
  kitchen: KitchenSettings,
): { type: 'temperature-read'; data: EventOf<'temperature-read'>['data'] } {
  const { celsius, fahrenheit } = said;
  const typed: TypedQuantity =
    celsius === undefined ? { value: fahrenheit ?? 0, unit: 'F' } : { value: celsius, unit: 'C' };
  const rawC = celsius ?? toCelsius(fahrenheit ?? 0, 'F');
  const named = kitchen.thermometers.find((t) => t.name === device);
  const correction = checkedCorrection(kitchen.thermometers, named?.id);
  const corrected = temperatureC.safeParse(correctedC(rawC, correction));
  if (!corrected.success)
    throw new AppError('bad-input', [
      {
        path: celsius === undefined ? 'fahrenheit' : 'celsius',
        message: `once corrected by the check of ${device}, it ${corrected.error.issues[0]?.message ?? 'is not a temperature'}. Check that thermometer again`,
      },
    ]);
  return {
    type: 'temperature-read',
    data: {
      celsius: corrected.data,
      instrument: device,
      typed,
      ...(correction ? { rawC, thermometerId: correction.thermometerId } : {}),
    },
  };
}

/** Whether the same device said something within ten seconds of an entry. */
async function readNear(db: EntityManager, kitchenId: string, draft: DraftEvent): Promise<boolean> {
  const atMs = Date.parse(draft.at);
  return db
    .getRepository(eventEntity)
    .createQueryBuilder('e')
    .useIndex('event_of_stream')
    .where('e.kitchenId = :kitchenId AND e.streamId = :streamId AND e.type = :type', {
      kitchenId,
      streamId: draft.streamId,
      type: draft.type,
    })
    .andWhere('e.at > :from AND e.at < :to', {
      from: new Date(atMs - STORE_EVERY_MS),
      to: new Date(atMs + STORE_EVERY_MS),
    })
    .andWhere('e.deviceId = :deviceId', { deviceId: draft.deviceId })
    .getExists();
}

/** Where loggers post temperatures and pH of a running make. */
export const deviceRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  app.post(
    '/api/makes/:id/readings',
    {
      schema: {
        params: z.object({ id: ulid }),
        body: deviceReading,
        response: { 200: deviceReadingResponse },
      },
    },
    async (request) => {
      const { device, at, celsius, fahrenheit, ph } = request.body;
      const { kitchenId, cookId } = request.identity;
      const { id } = request.params;
      const instant = at ?? new Date(app.now()).toISOString();
      const deviceId = `device:${device}`.slice(0, 64);
      const { settings } = await readKitchen(app.db, kitchenId);
      const data: Pick<DraftEvent, 'type' | 'data'> =
        ph === undefined
          ? temperatureOf(device, { celsius, fahrenheit }, settings)
          : {
              type: 'ph-read',
              data: { ph, instrument: 'meter', sigma: null, typed: { value: ph, unit: 'pH' } },
            };
      const draft = {
        id: newUlid(app.now()),
        streamId: id,
        at: instant,
        cookId,
        deviceId,
        version: EVENT_VERSION,
        ...data,
      } as DraftEvent;
      checkClock([draft], app.now());
      // Looked and stored under one lock: of eight readings of one moment one is stored.
      const stored = await withLog(app.db, kitchenId, async (log) => {
        if (!(await isMake(log.manager, kitchenId, id))) throw new AppError('not-found');
        if (await readNear(log.manager, kitchenId, draft)) return false;
        await appendWithin(log, kitchenId, [draft], app.now());
        return true;
      });
      if (!stored)
        return { stored: false, reason: 'a reading from this device was stored less than ten seconds ago' };
      app.hub.notify();
      return { stored: true, reason: '' };
    },
  );
  done();
};
