import {
  photosResponse,
  photoStored,
  photoUpload,
  PRODUCT_IDS,
  STEP_KINDS,
  ulid,
} from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import * as z from 'zod';
import { AppError } from '../../plugins/errors.ts';
import { earlierPhotos, readPhoto, storePhoto } from './photo-service.ts';

/** A picture in letters, and the little that stands beside it. */
const MAX_UPLOAD_BYTES = 2 * 1024 * 1024;

/** A maker's own pictures of what it looked like. */
export const photoRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  app.post(
    '/api/makes/:id/photos',
    {
      bodyLimit: MAX_UPLOAD_BYTES,
      schema: { params: z.object({ id: ulid }), body: photoUpload, response: { 200: photoStored } },
    },
    async (request) => {
      const { kitchenId, cookId } = request.identity;
      await storePhoto(app.db, kitchenId, request.params.id, request.body, { nowMs: app.now(), cookId });
      app.hub.notify();
      return { photoId: request.body.photoId };
    },
  );

  app.get(
    '/api/photos',
    {
      schema: {
        querystring: z.object({
          product: z.enum(PRODUCT_IDS),
          step: z.enum(STEP_KINDS as [string, ...string[]]),
          not: ulid,
        }),
        response: { 200: photosResponse },
      },
    },
    async (request) => {
      const { product, step, not } = request.query;
      return {
        photos: await earlierPhotos(app.db, request.identity.kitchenId, {
          product,
          stepKind: step,
          notOf: not,
        }),
      };
    },
  );

  app.get('/api/photos/:id', { schema: { params: z.object({ id: ulid }) } }, async (request, reply) => {
    const bytes = await readPhoto(app.db, request.identity.kitchenId, request.params.id);
    if (!bytes) throw new AppError('not-found');
    // It is a picture and nothing else, whatever a browser would make of it.
    void reply
      .header('content-type', 'image/jpeg')
      .header('x-content-type-options', 'nosniff')
      .header('cache-control', 'private, max-age=31536000, immutable');
    return reply.send(bytes);
  });
  done();
};
