import fp from 'fastify-plugin';
import type { DataSource } from 'typeorm';

declare module 'fastify' {
  interface FastifyInstance {
    readonly db: DataSource;
    /** The server's one clock, ms since 1970. */
    readonly now: () => number;
  }
}

/** Shares the data source and the clock. */
export const databasePlugin = fp<{ dataSource: DataSource; clock: () => number }>(
  (app, { dataSource, clock }, done) => {
    app.decorate('db', dataSource);
    app.decorate('now', clock);
    done();
  },
  { name: 'database' },
);
