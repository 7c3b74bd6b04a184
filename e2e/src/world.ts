import { createTestKitchen, type TestKitchen } from '@morning-crock/server/testing';
import { createConnection, type AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';

const PAGE_ROOT = fileURLToPath(new URL('../../web/dist', import.meta.url));

/** A whole kitchen on loopback whose clock the journey moves. */
export interface World {
  readonly kitchen: TestKitchen;
  readonly address: string;
  /** Moves the kitchen's clock; pages follow at their next answer from the server. */
  advance(minutes: number): void;
  /** Stops listening, as if the server went away, and comes back at the same address. */
  goAway(): Promise<void>;
  comeBack(): Promise<void>;
  close(): Promise<void>;
}

export async function createWorld(
  startMs: number,
  options: Pick<Parameters<typeof createTestKitchen>[0], 'localNetwork'> = {},
): Promise<World> {
  let kitchen = await createTestKitchen({ startMs, pageRoot: PAGE_ROOT, ...options });
  await kitchen.app.listen({ host: '127.0.0.1', port: 0 });
  const { port } = kitchen.app.server.address() as AddressInfo;
  return {
    get kitchen() {
      return kitchen;
    },
    address: `http://127.0.0.1:${port}`,
    advance: (minutes) => {
      kitchen.clock.nowMs += minutes * 60_000;
    },
    goAway: () => kitchen.app.close(),
    comeBack: async () => {
      kitchen = await kitchen.reopen();
      await kitchen.app.listen({ host: '127.0.0.1', port });
      await answering(port);
    },
    close: () => kitchen.close(),
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
