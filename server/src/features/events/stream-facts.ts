import { beginsMake, EVENT_FACTS, eventsThat, isChange, today } from '@morning-crock/core';
import type { EventOf, EventType, StoredEvent } from '@morning-crock/core/contract';
import { readEvents, storedFrom, type LogWriter } from './event-log.ts';

/** Entries that say what a stream is, and those that take others back: few, however long the stream. */
const TELLING = [
  ...eventsThat((facts) => facts.begins),
  ...eventsThat((facts) => facts.ends),
  'voided',
] as const;
/** Entries of which a make may have thousands. */
const BOUNDED = eventsThat((facts) => facts.bounded);
const registered = (type: EventType): boolean => EVENT_FACTS[type].begins === true && !beginsMake(type);

/** What a writer needs to know of one stream, asked for as it is needed: never the whole of it. */
export interface StreamFacts {
  begun(): {
    /** The make it is; `null` when none was begun in it. */
    readonly make: EventOf<'make-started'>['data'] | null;
    /** When that was, ms since 1970. */
    readonly startedAtMs: number;
    readonly registered: boolean;
  };
  /** When it was finished, by its latest finish that was not undone. */
  finishedAt(): string | null;
  /** One entry of it; `null` when it has none with this identity. */
  entry(id: string): Promise<StoredEvent | null>;
  /** What an undo or correction of an entry is about in the end: an undo of an undo is about what was first undone. */
  root(id: string): Promise<StoredEvent | null>;
  /** Everything but the readings and notes, of which there may be thousands. */
  shaping(): Promise<readonly StoredEvent[]>;
  /** Entries of some types, with how it began and what took entries back. */
  only(types: readonly EventType[]): Promise<readonly StoredEvent[]>;
  appended(event: StoredEvent): void;
}

/** The streams that one transaction writes to; each grows with what is appended in it. */
export function createStreams(log: LogWriter, kitchenId: string) {
  const streams = new Map<string, StreamFacts>();
  async function read(streamId: string): Promise<StreamFacts> {
    const telling = await readEvents(log.manager, { kitchenId, streamId, types: TELLING });
    const own = new Map<string, StoredEvent>();
    const roots = new Map<string, StoredEvent>();
    const undos = new Map(telling.flatMap((e) => (e.type === 'voided' ? [[e.id, e] as const] : [])));
    const facts: StreamFacts = {
      begun: () => {
        const began = telling.map(today).find((e) => e.type === 'make-started');
        return {
          make: began?.data ?? null,
          startedAtMs: began ? Date.parse(began.at) : Number.NaN,
          registered: telling.some((e) => registered(e.type)),
        };
      },
      finishedAt() {
        const undone = new Set(telling.flatMap((e) => (e.type === 'voided' ? [e.data.target] : [])));
        return telling.findLast((e) => e.type === 'finished' && !undone.has(e.id))?.at ?? null;
      },
      async entry(id) {
        const mine = own.get(id) ?? undos.get(id);
        if (mine) return mine;
        const row = (await log.find([id])).get(id);
        return row?.streamId === streamId ? storedFrom(row) : null;
      },
      async root(id) {
        const seen = new Set<string>();
        let at: string = id;
        for (;;) {
          const known = roots.get(at);
          const event: StoredEvent | null = known ?? (await facts.entry(at));
          if (event && isChange(event)) {
            if (seen.has(at)) return null;
            seen.add(at);
            at = event.data.target;
            continue;
          }
          if (event) for (const one of seen) roots.set(one, event);
          return event;
        }
      },
      shaping: () => readEvents(log.manager, { kitchenId, streamId, notTypes: BOUNDED }),
      only: (types) =>
        readEvents(log.manager, { kitchenId, streamId, types: [...TELLING, 'corrected', ...types] }),
      appended(event) {
        own.set(event.id, event);
        if (TELLING.includes(event.type)) telling.push(event);
        if (event.type === 'voided') undos.set(event.id, event);
      },
    };
    return facts;
  }
  return {
    async of(streamId: string): Promise<StreamFacts> {
      const held = streams.get(streamId) ?? (await read(streamId));
      streams.set(streamId, held);
      return held;
    },
  };
}
