import { larderResponse } from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { larderRegister } from './larder-service.ts';

/** The larder: all goods that ever were, what is left of them, and what became of the rest. */
export const larderRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  app.get('/api/larder', { schema: { response: { 200: larderResponse } } }, async (request) => {
    const { state } = await larderRegister.read(app.db, request.identity.kitchenId);
    return {
      goods: [...state.goods.values()],
      lines: state.lines,
      now: new Date(app.now()).toISOString(),
    };
  });
  done();
};
