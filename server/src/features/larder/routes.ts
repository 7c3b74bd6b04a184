import { larderTraceOf } from '@morning-crock/core';
import { larderResponse, larderTrace } from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { milkRegister } from '../milk/milk-service.ts';
import { larderRegister } from './larder-service.ts';

/** The larder: all goods that ever were, what is left of them, what became of the rest, and what they came of. */
export const larderRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  app.get('/api/larder', { schema: { response: { 200: larderResponse } } }, async (request) => {
    const { state, lastSeq } = await larderRegister.read(
      app.db,
      request.identity.kitchenId,
      app.build !== undefined,
    );
    return {
      goods: [...state.goods.values()],
      lines: [...state.lines],
      lastSeq,
      now: new Date(app.now()).toISOString(),
    };
  });

  app.get('/api/larder/trace', { schema: { response: { 200: larderTrace } } }, async (request) => {
    const { kitchenId } = request.identity;
    const { state: room } = await milkRegister.read(app.db, kitchenId, app.build !== undefined);
    const { state: larder } = await larderRegister.read(app.db, kitchenId, app.build !== undefined);
    return larderTraceOf(room, larder);
  });
  done();
};
