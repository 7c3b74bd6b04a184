import type { DraftEvent, EventType } from '@morning-crock/core/contract';
import { createTestKitchen, draft, type TestKitchen } from '@morning-crock/server/testing';
import { createConnection, type AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import { PATIENCE_MS } from './browser.ts';
import { MINUTE_MS } from '@morning-crock/core';

/** A clock that is moved is noticed this soon, ms. */
const TIME_EVERY_MS = 100;
/**
 * Pages go on by themselves until the kitchen's clock, which stands still, pulls them back: a tap is entered up to a
 * second after the kitchen's time. So long more passes with the minutes, or four of them would sometimes read as three.
 */
const TAPS_MS = 2000;
const PAGE_ROOT = fileURLToPath(new URL('../../web/dist', import.meta.url));

/** A whole kitchen on loopback whose clock the journey moves. */
export interface World {
  readonly kitchen: TestKitchen;
  readonly address: string;
  /** Moves the kitchen's clock, and by the moment taps took; open pages are told within a blink (`later` waits for them). */
  advance(minutes: number): void;
  /** Stops listening, as if the server went away, and comes back at the same address. */
  goAway(): Promise<void>;
  comeBack(): Promise<void>;
  /** Stores entries as another tablet would have; fails when one is refused. */
  send(...events: DraftEvent[]): Promise<void>;
  /** The kitchen switches to °F and a region's measures. */
  measureIn(measures: 'us' | 'imperial'): Promise<void>;
  /** What the entries of a type hold in the database, oldest first. */
  entries<T = Record<string, unknown>>(type: EventType): Promise<Entry<T>[]>;
  /** The same, once there are so many of them at least. */
  stored<T = Record<string, unknown>>(type: EventType, wanted: number): Promise<Entry<T>[]>;
  close(): Promise<void>;
}

/** An entry as the database holds it. */
interface Entry<T> {
  readonly data: T;
  readonly streamId: string;
}

/** Worlds of one file answer at the same address one after the other: the browser knows the page's files from the one before. */
let usualPort = 0;
let usualTaken = false;

export async function createWorld(
  startMs: number,
  options: Pick<Parameters<typeof createTestKitchen>[0], 'localNetwork' | 'authority' | 'built'> & {
    /** Whenever it has begun to listen. */
    readonly listening?: () => Promise<void>;
  } = {},
): Promise<World> {
  const { listening, ...ofKitchen } = options;
  let kitchen = await createTestKitchen({
    startMs,
    pageRoot: PAGE_ROOT,
    timeEveryMs: TIME_EVERY_MS,
    ...ofKitchen,
  });
  const own = !usualTaken;
  await kitchen.app.listen({ host: '127.0.0.1', port: own ? usualPort : 0 });
  await listening?.();
  const { port } = kitchen.app.server.address() as AddressInfo;
  if (own) {
    usualPort = port;
    usualTaken = true;
  }
  const entries = <T>(type: EventType): Promise<Entry<T>[]> => kitchen.rows('event', 'type = ?', [type]);
  const send = async (...events: DraftEvent[]): Promise<void> => {
    const answer = await kitchen.app.inject({ method: 'POST', url: '/api/events', payload: { events } });
    if (answer.statusCode !== 200) throw new Error(`not stored: ${answer.body}`);
  };
  return {
    entries,
    send,
    measureIn: (measures) =>
      send(
        draft(kitchen.kitchenId, kitchen.clock.nowMs, 'kitchen-changed', {
          section: 'units',
          value: { temperature: 'F', measures },
        }),
      ),
    stored: async <T>(type: EventType, wanted: number) => {
      for (const began = Date.now(); Date.now() - began < PATIENCE_MS;) {
        const found = await entries<T>(type);
        if (found.length >= wanted) return found;
        await new Promise((resolve) => setTimeout(resolve, 50));
      }
      throw new Error(`${wanted} × ${type} did not reach the database`);
    },
    get kitchen() {
      return kitchen;
    },
    address: `http://127.0.0.1:${port}`,
    advance: (minutes) => {
      kitchen.clock.nowMs += minutes * MINUTE_MS + TAPS_MS;
    },
    goAway: () => kitchen.app.close(),
    comeBack: async () => {
      kitchen = await kitchen.reopen();
      await kitchen.app.listen({ host: '127.0.0.1', port });
      await listening?.();
      await answering(port);
    },
    close: async () => {
      await kitchen.close();
      if (own) usualTaken = false;
    },
  };
}

function answering(port: number): Promise<void> {
  return new Promise((resolve, reject) => {
    const socket = createConnection({ host: '127.0.0.1', port }, () => {
      socket.destroy();
      resolve();
    });
    socket.once('error', reject);
  });
}
