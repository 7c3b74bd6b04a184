import type { FastifyRequest } from 'fastify';
import fp from 'fastify-plugin';

/** The event streams that are open, and whose they are: a tablet that is sent away is sent away at once. */
interface OpenStreams {
  /** @returns how to forget it again */
  opened(request: FastifyRequest, end: () => void): () => void;
  /** Ends all streams of a tablet. */
  endOf(tabletId: string): void;
}

declare module 'fastify' {
  interface FastifyInstance {
    readonly streams: OpenStreams;
  }
}

export const openStreamsPlugin = fp(
  (app, _options, done) => {
    const open = new Map<() => void, string | null>();
    app.decorate('streams', {
      opened: (request, end) => {
        open.set(end, request.tabletId);
        return () => void open.delete(end);
      },
      endOf: (tabletId) => {
        for (const [end, whose] of [...open]) if (whose === tabletId) end();
      },
    } satisfies OpenStreams);
    app.addHook('preClose', (next) => {
      for (const end of [...open.keys()]) end();
      next();
    });
    done();
  },
  { name: 'open-streams', dependencies: ['access'] },
);
