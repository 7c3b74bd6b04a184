import type { proxy, Remote } from 'comlink';

/** Hands a function of the page over to a worker. */
type Proxy = typeof proxy;

interface Running<T> {
  /** In a box: a promise of the remote itself would ask the worker for its `then`. */
  readonly boxed: Promise<{ readonly remote: Remote<T>; readonly proxy: Proxy }>;
  /** Rejects when the worker could not be fetched or fell over. */
  readonly died: Promise<never>;
}

/**
 * A worker that begins when it is first asked for something and is begun anew after it died. What it was asked when it
 * died is rejected: a question without an answer would leave a place waiting for ever.
 */
export function lastingWorker<T>(
  create: () => Worker,
): <R>(ask: (remote: Remote<T>, proxy: Proxy) => R) => Promise<Awaited<R>> {
  let running: Running<T> | null = null;
  const begin = (): Running<T> => {
    const worker = create();
    const died = new Promise<never>((_, reject) => {
      worker.addEventListener('error', (event) => {
        running = null;
        worker.terminate();
        reject(new Error(event.message || 'The calculation could not be loaded. Reload the page.'));
      });
    });
    // Nobody may be waiting for it when it dies.
    died.catch(() => undefined);
    // What talks to it is fetched while it starts: the first view stands without.
    return { boxed: import('comlink').then(({ wrap, proxy }) => ({ remote: wrap<T>(worker), proxy })), died };
  };
  return async <R>(ask: (remote: Remote<T>, proxy: Proxy) => R): Promise<Awaited<R>> => {
    const { boxed, died } = (running ??= begin());
    return await Promise.race([boxed.then(({ remote, proxy }) => ask(remote, proxy)), died]);
  };
}
