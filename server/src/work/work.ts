import { Piscina } from 'piscina';
import { breathe } from '../breathe.ts';
import { AppError } from '../plugins/errors.ts';
import { TASKS, type Input, type Output, type TaskName } from './tasks.ts';

/** Where long work is done, so that it holds nobody up. */
export interface Work {
  /** @throws AppError `busy` when too much is waiting or it takes too long; the signal's reason when nobody wants it any more */
  run<T extends TaskName>(task: T, input: Input<T>, signal?: AbortSignal): Promise<Output<T>>;
  /** Gets a thread ready for what is about to be asked. */
  wake(): void;
  close(): Promise<void>;
}

/** One thread for what people wait for while another learns. */
const THREADS = 2;
const MOST_WAITING = 8;
const MOST_MS = 30_000;
/** What a thread may take; it is let go when it has nothing to do, with all it took. */
const THREAD_MEMORY = { maxOldGenerationSizeMb: 128, maxYoungGenerationSizeMb: 16 };
const IDLE_MS = 5000;

/** Threads of a pool. @param file the built worker */
export function createPool(file: string): Work {
  const pool = new Piscina({
    filename: file,
    minThreads: 0,
    maxThreads: THREADS,
    maxQueue: MOST_WAITING,
    idleTimeout: IDLE_MS,
    resourceLimits: THREAD_MEMORY,
  });
  return {
    async run<T extends TaskName>(task: T, input: Input<T>, signal?: AbortSignal): Promise<Output<T>> {
      const tooLong = AbortSignal.timeout(MOST_MS);
      try {
        // A thread whose work nobody wants any more is ended and replaced.
        const answer: unknown = await pool.run(
          { task, input },
          { signal: signal ? AbortSignal.any([signal, tooLong]) : tooLong },
        );
        return answer as Output<T>;
      } catch (error) {
        if (tooLong.aborted || (error instanceof Error && /queue/i.test(error.message)))
          throw new AppError('busy');
        throw error;
      }
    },
    wake() {
      if (pool.threads.length === 0) void pool.run({ task: 'nothing', input: null }).catch(() => undefined);
    },
    close: () => pool.close(),
  };
}

/** The same on the spot, for tests and scripts. */
export const workHere: Work = {
  async run<T extends TaskName>(task: T, input: Input<T>): Promise<Output<T>> {
    await breathe();
    return (TASKS[task] as (i: Input<T>) => Output<T>)(input);
  },
  wake: () => undefined,
  close: () => Promise.resolve(),
};
