import type { FastifyInstance } from 'fastify';
import type { DataSource } from 'typeorm';
import { ulid } from 'ulid';
import { buildApp, createDataSource, prepareKitchen, type AppOptions } from '../index.ts';

/** A kitchen of its own for one test file, in a database of its own on the tests' MariaDB. */
export interface TestKitchen {
  readonly app: FastifyInstance;
  readonly db: DataSource;
  readonly kitchenId: string;
  /** The server's clock, moved by the test. */
  readonly clock: { nowMs: number };
  /** The same kitchen behind a new server, after `app` was closed. */
  reopen(): Promise<TestKitchen>;
  close(): Promise<void>;
}

function databaseAddress(): { host: string; port: number; user: string; password: string } {
  const text = process.env['TEST_DATABASE'];
  if (!text) throw new Error('run the tests through "npm test", which starts their database');
  return JSON.parse(text) as { host: string; port: number; user: string; password: string };
}

/** @param options.pageRoot serve the built page as well */
export async function createTestKitchen(options: {
  startMs: number;
  pageRoot?: string;
  /** Lets other devices in, at these names. */
  localNetwork?: AppOptions['localNetwork'];
}): Promise<TestKitchen> {
  const address = databaseAddress();
  const database = `t_${ulid().toLowerCase()}`;
  const admin = createDataSource({ ...address, database: 'morning_crock' });
  await admin.initialize();
  await admin.query(`CREATE DATABASE ${database} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_520_ci`);
  const db = createDataSource({ ...address, database });
  await db.initialize();
  const { id } = await prepareKitchen(db, { name: 'Test kitchen', zone: 'UTC', demo: false });
  const clock = { nowMs: options.startMs };
  const build = (): Promise<FastifyInstance> =>
    buildApp({
      dataSource: db,
      clock: () => clock.nowMs,
      ...(options.pageRoot === undefined ? {} : { pageRoot: options.pageRoot }),
      ...(options.localNetwork === undefined ? {} : { localNetwork: options.localNetwork }),
    });
  const around = (app: FastifyInstance): TestKitchen => ({
    app,
    db,
    kitchenId: id,
    clock,
    reopen: async () => around(await build()),
    close: async () => {
      await app.close();
      await db.destroy();
      await admin.query(`DROP DATABASE ${database}`);
      await admin.destroy();
    },
  });
  return around(await build());
}
