import type { FastifyInstance } from 'fastify';
import type { DataSource } from 'typeorm';
import {
  buildApp,
  createDataSource,
  createKitchen,
  type AppOptions,
  type DatabaseAddress,
} from '../index.ts';

/** What a kitchen's rows lie in. */
type Table = 'event' | 'trace_chunk' | 'tablet' | 'kitchen_code' | 'calendar_address' | 'photo' | 'snapshot';

/** A kitchen of its own; many of them lie in the tests' one database, told apart as every row tells. */
export interface TestKitchen {
  readonly app: FastifyInstance;
  readonly db: DataSource;
  readonly kitchenId: string;
  /** The server's clock, moved by the test. */
  readonly clock: { nowMs: number };
  /** What the database holds of this kitchen, entries in the order of the log. */
  rows<T>(table: Table, where?: string, values?: readonly unknown[]): Promise<T[]>;
  count(table: Table, where?: string, values?: readonly unknown[]): Promise<number>;
  /** The same kitchen behind a new server, after `app` was closed. */
  reopen(): Promise<TestKitchen>;
  close(): Promise<void>;
}

/** Where the tests' database is. */
export function databaseAddress(): DatabaseAddress {
  const text = process.env['TEST_DATABASE'];
  if (!text) throw new Error('run the tests through "npm test", which starts their database');
  return JSON.parse(text) as DatabaseAddress;
}

/** Brings the database up once; test files that begin at the same moment wait for each other. */
async function migrate(db: DataSource): Promise<void> {
  const runner = db.createQueryRunner();
  try {
    await runner.query("SELECT GET_LOCK('schema', 60)");
    await db.runMigrations();
    await runner.query("SELECT RELEASE_LOCK('schema')");
  } finally {
    await runner.release();
  }
}
let migrated = false;

/** A machine that stands still for a while must not look like a database that is not there. */
const PATIENCE_MS = 60_000;
async function connected(db: DataSource): Promise<void> {
  for (const began = Date.now(); ;)
    try {
      await db.initialize();
      return;
    } catch (error) {
      if (Date.now() - began > PATIENCE_MS) throw error;
    }
}

/** @param options.pageRoot serve the built page as well */
export async function createTestKitchen(options: {
  startMs: number;
  pageRoot?: string;
  /** Lets other devices in, at these names. */
  localNetwork?: AppOptions['localNetwork'];
  /** Whom devices trust that come to its secure address. */
  authority?: AppOptions['authority'];
  /** Told of each server that was built, before it listens. */
  built?: (app: FastifyInstance) => void;
  /** Another way to the tests' database, and how long its statements and requests may take. */
  databasePort?: number;
  statementMs?: number;
  bodyMs?: number;
  /** How often open pages are told the time. */
  timeEveryMs?: number;
}): Promise<TestKitchen> {
  const { databasePort, statementMs, bodyMs, timeEveryMs } = options;
  const address = databaseAddress();
  const db = createDataSource(databasePort === undefined ? address : { ...address, port: databasePort });
  await connected(db);
  if (!migrated) await migrate(db);
  migrated = true;
  const kitchenId = await createKitchen(db, { name: 'Test kitchen', zone: 'UTC', demo: false });
  const clock = { nowMs: options.startMs };
  const build = async (): Promise<FastifyInstance> => {
    const app = await buildApp({
      dataSource: db,
      kitchenId,
      clock: () => clock.nowMs,
      ...(options.pageRoot === undefined ? {} : { pageRoot: options.pageRoot }),
      ...(options.localNetwork === undefined ? {} : { localNetwork: options.localNetwork }),
      ...(options.authority === undefined ? {} : { authority: options.authority }),
      ...(statementMs === undefined ? {} : { statementMs }),
      ...(bodyMs === undefined ? {} : { bodyMs }),
      ...(timeEveryMs === undefined ? {} : { timeEveryMs }),
    });
    options.built?.(app);
    return app;
  };
  const around = (app: FastifyInstance): TestKitchen => ({
    app,
    db,
    kitchenId,
    clock,
    rows: (table, where = '1', values = []) =>
      db.query(
        `SELECT * FROM ${table} WHERE kitchenId = ? AND (${where})${table === 'event' ? ' ORDER BY seq' : ''}`,
        [kitchenId, ...values],
      ),
    count: async (table, where = '1', values = []) => {
      const found = await db.query<{ n: string }[]>(
        `SELECT COUNT(*) AS n FROM ${table} WHERE kitchenId = ? AND (${where})`,
        [kitchenId, ...values],
      );
      return Number(found[0]!.n);
    },
    reopen: async () => around(await build()),
    close: async () => {
      await app.close();
      await db.destroy();
    },
  });
  return around(await build());
}
