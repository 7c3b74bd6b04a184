import { wrap, type Remote } from 'comlink';

interface Running<T> {
  readonly remote: Remote<T>;
  /** Rejects when the worker could not be fetched or fell over. */
  readonly died: Promise<never>;
}

/**
 * A worker that begins when it is first asked for something and is begun anew after it died. What it was asked when it
 * died is rejected: a question without an answer would leave a place waiting for ever.
 */
export function lastingWorker<T>(
  create: () => Worker,
): <R>(ask: (remote: Remote<T>) => R) => Promise<Awaited<R>> {
  let running: Running<T> | null = null;
  const begin = (): Running<T> => {
    const worker = create();
    const died = new Promise<never>((_, reject) => {
      worker.addEventListener('error', (event) => {
        running = null;
        worker.terminate();
        reject(new Error(event.message || 'what works this out could not be fetched'));
      });
    });
    // Nobody may be waiting for it when it dies.
    died.catch(() => undefined);
    return { remote: wrap<T>(worker), died };
  };
  return async <R>(ask: (remote: Remote<T>) => R): Promise<Awaited<R>> => {
    const { remote, died } = (running ??= begin());
    return await Promise.race([ask(remote), died]);
  };
}
