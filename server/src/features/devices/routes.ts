import { correctedC, toCelsius } from '@morning-crock/core';
import {
  deviceReading,
  deviceReadingResponse,
  EVENT_VERSION,
  ulid,
  type EventOf,
  type KitchenSettings,
} from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { ulid as newUlid } from 'ulid';
import { z } from 'zod';
import { AppError } from '../../plugins/errors.ts';
import { appendEvents } from '../events/append.ts';
import { readKitchen } from '../kitchen/kitchen-service.ts';
import { readMake } from '../makes/make-service.ts';
import { correctionOf } from '../traces/trace-service.ts';

/** At most one reading of a device is stored in this time. */
const STORE_EVERY_MS = 10_000;

/** A temperature as the device said it, set right when a checked thermometer of the kitchen bears its name. */
function temperatureOf(
  device: string,
  said: { readonly celsius: number | undefined; readonly fahrenheit: number | undefined },
  kitchen: KitchenSettings,
): { type: 'temperature-read'; data: EventOf<'temperature-read'>['data'] } {
  const { celsius, fahrenheit } = said;
  const typed = celsius === undefined ? { value: fahrenheit ?? 0, unit: 'F' } : { value: celsius, unit: 'C' };
  const rawC = celsius ?? toCelsius(fahrenheit ?? 0, 'F');
  const named = kitchen.thermometers.find((t) => t.name === device);
  const correction = correctionOf(kitchen, named?.id ?? null);
  return {
    type: 'temperature-read',
    data: {
      celsius: correctedC(rawC, correction),
      instrument: device,
      typed,
      ...(correction ? { rawC, thermometerId: correction.thermometerId } : {}),
    },
  };
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
      const make = await readMake(app.db, kitchenId, request.params.id);
      if (!make) throw new AppError('not-found');
      const instant = at ?? new Date(app.now()).toISOString();
      const deviceId = `device:${device}`.slice(0, 64);
      const near = make.state.events.some(
        (e) =>
          e.deviceId === deviceId &&
          e.type === (ph === undefined ? 'temperature-read' : 'ph-read') &&
          Math.abs(Date.parse(e.at) - Date.parse(instant)) < STORE_EVERY_MS,
      );
      if (near)
        return { stored: false, reason: 'a reading of this device within ten seconds is already stored' };
      const { settings } = await readKitchen(app.db, kitchenId);
      const data =
        ph === undefined
          ? temperatureOf(device, { celsius, fahrenheit }, settings)
          : {
              type: 'ph-read' as const,
              data: { ph, instrument: 'meter' as const, sigma: null, typed: { value: ph, unit: 'pH' } },
            };
      await appendEvents(
        app.db,
        kitchenId,
        [
          {
            id: newUlid(app.now()),
            streamId: request.params.id,
            at: instant,
            cookId,
            deviceId,
            version: EVENT_VERSION,
            ...data,
          },
        ],
        app.now(),
      );
      app.hub.notify();
      return { stored: true, reason: '' };
    },
  );
  done();
};
