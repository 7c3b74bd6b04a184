/** Lets everything that waits have its turn before long work goes on. */
export const breathe = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/** Short: answering others takes a dozen turns, and each of them may wait for a slice. */
const SLICE_MS = 3;

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
