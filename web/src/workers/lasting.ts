import type { proxy, ProxyMarked, Remote } from 'comlink';

type Tell = (share: number) => void;
/** Hands a function of the page over to a worker, that tells how far it is by it. */
type Telling = (tell: Tell) => Tell & ProxyMarked;

interface Running<T> {
  /** In a box: a promise of the remote itself would ask the worker for its `then`. */
  readonly boxed: Promise<{ readonly remote: Remote<T>; readonly proxy: typeof proxy }>;
  /** Rejects when the worker could not be fetched or fell over. */
  readonly died: Promise<never>;
}

/**
 * A worker that begins when it is first asked for something and is begun anew after it died. What it was asked when it
 * died is rejected: a question without an answer would leave a place waiting for ever.
 */
export function lastingWorker<T>(
  create: () => Worker,
): <R>(ask: (remote: Remote<T>, telling: Telling) => R) => Promise<Awaited<R>> {
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
  return async <R>(ask: (remote: Remote<T>, telling: Telling) => R): Promise<Awaited<R>> => {
    const { boxed, died } = (running ??= begin());
    // How far it is and the answer come by two ways, and one may overtake the other: after the answer nothing is heard.
    let open = true;
    const asked = boxed.then(({ remote, proxy }) =>
      ask(remote, (tell) =>
        proxy((share) => {
          if (open) tell(share);
        }),
      ),
    );
    try {
      return await Promise.race([asked, died]);
    } finally {
      open = false;
    }
  };
}
