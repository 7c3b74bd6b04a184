/** Lets everything that waits have its turn before long work goes on. */
export const breathe = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/** Long enough to get on, short enough that nobody notices waiting for it. */
const SLICE_MS = 8;

/** Goes through long work slice by slice; whoever waits has a turn between two of them. */
export async function inSlices<T>(work: Generator<unknown, T>): Promise<T> {
  for (;;) {
    const untilMs = performance.now() + SLICE_MS;
    do {
      const step = work.next();
      if (step.done === true) return step.value;
    } while (performance.now() < untilMs);
    await breathe();
  }
}
