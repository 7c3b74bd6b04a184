import { beginsMake } from '@morning-crock/core';
import type { StoredEvent } from '@morning-crock/core/contract';
import type { DataSource } from 'typeorm';
import { readEvents } from '../events/event-log.ts';

/** Shorter logs are read and written out in a few milliseconds. */
const LONG = 1000;
/** So many long ones are kept, some megabytes each: of a shelf those with a probe. */
const MOST_KEPT = 4;

/** The beginning of a log as it goes out: what stands in it never changes. */
interface KeptText {
  readonly untilSeq: number;
  /** Its entries, each followed by the next. */
  readonly text: string;
}

/** Entries one after the other, as they stand in a list. */
export const written = (events: readonly StoredEvent[]): string =>
  events.map((event) => JSON.stringify(event)).join();

/**
 * Logs of makes as text. Entries are never changed, only added: of a long log only what is new is read, and the rest goes out as it
 * was written the last time.
 */
export class LogTexts {
  private readonly kept = new Map<string, KeptText>();

  /** @returns the entries that are not kept, and what stands before them as text; `null` for a make there is not */
  async of(
    db: DataSource,
    kitchenId: string,
    streamId: string,
  ): Promise<{ readonly fresh: StoredEvent[]; readonly before: string } | null> {
    const key = `${kitchenId} ${streamId}`;
    const known = this.kept.get(key);
    const fresh = await readEvents(db, { kitchenId, streamId, afterSeq: known?.untilSeq ?? 0 });
    const before = known?.text ?? '';
    const last = fresh.at(-1);
    if (!known && !fresh.some(({ type }) => beginsMake(type))) return null;
    if (last && (known || fresh.length >= LONG)) {
      this.kept.delete(key);
      this.kept.set(key, {
        untilSeq: last.seq,
        text: before === '' ? written(fresh) : `${before},${written(fresh)}`,
      });
      for (const oldest of this.kept.keys()) {
        if (this.kept.size <= MOST_KEPT) break;
        this.kept.delete(oldest);
      }
    }
    return { fresh, before };
  }
}
