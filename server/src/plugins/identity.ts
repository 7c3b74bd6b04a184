import { ulid } from '@morning-crock/core/contract';
import fp from 'fastify-plugin';
import { kitchenEntity } from '../db/entities.ts';
import { AppError } from './errors.ts';

/** Whose request this is. Sign-in and several kitchens will change this file and nothing else. */
interface Identity {
  readonly kitchenId: string;
  readonly cookId: string | null;
}

declare module 'fastify' {
  interface FastifyRequest {
    identity: Identity;
  }
}

/** Gives each request its kitchen and cook. Who may ask at all is for the access plugin. */
export const identityPlugin = fp<{ kitchenId: string | null }>(
  async (app, options) => {
    const [kitchen] = await app.db.getRepository(kitchenEntity).find({
      where: options.kitchenId === null ? {} : { id: options.kitchenId },
      order: { createdAt: 'ASC' },
      take: 1,
    });
    if (!kitchen) throw new Error('the database has no kitchen yet');
    const kitchenId = kitchen.id;
    app.decorateRequest('identity');
    app.addHook('onRequest', (request, _reply, next) => {
      const cook = request.headers['x-cook-id'];
      const said = cook === undefined || cook === '' ? null : cook;
      if (said !== null && !ulid.safeParse(said).success)
        return next(
          new AppError('bad-input', [{ path: 'x-cook-id', message: 'is not an ID (26 characters)' }]),
        );
      request.identity = { kitchenId, cookId: said as string | null };
      next();
    });
  },
  { name: 'identity', dependencies: ['database'] },
);
