import { afterAll, afterEach, beforeAll, expect, test } from '@jest/globals';
import { expose } from 'comlink';
import { lastingWorker } from './lasting.ts';

const ports: MessagePort[] = [];
/** Every channel that is opened is closed again, also those that functions are handed over by. */
const Channel = globalThis.MessageChannel;
beforeAll(() => {
  globalThis.MessageChannel = class extends Channel {
    constructor() {
      super();
      ports.push(this.port1, this.port2);
    }
  };
});
afterEach(() => {
  for (const port of ports.splice(0)) port.close();
});
afterAll(() => {
  globalThis.MessageChannel = Channel;
});

interface Slow {
  work(tell: (share: number) => void): number;
}

/** Something that stands in for a worker: the other end of a channel. */
function workerOf(own: Slow): () => Worker {
  return () => {
    const { port1, port2 } = new MessageChannel();
    expose(own, port2);
    return port1 as unknown as Worker;
  };
}
const settled = (): Promise<void> => new Promise((resolve) => void setTimeout(resolve, 30));

test('how far it is is told until the answer is there, and not after it', async () => {
  let late = (_share: number): void => undefined;
  const ask = lastingWorker<Slow>(
    workerOf({
      work: (tell) => {
        tell(0.5);
        late = tell;
        return 42;
      },
    }),
  );
  const heard: number[] = [];
  await expect(
    ask((worker, telling) =>
      worker.work(
        telling((share) => {
          heard.push(share);
        }),
      ),
    ),
  ).resolves.toBe(42);
  const before = [...heard];
  late(0.9);
  await settled();
  expect(heard).toEqual(before);
  expect(heard).not.toContain(0.9);
});

test('what it was asked when it could not be loaded is rejected, and it is begun anew', async () => {
  let begun = 0;
  const ask = lastingWorker<Slow>(() => {
    begun++;
    const worker = workerOf({ work: () => 7 })();
    if (begun === 1)
      setTimeout(() => worker.dispatchEvent(Object.assign(new Event('error'), { message: 'it fell over' })));
    return Object.assign(worker, { terminate: () => undefined });
  });
  await expect(ask(() => new Promise(() => undefined))).rejects.toThrow('it fell over');
  await expect(ask((worker, telling) => worker.work(telling(() => undefined)))).resolves.toBe(7);
  expect(begun).toBe(2);
});
