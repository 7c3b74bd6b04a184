import rateLimit from '@fastify/rate-limit';
import {
  joinRequest,
  joinResponse,
  newCodeResponse,
  tabletsResponse,
  ulid,
} from '@morning-crock/core/contract';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { IsNull } from 'typeorm';
import { ulid as newUlid } from 'ulid';
import { z } from 'zod';
import { tabletEntity } from '../../db/entities.ts';
import { AppError } from '../../plugins/errors.ts';
import { fromThisComputer, TABLET_COOKIE } from './access-plugin.ts';
import { isKitchenCode, newKitchenCode, newToken, tokenHash } from './kitchen-code.ts';

const TRIES = 10;
const TRIES_WITHIN = '10 minutes';
const A_YEAR_S = 365 * 24 * 3600;

/** Joining from another device, and sending devices away again. */
export const accessRoutes: FastifyPluginAsyncZod = async (app) => {
  await app.register(rateLimit, {
    global: false,
    errorResponseBuilder: () => new AppError('too-many-tries'),
  });
  const tablets = app.db.getRepository(tabletEntity);

  app.post(
    '/api/join',
    {
      config: { rateLimit: { max: TRIES, timeWindow: TRIES_WITHIN } },
      schema: { body: joinRequest, response: { 200: joinResponse } },
    },
    async (request, reply) => {
      const { kitchenId } = request.identity;
      const { code, name } = request.body;
      if (!(await isKitchenCode(app.db, kitchenId, code))) {
        throw new AppError('wrong-code', [{ path: 'code', message: 'is not the code of this kitchen' }]);
      }
      const token = newToken();
      const now = new Date(app.now());
      await tablets.insert({
        kitchenId,
        id: newUlid(app.now()),
        tokenHash: tokenHash(token),
        name,
        joinedAt: now,
        lastSeenAt: now,
        revokedAt: null,
      });
      // No `secure`: a local network has no certificate; the cookie never leaves it.
      void reply.setCookie(TABLET_COOKIE, token, {
        httpOnly: true,
        sameSite: 'strict',
        path: '/',
        maxAge: A_YEAR_S,
      });
      return { joined: true as const };
    },
  );

  app.get('/api/tablets', { schema: { response: { 200: tabletsResponse } } }, async (request) => {
    const rows = await tablets.find({
      where: { kitchenId: request.identity.kitchenId, revokedAt: IsNull() },
      order: { joinedAt: 'ASC' },
    });
    return {
      address: app.localNetwork?.address ?? null,
      tablets: rows.map(({ id, name, joinedAt, lastSeenAt }) => ({
        id,
        name,
        joinedAt: joinedAt.toISOString(),
        lastSeenAt: lastSeenAt.toISOString(),
      })),
    };
  });

  app.post(
    '/api/tablets/:id/revoke',
    {
      schema: {
        params: z.object({ id: ulid }),
        response: { 200: z.strictObject({ revoked: z.literal(true) }) },
      },
    },
    async (request) => {
      if (!fromThisComputer(request)) throw new AppError('not-allowed-here');
      const { affected } = await tablets.update(
        { kitchenId: request.identity.kitchenId, id: request.params.id, revokedAt: IsNull() },
        { revokedAt: new Date(app.now()) },
      );
      if (!affected) throw new AppError('not-found');
      return { revoked: true as const };
    },
  );

  app.post('/api/code', { schema: { response: { 200: newCodeResponse } } }, async (request) => {
    if (!fromThisComputer(request) || !app.localNetwork) throw new AppError('not-allowed-here');
    const code = await newKitchenCode(app.db, request.identity.kitchenId, app.now());
    return { code, address: app.localNetwork.address };
  });
};
