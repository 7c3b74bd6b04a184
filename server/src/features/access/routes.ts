import {
  joinRequest,
  joinResponse,
  newCodeResponse,
  revokeResponse,
  tabletsResponse,
  ulid,
} from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { IsNull } from 'typeorm';
import { ulid as newUlid } from 'ulid';
import * as z from 'zod';
import { tabletEntity } from '../../db/entities.ts';
import { AppError } from '../../plugins/errors.ts';
import { fromThisComputer, tabletCookie } from './access-plugin.ts';
import { createGuesses } from './guesses.ts';
import { secureAddressOf, type LocalNetwork } from './local-network.ts';
import { isKitchenCode, newKitchenCode, newToken, tokenHash } from './kitchen-code.ts';
import { MINUTE_MS } from '@morning-crock/core';

/** Wrong guesses of one address. */
const TRIES = 10;
const TRIES_WITHIN_MS = 10 * MINUTE_MS;
const A_YEAR_S = 365 * 24 * 3600;

/** Where tablets join, and where the same is secure. */
function addressesOf(network: LocalNetwork | null): { address: string | null; secure: string | null } {
  const address = network?.address ?? null;
  const port = network?.securePort;
  return { address, secure: address === null || port === undefined ? null : secureAddressOf(address, port) };
}

/** Joining from another device, and sending devices away again. */
export const accessRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  const guesses = createGuesses({ each: TRIES, withinMs: TRIES_WITHIN_MS });
  const tablets = app.db.getRepository(tabletEntity);
  const newCode = (kitchenId: string): Promise<string> => {
    guesses.beginAnew();
    return newKitchenCode(app.db, kitchenId, app.now());
  };

  app.post(
    '/api/join',
    {
      bodyLimit: 1024,
      schema: { body: joinRequest, response: { 200: joinResponse } },
    },
    async (request, reply) => {
      const { kitchenId } = request.identity;
      const { code, name } = request.body;
      if (!guesses.allowed(request.ip, app.now())) throw new AppError('too-many-tries');
      // Counted before it is judged: many at once are not listened to either.
      guesses.guessed(request.ip, app.now());
      if (!(await isKitchenCode(app.db, kitchenId, code))) {
        throw new AppError('wrong-code', [{ path: 'code', message: 'is not this kitchen’s code' }]);
      }
      guesses.right(request.ip);
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
      void reply.setCookie(tabletCookie(request), token, {
        httpOnly: true,
        secure: request.protocol === 'https',
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
      ...addressesOf(app.localNetwork),
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
        response: { 200: revokeResponse },
      },
    },
    async (request) => {
      if (!fromThisComputer(request)) throw new AppError('not-allowed-here');
      const { affected } = await tablets.update(
        { kitchenId: request.identity.kitchenId, id: request.params.id, revokedAt: IsNull() },
        { revokedAt: new Date(app.now()) },
      );
      if (!affected) throw new AppError('not-found');
      app.streams.endOf(request.params.id);
      // It knows the code: there is a new one from here on.
      const code = app.localNetwork ? await newCode(request.identity.kitchenId) : null;
      return { revoked: true as const, code };
    },
  );

  app.post('/api/code', { schema: { response: { 200: newCodeResponse } } }, async (request) => {
    if (!fromThisComputer(request) || !app.localNetwork) throw new AppError('not-allowed-here');
    const { address } = app.localNetwork;
    if (address === null) throw new AppError('no-network');
    return { code: await newKitchenCode(app.db, request.identity.kitchenId, app.now()), address };
  });
  done();
};
