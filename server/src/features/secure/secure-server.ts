import type { FastifyInstance } from 'fastify';
import { createServer, type Server, type ServerOptions } from 'node:https';
import type { OwnCertificate } from './authority.ts';

/** Half-finished greetings are not waited for. */
const GREETING_MS = 10_000;

/** A server that shows a certificate, which may be another later. */
export interface SecureServer {
  listen(address: { readonly host: string; readonly port: number }): Promise<void>;
  /** From the next connection on; those that stand go on. */
  show(certificate: OwnCertificate): void;
}

/**
 * Answers as the app does, at secure addresses; closes with it. To be called before the app listens.
 * @param limits what keeps slow and idle connections away, as of the app's own server
 */
export function secureServer(
  app: FastifyInstance,
  certificate: OwnCertificate,
  limits: ServerOptions,
): SecureServer {
  const server: Server = createServer(
    {
      ...limits,
      key: certificate.keyPem,
      cert: certificate.certificatePem,
      minVersion: 'TLSv1.2',
      handshakeTimeout: GREETING_MS,
    },
    (request, response) => app.routing(request, response),
  );
  app.connections.watch(server);
  app.addHook('onClose', async () => {
    server.closeAllConnections();
    await new Promise<void>((resolve) => {
      server.close(() => resolve());
    });
  });
  return {
    listen: async ({ host, port }) => {
      await app.ready();
      await new Promise<void>((resolve, reject) => {
        server.once('error', reject);
        server.listen({ host, port }, () => {
          server.off('error', reject);
          resolve();
        });
      });
    },
    show: ({ keyPem, certificatePem }) =>
      server.setSecureContext({ key: keyPem, cert: certificatePem, minVersion: 'TLSv1.2' }),
  };
}
