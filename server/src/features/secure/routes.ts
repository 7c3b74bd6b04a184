import { secureResponse } from '@morning-crock/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { secureAddressOf } from '../access/local-network.ts';
import { AppError } from '../../plugins/errors.ts';
import type { Authority } from './authority.ts';
import { isOfHome } from './home-names.ts';

declare module 'fastify' {
  interface FastifyInstance {
    /** `null` where no secure address is served. */
    readonly authority: Authority | null;
  }
}

/** What a device needs before it trusts this kitchen: where it is secure, and whom to trust. Open to all: it is no secret. */
export const secureRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  app.get('/api/secure', { schema: { response: { 200: secureResponse } } }, (request) => {
    const { authority, localNetwork } = app;
    const port = localNetwork?.securePort;
    if (!authority || !localNetwork || port === undefined)
      return { secure: null, fingerprint: null, until: null };
    // The name the device came by is one it can find again.
    const host = [request.hostname, ...localNetwork.hosts].find(isOfHome);
    return {
      secure: host === undefined ? null : secureAddressOf(`http://${host}`, port),
      fingerprint: authority.fingerprint,
      until: new Date(authority.validUntilMs).toISOString(),
    };
  });
  app.get('/morning-crock.crt', { schema: { hide: true } }, (_request, reply) => {
    if (!app.authority) throw new AppError('not-found');
    return reply
      .header('content-type', 'application/x-x509-ca-cert')
      .header('cache-control', 'no-store')
      .send(app.authority.certificate);
  });
  // What a page of the plain address may ask of the secure one: a browser that does not trust it asks nothing.
  app.get('/trusted', { schema: { hide: true } }, (_request, reply) =>
    reply
      .header('cross-origin-resource-policy', 'cross-origin')
      .header('cache-control', 'no-store')
      .send('yes'),
  );
  done();
};
