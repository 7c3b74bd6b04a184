import type { FastifyRequest } from 'fastify';
import fp from 'fastify-plugin';
import { AppError } from './errors.ts';

/** All that is kept, and of one answer. */
const MOST_BYTES = 24 * 1024 * 1024;
const MOST_OF_ONE = 8 * 1024 * 1024;
/** Says of an answer that it was known before, and when. */
const KNOWN_SINCE_HEADER = 'x-known-since';
/** The server's time at the end of an answer, by which pages set their clocks: it is never an old one. */
const NOW = /"now":"[^"]*"\}$/;

interface Known {
  readonly payload: string;
  readonly sinceMs: number;
}

/**
 * Keeps the last answer of each question that was read from the database, so that reading goes on while the database is
 * away. What is older than an entry a page knows of harms nothing: pages join the two.
 */
class KnownAnswers {
  private readonly answers = new Map<string, Known>();
  private bytes = 0;

  keep(url: string, payload: string, sinceMs: number): void {
    this.forget(url);
    if (payload.length > MOST_OF_ONE) return;
    this.answers.set(url, { payload, sinceMs });
    this.bytes += payload.length;
    for (const oldest of this.answers.keys()) {
      if (this.bytes <= MOST_BYTES) return;
      this.forget(oldest);
    }
  }

  /** The answer as it was, at the time that it is. */
  of(url: string, nowMs: number): Known | null {
    const known = this.answers.get(url);
    if (!known) return null;
    return { ...known, payload: known.payload.replace(NOW, `"now":"${new Date(nowMs).toISOString()}"}`) };
  }

  private forget(url: string): void {
    this.bytes -= this.answers.get(url)?.payload.length ?? 0;
    this.answers.delete(url);
  }
}

declare module 'fastify' {
  interface FastifyInstance {
    /** Answers a reading request from what is known; `false` when nothing is. */
    readonly answerAsKnown: (request: FastifyRequest, reply: FastifyReply) => boolean;
  }
}

/** While the database is away, reads are answered from what is known, and all else at once with the reason. */
export const knownAnswersPlugin = fp<{ away: () => boolean }>(
  (app, { away }, done) => {
    const answers = new KnownAnswers();
    // What comes after an entry is asked for once and never again.
    const reads = ({ method, url }: FastifyRequest): boolean =>
      method === 'GET' && url.startsWith('/api/') && !url.startsWith('/api/events');
    app.decorate('answerAsKnown', (request, reply) => {
      const known = reads(request) ? answers.of(request.url, app.now()) : null;
      if (!known) return false;
      void reply
        .status(200)
        .header('content-type', 'application/json; charset=utf-8')
        .header(KNOWN_SINCE_HEADER, new Date(known.sinceMs).toISOString())
        .send(known.payload);
      return true;
    });
    app.addHook('onRequest', (request, reply, next) => {
      if (!away() || !request.url.startsWith('/api/')) return next();
      if (!app.answerAsKnown(request, reply)) next(new AppError('database-away'));
    });
    app.addHook('onSend', (request, reply, payload, next) => {
      const json = String(reply.getHeader('content-type')).startsWith('application/json');
      const fresh = json && reply.statusCode === 200 && !reply.hasHeader(KNOWN_SINCE_HEADER);
      if (typeof payload === 'string' && fresh && reads(request))
        answers.keep(request.url, payload, app.now());
      next();
    });
    done();
  },
  { name: 'known-answers', dependencies: ['database', 'access'] },
);
