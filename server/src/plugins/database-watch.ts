import { connect } from 'node:net';
import type { DataSource, EntitySubscriberInterface, QueryRunner } from 'typeorm';
import type { DatabaseAddress } from '../db/data-source.ts';

/** A statement that is not answered by then is given up. */
const STATEMENT_MS = 10_000;
/** A database that lives greets whoever comes within this. */
const GREETING_MS = 1500;
const LOOK_AGAIN_MS = 1000;

/** What is told of a statement: whose it is. */
interface OfStatement {
  readonly queryRunner: QueryRunner;
}
/** As much of a driver's connection as it takes to give it up. */
interface Wire {
  readonly stream?: { destroy(error: Error): void };
}

/**
 * Gives up statements that the database does not answer, and says while it answers nobody: requests need not wait for it
 * one after the other. It is away until it greets again.
 */
export class DatabaseWatch implements EntitySubscriberInterface {
  private readonly timers = new Map<QueryRunner, NodeJS.Timeout>();
  /** The next look, while it waits. */
  private next: NodeJS.Timeout | null = null;
  private looking = false;
  private closed = false;
  away = false;

  private readonly address: Pick<DatabaseAddress, 'host' | 'port'>;

  /** @param statementMs a statement that is not answered within it is given up */
  constructor(
    private readonly dataSource: DataSource,
    private readonly statementMs = STATEMENT_MS,
  ) {
    const { host = '127.0.0.1', port = 3306 } = dataSource.options as Partial<DatabaseAddress>;
    this.address = { host, port };
    dataSource.subscribers.push(this);
  }

  beforeQuery({ queryRunner }: OfStatement): void {
    clearTimeout(this.timers.get(queryRunner));
    const timer = setTimeout(() => {
      const wire = (queryRunner as QueryRunner & { readonly databaseConnection?: Wire }).databaseConnection;
      wire?.stream?.destroy(Object.assign(new Error('the database does not answer'), { code: 'ETIMEDOUT' }));
      void this.look();
    }, this.statementMs);
    timer.unref();
    this.timers.set(queryRunner, timer);
  }

  afterQuery({ queryRunner }: OfStatement): void {
    clearTimeout(this.timers.get(queryRunner));
    this.timers.delete(queryRunner);
  }

  /** Looks whether it answers, and goes on looking until it does. */
  async look(): Promise<void> {
    // Several statements are given up at once: one of them looks for all.
    if (this.looking || this.next || this.closed) return;
    this.looking = true;
    this.away = !(await greets(this.address));
    this.looking = false;
    if (this.away) this.lookAgain();
  }

  private lookAgain(): void {
    if (this.closed) return;
    this.next = setTimeout(() => {
      this.next = null;
      void this.look();
    }, LOOK_AGAIN_MS);
    this.next.unref();
  }

  close(): void {
    this.closed = true;
    if (this.next) clearTimeout(this.next);
    for (const timer of this.timers.values()) clearTimeout(timer);
    this.dataSource.subscribers.splice(this.dataSource.subscribers.indexOf(this), 1);
  }
}

/** Whether a database greets at an address: one that is frozen takes the connection and says nothing. */
const greets = ({ host, port }: Pick<DatabaseAddress, 'host' | 'port'>): Promise<boolean> =>
  new Promise((resolve) => {
    const socket = connect({ host, port });
    const end = (answers: boolean): void => {
      socket.destroy();
      resolve(answers);
    };
    socket.once('data', () => end(true));
    socket.once('error', () => end(false));
    socket.once('close', () => end(false));
    socket.setTimeout(GREETING_MS, () => end(false));
  });
