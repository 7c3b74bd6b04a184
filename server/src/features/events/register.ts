import { brokenBy, type Broken, type Replayed } from '@morning-crock/core';
import type { DraftEvent, EventType, StoredEvent } from '@morning-crock/core/contract';
import { In, MoreThan, type DataSource, type EntityManager } from 'typeorm';
import { eventEntity } from '../../db/entities.ts';
import { breathe } from '../../breathe.ts';
import { AppError } from '../../plugins/errors.ts';
import { storedFrom, type LogWriter } from './event-log.ts';
import { foldReadable } from './readable.ts';

/** Something folded from events of many streams. */
export interface RegisterFold<S> {
  readonly types: readonly EventType[];
  fold(events: readonly StoredEvent[]): S;
  /** Carries one event more out, in place. */
  apply(state: S, event: StoredEvent): void;
  /** A copy that may be carried on without touching the first. */
  copy(state: S): S;
}

/** What a register has to say of an entry. */
interface RegisterRules<S> {
  readonly replay: Replayed<S>;
  /** Whether an entry is stored whatever it makes of later ones. */
  readonly stands?: (event: DraftEvent) => boolean;
}

interface Held<S> {
  lastSeq: number;
  readonly events: StoredEvent[];
  state: S | null;
  lastAtMs: number;
}

const CHANGES = new Set<EventType>(['voided', 'corrected']);
/** Whether an event may be carried out after all others: it changes none of them and none came after it. */
const goesOn = (event: DraftEvent, lastAtMs: number): boolean =>
  !CHANGES.has(event.type) && Date.parse(event.at) >= lastAtMs;

/** A register as the writer of a transaction sees it: with what was appended in it. */
export interface RegisterWithin<S> {
  get(): Promise<S>;
  /** What an entry, or the change of one, would make impossible: itself or another; `null` when the log stands. */
  broken(draft: DraftEvent, rules: RegisterRules<S>): Promise<Broken | null>;
  /** Tells of an event appended in this transaction. */
  appended(event: StoredEvent): void;
}

/** Events read at once. */
const PAGE = 2000;

/**
 * Keeps what is folded from a kitchen's events, and goes on from there when the log has grown. A correction, an undo
 * or a late entry folds it anew.
 */
export function createRegister<S>(spec: RegisterFold<S>) {
  const kitchens = new Map<string, Held<S>>();
  const wanted = new Set<string>(spec.types);

  /** Carries one event out; one that cannot be is set aside with its stream, and the rest goes on without it. */
  const applied = (state: S, event: StoredEvent): S | null => {
    try {
      spec.apply(state, event);
      return state;
    } catch {
      return null;
    }
  };

  async function catchUp(
    db: DataSource | EntityManager,
    kitchenId: string,
    untilSeq: number,
  ): Promise<Held<S>> {
    const held: Held<S> = kitchens.get(kitchenId) ?? {
      lastSeq: 0,
      events: [],
      state: null,
      lastAtMs: Number.NEGATIVE_INFINITY,
    };
    kitchens.set(kitchenId, held);
    // In pages, so that years of it hold nobody else up.
    for (let more = held.lastSeq < untilSeq; more;) {
      const rows = await db.getRepository(eventEntity).find({
        where: { kitchenId, type: In([...spec.types]), seq: MoreThan(held.lastSeq) },
        order: { seq: 'ASC' },
        take: PAGE,
      });
      more = rows.length === PAGE;
      for (const row of rows) {
        // Two readers at once may both have asked.
        if (row.seq <= held.lastSeq || row.seq > untilSeq) continue;
        const event = storedFrom(row);
        held.events.push(event);
        held.lastSeq = event.seq;
        held.state = held.state !== null && goesOn(event, held.lastAtMs) ? applied(held.state, event) : null;
        held.lastAtMs = Math.max(held.lastAtMs, Date.parse(event.at));
      }
      if (more) await breathe();
    }
    return held;
  }

  const stateOf = (held: Held<S>): S => (held.state ??= foldReadable(spec, held.events).state);

  return {
    /** What the log says now, and its latest entry. The state belongs to the register: read it, do not change it. */
    async read(db: DataSource, kitchenId: string): Promise<{ readonly state: S; readonly lastSeq: number }> {
      const held = await catchUp(db, kitchenId, Number.MAX_SAFE_INTEGER);
      return { state: stateOf(held), lastSeq: held.lastSeq };
    },

    /** The same for a writer that holds the kitchen's row: what it appends itself is known to it alone until it is committed. */
    within(log: LogWriter, kitchenId: string): RegisterWithin<S> {
      const own: StoredEvent[] = [];
      let state: S | null = null;
      let lastAtMs = Number.NEGATIVE_INFINITY;
      const get = async (): Promise<S> => {
        if (state) return state;
        const held = await catchUp(log.manager, kitchenId, log.startSeq);
        state = spec.copy(
          own.length === 0 ? stateOf(held) : foldReadable(spec, [...held.events, ...own]).state,
        );
        lastAtMs = own.reduce((ms, e) => Math.max(ms, Date.parse(e.at)), held.lastAtMs);
        return state;
      };
      return {
        get,
        async broken(draft, { replay, stands }) {
          const now = await get();
          if (goesOn(draft, lastAtMs)) {
            const fault = replay.fault(now, draft);
            return fault && { event: draft, fault };
          }
          const all = [...(await catchUp(log.manager, kitchenId, log.startSeq)).events, ...own];
          const broken = brokenBy(replay, all, draft);
          if (CHANGES.has(draft.type)) return broken[0] ?? null;
          // Clocks differ by seconds: of a late entry itself only what holds at its time and today counts.
          const itself = broken.some(({ event }) => event.id === draft.id) ? replay.fault(now, draft) : null;
          if (itself) return { event: draft, fault: itself };
          return stands?.(draft) ? null : (broken.find(({ event }) => event.id !== draft.id) ?? null);
        },
        appended(event) {
          if (!wanted.has(event.type)) return;
          own.push(event);
          if (state !== null && goesOn(event, lastAtMs)) {
            // A reader sets aside what cannot be carried out; a writer has not stored it yet and refuses it.
            state = applied(state, event);
            if (state === null)
              throw new AppError('bad-input', [{ path: 'data', message: 'cannot be carried out' }]);
          } else state = null;
          lastAtMs = Math.max(lastAtMs, Date.parse(event.at));
        },
      };
    },
  };
}
