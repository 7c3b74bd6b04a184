import {
  calendarAddressResponse,
  newCalendarAddressResponse,
  revokedCalendarResponse,
} from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import * as z from 'zod';
import { calendarAddressEntity, kitchenEntity } from '../../db/entities.ts';
import { AppError } from '../../plugins/errors.ts';
import { newToken, tokenHash } from '../access/kitchen-code.ts';
import { calendarFile } from './calendar-file.ts';
import { createComing } from './coming.ts';

const ENDING = '.ics';

/** An address with a secret in it, where calendars of phones ask for what is coming; whoever has it reads no more than that. */
export const calendarRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  const addresses = app.db.getRepository(calendarAddressEntity);
  const coming = createComing({ db: app.db, work: app.work, build: app.build });

  app.get('/api/calendar', { schema: { response: { 200: calendarAddressResponse } } }, async (request) => {
    const row = await addresses.findOneBy({ kitchenId: request.identity.kitchenId });
    return { since: row?.createdAt.toISOString() ?? null };
  });

  app.post(
    '/api/calendar',
    { schema: { response: { 200: newCalendarAddressResponse } } },
    async (request) => {
      const secret = newToken();
      const createdAt = new Date(app.now());
      const { kitchenId } = request.identity;
      await addresses.save({ kitchenId, hash: tokenHash(secret), createdAt });
      return { path: `/calendar/${secret}${ENDING}`, since: createdAt.toISOString() };
    },
  );

  app.post(
    '/api/calendar/revoke',
    { schema: { response: { 200: revokedCalendarResponse } } },
    async (request) => {
      const { affected } = await addresses.delete({ kitchenId: request.identity.kitchenId });
      if (!affected) throw new AppError('not-found');
      return { revoked: true as const };
    },
  );

  app.get(
    '/calendar/:file',
    { schema: { params: z.object({ file: z.string() }) } },
    async (request, reply) => {
      const { kitchenId } = request.identity;
      const { file } = request.params;
      const secret = file.endsWith(ENDING) ? file.slice(0, -ENDING.length) : '';
      // Looked for by its hash: how long that takes says nothing of the secret.
      const row = await addresses.findOneBy({ kitchenId, hash: tokenHash(secret) });
      if (!row) throw new AppError('not-found');
      const kitchen = await app.db.getRepository(kitchenEntity).findOneByOrFail({ id: kitchenId });
      const nowMs = app.now();
      return reply
        .header('content-type', 'text/calendar; charset=utf-8')
        .header('cache-control', 'private, no-cache')
        .send(calendarFile(kitchen.name, await coming(kitchenId, nowMs), nowMs));
    },
  );
  done();
};
