import { beginsMake } from '@morning-crock/core';
import type { DraftEvent, ErrorBody, StoredEvent } from '@morning-crock/core/contract';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { readBy } from './contract.ts';
import { ENTRIES, openDeviceDatabase } from './database.ts';

/** An entry made here that the server has not acknowledged. */
export interface KeptEntry {
  readonly draft: DraftEvent;
  /** Set when the server refused it: it stays here until somebody decides. */
  readonly refused: ErrorBody | null;
  /** Set when the server fell over it again and again: the others go on, and it is tried now and then. */
  readonly aside: ErrorBody | null;
}

/** The server took it, and said so in no way this page knows. */
const NOT_UNDERSTOOD: ErrorBody = {
  code: 'internal',
  message: 'This page did not understand the server’s answer.',
  next: 'Everything saved is safe. Reload the page.',
  details: [],
};

interface OutboxState {
  readonly entries: readonly KeptEntry[];
  readonly reachable: boolean;
}

const initialState: OutboxState = { entries: [], reachable: true };

export const outboxSlice = createSlice({
  name: 'outbox',
  initialState,
  reducers: {
    restored: (state, { payload }: PayloadAction<readonly DraftEvent[]>) => {
      const known = new Set(state.entries.map((e) => e.draft.id));
      const fresh = payload
        .filter((draft) => !known.has(draft.id))
        .map((draft) => ({ draft, refused: null, aside: null }));
      return { ...state, entries: [...fresh, ...state.entries] };
    },
    kept: (state, { payload }: PayloadAction<DraftEvent>) => ({
      ...state,
      entries: [...state.entries, { draft: payload, refused: null, aside: null }],
    }),
    left: (state, { payload }: PayloadAction<string>) => ({
      ...state,
      entries: state.entries.filter((e) => e.draft.id !== payload),
    }),
    refused: (state, { payload }: PayloadAction<{ id: string; error: ErrorBody }>) => ({
      ...state,
      entries: state.entries.map((e) => (e.draft.id === payload.id ? { ...e, refused: payload.error } : e)),
    }),
    setAside: (state, { payload }: PayloadAction<{ id: string; error: ErrorBody }>) => ({
      ...state,
      entries: state.entries.map((e) => (e.draft.id === payload.id ? { ...e, aside: payload.error } : e)),
    }),
    reached: (state, { payload }: PayloadAction<boolean>) => ({ ...state, reachable: payload }),
  },
});

/** Entries kept on this device through reloads, in the order of their making. */
export async function keptDrafts(): Promise<DraftEvent[]> {
  return (await (await openDeviceDatabase()).getAll(ENTRIES)) as DraftEvent[];
}
export async function keepDraft(draft: DraftEvent): Promise<void> {
  await (await openDeviceDatabase()).put(ENTRIES, draft);
}
export async function forgetDraft(id: string): Promise<void> {
  await (await openDeviceDatabase()).delete(ENTRIES, id);
}

/** What sending one entry came to. */
type Sent =
  | { readonly outcome: 'stored'; readonly event: StoredEvent }
  | { readonly outcome: 'refused'; readonly error: ErrorBody }
  /** The server is there, but falls over this entry. */
  | { readonly outcome: 'failed'; readonly error: ErrorBody }
  | { readonly outcome: 'away' };

async function send(draft: DraftEvent): Promise<Sent> {
  let status: number;
  let body: unknown;
  try {
    const answer = await fetch('/api/events', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ events: [draft] }),
    });
    ({ status } = answer);
    body = await answer.json();
  } catch {
    return { outcome: 'away' };
  }
  if (status < 300) {
    const event = (await readBy('appendResponse', body).catch(() => null))?.events[0];
    return event ? { outcome: 'stored', event } : { outcome: 'failed', error: NOT_UNDERSTOOD };
  }
  const error = await readBy('errorBody', body).catch(() => null);
  if (!error) return { outcome: 'away' };
  if (error.code === 'internal') return { outcome: 'failed', error };
  // A server that is there but cannot store anything now is as good as away.
  return status >= 500 ? { outcome: 'away' } : { outcome: 'refused', error };
}

/** What the sender needs of its surroundings. */
export interface SenderHost {
  entries(): readonly KeptEntry[];
  stored(event: StoredEvent): void;
  refused(id: string, error: ErrorBody): void;
  setAside(id: string, error: ErrorBody): void;
  reached(ok: boolean): void;
}

const RETRY_MS = 2000;
/** An entry that failed so often is set aside. */
const TRIES = 3;
/** What was set aside is tried again after this long. */
const ASIDE_RETRY_MS = 60_000;

/** Whether an entry begins a make: what follows it stands on it. */
export const beginsStream = ({ type }: DraftEvent): boolean => beginsMake(type);

/** Sends what is kept, one after another in order; waits and tries again while the server is away. */
export function createSender(host: SenderHost): { flush(): void } {
  const turn = { busy: false, again: false };
  /** Whether somebody asked for another round meanwhile; asks once. */
  const askedAgain = (): boolean => {
    const asked = turn.again;
    turn.again = false;
    return asked;
  };
  /** How often each entry failed, and when it was last tried. */
  const failures = new Map<string, { readonly times: number; readonly atMs: number }>();
  let timer: ReturnType<typeof setTimeout> | undefined;
  const retryIn = (ms: number): void => {
    clearTimeout(timer);
    timer = setTimeout(() => void flush(), ms);
  };
  const waits = ({ draft, aside }: KeptEntry): boolean =>
    aside !== null && Date.now() - (failures.get(draft.id)?.atMs ?? 0) < ASIDE_RETRY_MS;

  /** One pass over all that is kept. @returns after how many ms another is due, `null` when nothing is left to try */
  async function round(): Promise<number | null> {
    /** Beginnings that wait: what follows them has nothing to stand on. */
    const held = new Set<string>();
    let due: number | null = null;
    for (const entry of host.entries()) {
      const { draft, refused } = entry;
      if (refused || held.has(draft.streamId)) continue;
      if (waits(entry)) {
        due = ASIDE_RETRY_MS;
        if (beginsStream(draft)) held.add(draft.streamId);
        continue;
      }
      const sent = await send(draft);
      host.reached(sent.outcome !== 'away');
      if (sent.outcome === 'away') return RETRY_MS;
      if (sent.outcome === 'failed') {
        const times = (failures.get(draft.id)?.times ?? 0) + 1;
        failures.set(draft.id, { times, atMs: Date.now() });
        // A few times it is waited for, so that the order stays.
        if (times < TRIES) return RETRY_MS;
        host.setAside(draft.id, sent.error);
        due = ASIDE_RETRY_MS;
        if (beginsStream(draft)) held.add(draft.streamId);
        continue;
      }
      failures.delete(draft.id);
      if (sent.outcome === 'stored') {
        host.stored(sent.event);
        await forgetDraft(draft.id).catch(() => undefined);
      } else {
        host.refused(draft.id, sent.error);
      }
    }
    return due;
  }
  const flush = async (): Promise<void> => {
    if (turn.busy) {
      turn.again = true;
      return;
    }
    turn.busy = true;
    clearTimeout(timer);
    try {
      do {
        const due = await round();
        if (due !== null) retryIn(due);
        if (due === RETRY_MS) return;
      } while (askedAgain());
    } finally {
      turn.busy = false;
    }
  };
  return { flush: () => void flush() };
}
