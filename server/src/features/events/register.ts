import { deserialize, serialize } from 'node:v8';
import { findingBroken, instantOf, isChange, type Broken, type Replayed } from '@morning-crock/core';
import type { DraftEvent, EventType, StoredEvent } from '@morning-crock/core/contract';
import type { DataSource, EntityManager } from 'typeorm';
import { breathe, inSlices } from '../../breathe.ts';
import { kitchenEntity } from '../../db/entities.ts';
import { AppError } from '../../plugins/errors.ts';
import { keepSnapshots, snapshotsOf } from '../snapshots/snapshots.ts';
import { readEvents, type LogWriter } from './event-log.ts';
import { foldingReadable } from './readable.ts';

/** Something folded from events of many streams. */
export interface RegisterFold<S> {
  readonly types: readonly EventType[];
  open(): S;
  /** Carries one event more out, in place. */
  apply(state: S, event: StoredEvent): void;
  /** A copy that may be carried on without touching the first. */
  copy(state: S): S;
  /** As what it is kept for the next start. */
  readonly kept: 'milk' | 'cultures' | 'larder';
}

/** What a register has to say of an entry. */
interface RegisterRules<S> {
  readonly replay: Replayed<S>;
  /** Whether an entry is stored whatever it makes of later ones. */
  readonly stands?: (event: DraftEvent) => boolean;
  /** Whether an entry neither can be broken by others nor break them: the change of another goes on without it. */
  readonly apart?: (event: DraftEvent) => boolean;
}

interface Held<S> {
  /** Up to where the log has been looked at. */
  lookedSeq: number;
  /** All it was folded from; left aside while a kept state is gone on from. */
  readonly events: StoredEvent[];
  readonly ids: Set<string>;
  /** Whether those are there. */
  whole: boolean;
  /** Whether a kept state was looked for, and up to where the log was when one was kept last. */
  sought: boolean;
  keptSeq: number;
  /** `null` when it must be folded anew. */
  state: S | null;
  /** The folding anew that is going on, which everybody waits for who wants the state. */
  folding: Promise<S> | null;
  lastAtMs: number;
}

/** Whether an event may be carried out after all others: it changes none of them and none came after it. */
const goesOn = (event: DraftEvent, lastAtMs: number): boolean =>
  !isChange(event) && instantOf(event) >= lastAtMs;

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
/** Of how many entries it is kept, and after how many more anew: a short one is folded again as quickly as it is read. */
const USUALLY = { keptFrom: 1000, keptEvery: 500 };

/**
 * Keeps what is folded from a kitchen's events, and goes on from there when the log has grown. A correction, an undo
 * or a late entry folds it anew.
 */
export function createRegister<S>(spec: RegisterFold<S>, { keptFrom, keptEvery } = USUALLY) {
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

  const heldOf = (kitchenId: string): Held<S> => {
    const held: Held<S> = kitchens.get(kitchenId) ?? {
      lookedSeq: 0,
      events: [],
      ids: new Set(),
      whole: true,
      sought: false,
      keptSeq: 0,
      state: null,
      folding: null,
      lastAtMs: Number.NEGATIVE_INFINITY,
    };
    kitchens.set(kitchenId, held);
    return held;
  };

  /** Whether an entry is anything to this register: what changes an entry of somewhere else is not. */
  const concerns = (held: Held<S>, event: StoredEvent): boolean =>
    !isChange(event) || held.ids.has(event.data.target);

  function take(held: Held<S>, event: StoredEvent): void {
    held.lookedSeq = event.seq;
    if (!concerns(held, event)) return;
    held.events.push(event);
    held.ids.add(event.id);
    held.state = held.state !== null && goesOn(event, held.lastAtMs) ? applied(held.state, event) : null;
    held.lastAtMs = Math.max(held.lastAtMs, instantOf(event));
  }

  const isWhole = (held: Held<S>): boolean => held.whole;

  /** Reads what a kept state was folded from: somebody changes it, or asks what an entry would break. */
  async function makeWhole(db: DataSource | EntityManager, kitchenId: string, held: Held<S>): Promise<void> {
    if (isWhole(held)) return;
    // What came since the kept state is there already.
    const untilSeq = (held.events[0]?.seq ?? held.lookedSeq + 1) - 1;
    const events: StoredEvent[] = [];
    let afterSeq = 0;
    const ids = new Set<string>();
    for (;;) {
      const page = await readEvents(db, {
        kitchenId,
        types: spec.types,
        afterSeq,
        untilSeq,
        limit: PAGE,
      });
      for (const event of page) {
        if (isChange(event) && !ids.has(event.data.target)) continue;
        events.push(event);
        ids.add(event.id);
      }
      afterSeq = page.at(-1)?.seq ?? untilSeq;
      if (page.length < PAGE) break;
      await breathe();
    }
    // Another reader may have been quicker.
    if (isWhole(held)) return;
    held.events.unshift(...events);
    for (const id of ids) held.ids.add(id);
    held.whole = true;
  }

  /** Goes on from what was kept before the server was last stopped. */
  async function goOnFromKept(db: DataSource, kitchenId: string): Promise<void> {
    const held = heldOf(kitchenId);
    if (held.sought || held.lookedSeq > 0) return;
    held.sought = true;
    const kept = (await snapshotsOf(db, kitchenId, spec.kept)).get('');
    if (!kept || held.lookedSeq > 0) return;
    const { state, lastAtMs } = deserialize(kept.data) as { state: S; lastAtMs: number };
    Object.assign(held, {
      state,
      lastAtMs,
      lookedSeq: kept.lastSeq,
      keptSeq: kept.lastSeq,
      whole: false,
    });
  }

  /** Keeps the state for the next start, behind what was asked. */
  async function keep(db: DataSource, kitchenId: string, held: Held<S>): Promise<void> {
    const { state, lastAtMs, lookedSeq } = held;
    if (!state || (held.whole && held.events.length < keptFrom)) return;
    if (held.keptSeq > 0 && lookedSeq - held.keptSeq < keptEvery) return;
    held.keptSeq = lookedSeq;
    await keepSnapshots(db, kitchenId, spec.kept, [
      { name: '', lastSeq: lookedSeq, asked: '', build: '', data: serialize({ state, lastAtMs }) },
    ]);
  }

  async function catchUp(
    db: DataSource | EntityManager,
    kitchenId: string,
    untilSeq: number,
  ): Promise<Held<S>> {
    const held = heldOf(kitchenId);
    // In pages, so that years of it hold nobody else up.
    while (held.lookedSeq < untilSeq) {
      const events = await readEvents(db, {
        kitchenId,
        types: spec.types,
        afterSeq: held.lookedSeq,
        untilSeq,
        limit: PAGE,
      });
      // What is changed must be there, and what came late is folded in its place.
      if (!held.whole && events.some((e) => e.seq > held.lookedSeq && !goesOn(e, held.lastAtMs)))
        await makeWhole(db, kitchenId, held);
      // Two readers at once may both have asked.
      for (const event of events) if (event.seq > held.lookedSeq) take(held, event);
      if (events.length < PAGE) held.lookedSeq = Math.max(held.lookedSeq, untilSeq);
      else await breathe();
    }
    return held;
  }

  async function foldAnew(held: Held<S>): Promise<S> {
    for (;;) {
      const count = held.events.length;
      const { state } = await inSlices(foldingReadable(spec, [...held.events]));
      // What came meanwhile could not be carried out on a state that was not there: then all is folded again.
      if (held.events.length === count) {
        held.state = state;
        // What was kept is of another past: the next start goes on from this one.
        held.keptSeq = 0;
        return state;
      }
    }
  }

  function stateOf(held: Held<S>): Promise<S> | S {
    if (held.state) return held.state;
    held.folding ??= foldAnew(held).finally(() => {
      held.folding = null;
    });
    return held.folding;
  }

  return {
    /**
     * What the log says now, and its latest entry. The state belongs to the register: read it, do not change it.
     * @param keeps whether it goes on from what was kept, and is kept for the next start
     */
    async read(
      db: DataSource,
      kitchenId: string,
      keeps = false,
    ): Promise<{ readonly state: S; readonly lastSeq: number }> {
      if (keeps) await goOnFromKept(db, kitchenId);
      const { lastSeq } = await db.getRepository(kitchenEntity).findOneByOrFail({ id: kitchenId });
      const held = await catchUp(db, kitchenId, lastSeq);
      if (held.state === null) await makeWhole(db, kitchenId, held);
      const state = await stateOf(held);
      if (keeps) void keep(db, kitchenId, held).catch(() => undefined);
      return { state, lastSeq: held.lookedSeq };
    },

    /** The same for a writer that holds the kitchen's row: what it appends itself is known to it alone until it is committed. */
    within(log: LogWriter, kitchenId: string): RegisterWithin<S> {
      const own: StoredEvent[] = [];
      let state: S | null = null;
      let lastAtMs = Number.NEGATIVE_INFINITY;
      const get = async (): Promise<S> => {
        if (state) return state;
        const held = await catchUp(log.manager, kitchenId, log.startSeq);
        if (own.length > 0 || held.state === null) await makeWhole(log.manager, kitchenId, held);
        state = spec.copy(
          own.length === 0
            ? await stateOf(held)
            : (await inSlices(foldingReadable(spec, [...held.events, ...own]))).state,
        );
        lastAtMs = own.reduce((ms, e) => Math.max(ms, instantOf(e)), held.lastAtMs);
        return state;
      };
      return {
        get,
        async broken(draft, { replay, stands, apart }) {
          const now = await get();
          if (goesOn(draft, lastAtMs)) {
            const fault = replay.fault(now, draft);
            return fault && { event: draft, fault };
          }
          const held = await catchUp(log.manager, kitchenId, log.startSeq);
          await makeWhole(log.manager, kitchenId, held);
          const changed = isChange(draft) ? draft.data.target : draft.id;
          const known = [...held.events, ...own];
          const corrected = new Set(known.flatMap((e) => (e.type === 'corrected' ? [e.data.target] : [])));
          const all = known.filter((e) => e.id === changed || corrected.has(e.id) || !apart?.(e));
          const broken = await inSlices(findingBroken(replay, all, draft));
          if (isChange(draft)) return broken[0] ?? null;
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
              throw new AppError('bad-input', [{ path: 'data', message: 'cannot be applied' }]);
          } else state = null;
          lastAtMs = Math.max(lastAtMs, instantOf(event));
        },
      };
    },
  };
}
