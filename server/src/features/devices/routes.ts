import { toCelsius } from '@morning-crock/core';
import { deviceReading, deviceReadingResponse, EVENT_VERSION, ulid } from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { ulid as newUlid } from 'ulid';
import { z } from 'zod';
import { AppError } from '../../plugins/errors.ts';
import { appendEvents } from '../events/append.ts';
import { readMake } from '../makes/make-service.ts';

/** At most one reading of a device is stored in this time. */
const STORE_EVERY_MS = 10_000;

/** Where loggers post temperatures of a running make. */
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
      const { device, at, celsius, fahrenheit } = request.body;
      const { kitchenId, cookId } = request.identity;
      const make = await readMake(app.db, kitchenId, request.params.id);
      if (!make) throw new AppError('not-found');
      const instant = at ?? new Date(app.now()).toISOString();
      const near = make.state.temperatures.some(
        (t) => t.instrument === device && Math.abs(t.atMs - Date.parse(instant)) < STORE_EVERY_MS,
      );
      if (near)
        return { stored: false, reason: 'a reading of this device within ten seconds is already stored' };
      const typed =
        celsius === undefined ? { value: fahrenheit ?? 0, unit: 'F' } : { value: celsius, unit: 'C' };
      await appendEvents(
        app.db,
        kitchenId,
        [
          {
            id: newUlid(app.now()),
            streamId: request.params.id,
            at: instant,
            cookId,
            deviceId: `device:${device}`.slice(0, 64),
            version: EVENT_VERSION,
            type: 'temperature-read',
            data: { celsius: celsius ?? toCelsius(fahrenheit ?? 0, 'F'), instrument: device, typed },
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
