import cookie from '@fastify/cookie';
import type { FastifyRequest } from 'fastify';
import fp from 'fastify-plugin';
import { IsNull } from 'typeorm';
import { tabletEntity } from '../../db/entities.ts';
import { isThisComputer } from '../../plugins/connections.ts';
import { AppError } from '../../plugins/errors.ts';
import { tokenHash } from './kitchen-code.ts';
import type { LocalNetwork } from './local-network.ts';

declare module 'fastify' {
  interface FastifyInstance {
    /** `null` when only this computer reaches the kitchen. */
    readonly localNetwork: LocalNetwork | null;
  }
  interface FastifyRequest {
    /** The tablet it comes from; `null` from this computer and from strangers. */
    tabletId: string | null;
  }
}

/** Where it is not secured: whoever listens on the network reads it. */
export const PLAIN_COOKIE = 'mc_tablet';
/** Browsers take one so called from a secure address alone, and keep it from all others. */
const SECURE_COOKIE = '__Host-mc_tablet';
const isSecure = (request: FastifyRequest): boolean => request.protocol === 'https';
/** What a tablet keeps its token in, by how it came. */
export const tabletCookie = (request: FastifyRequest): string =>
  isSecure(request) ? SECURE_COOKIE : PLAIN_COOKIE;
const OWN_HOSTS = ['127.0.0.1', 'localhost', '[::1]'];
/** "Last seen" is written at most this often. */
const SEEN_EVERY_MS = 60_000;
/**
 * What a device that has not joined may ask for: the page itself, and to join. Judged by the route that was found, never
 * by the address as written: that can be written in many ways.
 */
const OPEN_ROUTES: readonly string[] = ['/api/join', '/api/secure'];
const isOpen = (route: string | undefined): boolean =>
  route === undefined || !route.startsWith('/api') || OPEN_ROUTES.includes(route);

/** Whether a request comes from the computer that runs the kitchen. */
export const fromThisComputer = (request: FastifyRequest): boolean => isThisComputer(request.ip);

const hostName = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/** Whether a page that asks is our own, and as secure as what it asks. */
const isOwnOrigin = (origin: string, protocol: string, host = ''): boolean =>
  URL.canParse(origin) && new URL(origin).origin === `${protocol}://${host.toLowerCase()}`;

/**
 * Lets in this computer, and devices that joined with the kitchen code. The Host must be one of ours (a name that
 * somebody points at us is refused), the Origin our own page.
 */
export const accessPlugin = fp<{ localNetwork: LocalNetwork | null; away: () => boolean }>(
  async (app, { localNetwork, away }) => {
    await app.register(cookie);
    app.decorate('localNetwork', localNetwork);
    const isOurs = (host: string): boolean =>
      OWN_HOSTS.includes(host) || (localNetwork?.hosts.includes(host) ?? false);
    const tablets = app.db.getRepository(tabletEntity);
    /** Tablets that were let in, by the hash of their token: while the database is away they go on reading. */
    const known = new Map<string, string>();
    app.decorateRequest('tabletId', null);
    app.addHook('onRequest', async (request) => {
      const { origin, host } = request.headers;
      if (!isOurs(hostName(host ?? ''))) throw new AppError('not-allowed-here');
      if (origin !== undefined && !isOwnOrigin(origin, request.protocol, host)) {
        throw new AppError('not-allowed-here');
      }
      if (fromThisComputer(request) || isOpen(request.routeOptions.url)) return;
      // One that joined before it trusted this kitchen is known at the secure address too, but never the other way.
      const token = localNetwork
        ? (request.cookies[tabletCookie(request)] ?? request.cookies[PLAIN_COOKIE])
        : undefined;
      if (token === undefined) throw new AppError('code-needed');
      const hash = tokenHash(token);
      if (away()) {
        request.tabletId = known.get(hash) ?? null;
        if (request.tabletId === null) throw new AppError('database-away');
        return;
      }
      const tablet = await tablets.findOneBy({ tokenHash: hash, revokedAt: IsNull() });
      if (!tablet) {
        known.delete(hash);
        throw new AppError('code-needed');
      }
      known.set(hash, tablet.id);
      request.tabletId = tablet.id;
      if (app.now() - tablet.lastSeenAt.getTime() > SEEN_EVERY_MS) {
        await tablets.update(
          { kitchenId: tablet.kitchenId, id: tablet.id },
          { lastSeenAt: new Date(app.now()) },
        );
      }
    });
    // Its body may have been long in coming: a tablet that was sent away meanwhile stores nothing any more.
    app.addHook('preHandler', async ({ tabletId }) => {
      if (tabletId === null || away()) return;
      if (!(await tablets.existsBy({ id: tabletId, revokedAt: IsNull() }))) throw new AppError('code-needed');
    });
  },
  { name: 'access', dependencies: ['database'] },
);
