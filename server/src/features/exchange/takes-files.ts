import type { FastifyInstance } from 'fastify';

/** For routes that take a file: their body is not read into memory but handed on as it comes. */
export function takesFiles(
  app: Pick<FastifyInstance, 'removeAllContentTypeParsers' | 'addContentTypeParser'>,
): void {
  app.removeAllContentTypeParsers();
  app.addContentTypeParser('*', (_request, payload, done) => {
    done(null, payload);
  });
}
