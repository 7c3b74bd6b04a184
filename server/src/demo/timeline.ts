import type { DraftEvent } from '@morning-crock/core/contract';
import type { DataSource } from 'typeorm';
import { appendEvents } from '../features/events/append.ts';

/** Entries that are stored when their time has come: in order, as a kitchen makes them, none has to be fitted in between others. */
export interface Timeline {
  add(drafts: readonly DraftEvent[]): void;
  /** Stores what was to be by an instant. */
  until(ms: number): Promise<void>;
}

export function createTimeline(db: DataSource, kitchenId: string, nowMs: number): Timeline {
  let waiting: DraftEvent[] = [];
  return {
    add(drafts) {
      waiting = [...waiting, ...drafts].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
    },
    async until(ms) {
      const later = waiting.findIndex(({ at }) => Date.parse(at) > ms);
      const due = later < 0 ? waiting : waiting.slice(0, later);
      waiting = later < 0 ? [] : waiting.slice(later);
      if (due.length > 0) await appendEvents(db, kitchenId, due, nowMs);
    },
  };
}
