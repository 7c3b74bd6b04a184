/** Lets everything that waits have its turn before long work goes on. */
export const breathe = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));
