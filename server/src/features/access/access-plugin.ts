import cookie from '@fastify/cookie';
import type { FastifyRequest } from 'fastify';
import fp from 'fastify-plugin';
import { IsNull } from 'typeorm';
import { tabletEntity } from '../../db/entities.ts';
import { isThisComputer } from '../../plugins/connections.ts';
import { AppError } from '../../plugins/errors.ts';
import { tokenHash } from './kitchen-code.ts';

/** How other devices of the local network reach this kitchen; `null` when only this computer does. */
export interface LocalNetwork {
  /** Addresses it answers to, without port. */
  readonly hosts: readonly string[];
  /** What is shown to people. */
  readonly address: string;
}

declare module 'fastify' {
  interface FastifyInstance {
    readonly localNetwork: LocalNetwork | null;
  }
  interface FastifyRequest {
    /** The tablet it comes from; `null` from this computer and from strangers. */
    tabletId: string | null;
  }
}

export const TABLET_COOKIE = 'mc_tablet';
const OWN_HOSTS = ['127.0.0.1', 'localhost', '[::1]'];
/** "Last seen" is written at most this often. */
const SEEN_EVERY_MS = 60_000;
/**
 * What a device that has not joined may ask for: the page itself, and to join. Judged by the route that was found, never
 * by the address as written: that can be written in many ways.
 */
const isOpen = (route: string | undefined): boolean =>
  route === undefined || !route.startsWith('/api') || route === '/api/join';

/** Whether a request comes from the computer that runs the kitchen. */
export const fromThisComputer = (request: FastifyRequest): boolean => isThisComputer(request.ip);

const hostName = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/**
 * Lets in this computer, and devices that joined with the kitchen code. The Host must be one of ours (a name that
 * somebody points at us is refused), the Origin our own page.
 */
export const accessPlugin = fp<{ localNetwork: LocalNetwork | null; away: () => boolean }>(
  async (app, { localNetwork, away }) => {
    await app.register(cookie);
    app.decorate('localNetwork', localNetwork);
    const hosts = new Set([...OWN_HOSTS, ...(localNetwork?.hosts ?? [])]);
    const tablets = app.db.getRepository(tabletEntity);
    /** Tablets that were let in, by the hash of their token: while the database is away they go on reading. */
    const known = new Map<string, string>();
    app.decorateRequest('tabletId', null);
    app.addHook('onRequest', async (request) => {
      const { origin, host } = request.headers;
      if (!hosts.has(hostName(host ?? ''))) throw new AppError('not-allowed-here');
      if (origin !== undefined && (!URL.canParse(origin) || new URL(origin).host !== host)) {
        throw new AppError('not-allowed-here');
      }
      if (fromThisComputer(request) || isOpen(request.routeOptions.url)) return;
      const token = localNetwork ? request.cookies[TABLET_COOKIE] : undefined;
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
