import { makesUnderWay } from '@morning-crock/core';
import { culturesResponse } from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { cultureRegister } from './culture-service.ts';

/** The register of cultures: every one that ever was, with what became of it. */
export const cultureRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  app.get('/api/cultures', { schema: { response: { 200: culturesResponse } } }, async (request) => {
    const { state, lastSeq } = await cultureRegister.read(
      app.db,
      request.identity.kitchenId,
      app.build !== undefined,
    );
    return {
      cultures: [...state.cultures.values()],
      underWay: makesUnderWay(state),
      lastSeq,
      now: new Date(app.now()).toISOString(),
    };
  });
  done();
};
