import type { StoredEvent } from '@morning-crock/core/contract';
import fp from 'fastify-plugin';
import { readEvents } from '../features/events/event-log.ts';

/** Told the next events; nothing more is read for it until it has taken them. */
type Listener = (events: readonly StoredEvent[]) => Promise<void>;

/** Passes stored events on to every open page, in the order of the log and without gaps. */
interface EventHub {
  /** How often open pages are told the time, ms. */
  readonly timeEveryMs: number;
  /** Calls back with every event after `afterSeq`, old ones first; returns how to stop. */
  follow(kitchenId: string, afterSeq: number, listener: Listener): () => void;
  /** Says that something was stored. */
  notify(): void;
}

declare module 'fastify' {
  interface FastifyInstance {
    readonly hub: EventHub;
  }
}

const PAGE = 200;
const TIME_EVERY_MS = 15_000;

/**
 * Each follower reads the log itself from where it stands whenever something was stored: commits may be told out of
 * order, the log never is.
 */
export const streamPlugin = fp<{ timeEveryMs: number | undefined }>(
  (app, { timeEveryMs = TIME_EVERY_MS }, done) => {
    const wakers = new Set<() => void>();
    app.decorate('hub', {
      timeEveryMs,
      notify: () => {
        for (const wake of wakers) wake();
      },
      follow: (kitchenId, afterSeq, listener) => {
        let position = afterSeq;
        let busy = false;
        let again = false;
        let stopped = false;
        const pump = async (): Promise<void> => {
          if (busy) {
            again = true;
            return;
          }
          busy = true;
          try {
            do {
              again = false;
              const events = await readEvents(app.db, { kitchenId, afterSeq: position, limit: PAGE });
              if (stopped) return;
              if (events.length > 0) {
                position = events.at(-1)!.seq;
                await listener(events);
              }
              again ||= events.length === PAGE;
            } while (again);
          } catch (error) {
            app.log.warn(error, 'a page could not be told; it will ask again');
          } finally {
            busy = false;
          }
        };
        const wake = (): void => void pump();
        wakers.add(wake);
        wake();
        return () => {
          stopped = true;
          wakers.delete(wake);
        };
      },
    } satisfies EventHub);
    done();
  },
  { name: 'stream', dependencies: ['database'] },
);
