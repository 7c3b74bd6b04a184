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

/** Gives each request its kitchen and cook, and refuses pages of other origins. */
export const identityPlugin = fp(
  async (app) => {
    const kitchens = await app.db.getRepository(kitchenEntity).find({ order: { createdAt: 'ASC' }, take: 1 });
    const kitchen = kitchens[0];
    if (!kitchen) throw new Error('the database has no kitchen yet');
    const kitchenId = kitchen.id;
    app.decorateRequest('identity');
    app.addHook('onRequest', (request, _reply, next) => {
      const { origin, host } = request.headers;
      const cook = request.headers['x-cook-id'];
      request.identity = { kitchenId, cookId: typeof cook === 'string' && cook !== '' ? cook : null };
      if (origin !== undefined && URL.canParse(origin) && new URL(origin).host !== host) {
        next(new AppError('not-allowed-here'));
      } else next();
    });
  },
  { name: 'identity', dependencies: ['database'] },
);
