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

/** A time in which the kitchen's computer did not answer. */
interface TimeAlone {
  readonly sinceMs: number;
  readonly untilMs: number;
  /** Entries that waited when it answered again. */
  readonly waited: number;
}

interface OutboxState {
  readonly entries: readonly KeptEntry[];
  /** Makes begun here that are stored, until the list of makes has them: between the two they do not go away. */
  readonly begun: readonly string[];
  readonly reachable: boolean;
  /** Since when nothing of the kitchen's computer was heard, by the kitchen's clock. */
  readonly aloneSinceMs: number | null;
  /** The time alone that has just ended, until somebody has read of it. */
  readonly back: TimeAlone | null;
}

const initialState: OutboxState = { entries: [], begun: [], reachable: true, aloneSinceMs: null, back: null };
/** A shorter silence is not worth a word, unless something waited. */
const WORTH_A_WORD_MS = 60_000;

/** What ends when the kitchen's computer answers again; `null` when it is not worth a word. */
function endedAlone({ entries, aloneSinceMs: sinceMs }: OutboxState, untilMs: number): TimeAlone | null {
  const waited = entries.filter(({ refused }) => !refused).length;
  if (sinceMs === null || (untilMs - sinceMs < WORTH_A_WORD_MS && waited === 0)) return null;
  return { sinceMs, untilMs, waited };
}

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
    begunStored: (state, { payload }: PayloadAction<string>) => ({
      ...state,
      begun: [...state.begun.filter((id) => id !== payload), payload],
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
    reached: (state, { payload: { ok, atMs } }: PayloadAction<{ ok: boolean; atMs: number }>) =>
      ok
        ? { ...state, reachable: true, aloneSinceMs: null, back: endedAlone(state, atMs) }
        : { ...state, reachable: false, aloneSinceMs: atMs, back: null },
    listed: (state, { payload }: PayloadAction<readonly string[]>) =>
      state.begun.length === 0
        ? state
        : { ...state, begun: state.begun.filter((id) => !payload.includes(id)) },
    backSeen: (state) => ({ ...state, back: null }),
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

/** What sending entries came to: all of them or none is stored. */
type Sent =
  | { readonly outcome: 'stored'; readonly events: readonly StoredEvent[] }
  | { readonly outcome: 'refused'; readonly error: ErrorBody }
  /** The server is there, but falls over them. */
  | { readonly outcome: 'failed'; readonly error: ErrorBody }
  | { readonly outcome: 'away' };

async function send(drafts: readonly DraftEvent[]): Promise<Sent> {
  let status: number;
  let body: unknown;
  try {
    const answer = await fetch('/api/events', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ events: drafts }),
    });
    ({ status } = answer);
    body = await answer.json();
  } catch {
    return { outcome: 'away' };
  }
  if (status < 300) {
    const events = (await readBy('appendResponse', body).catch(() => null))?.events;
    return events?.length === drafts.length
      ? { outcome: 'stored', events }
      : { outcome: 'failed', error: NOT_UNDERSTOOD };
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
/** The server takes so many entries at once, and so many characters of them. */
const MOST_TOGETHER = 200;
const MOST_CHARACTERS = 500_000;

/** Whether an entry begins a make: what follows it stands on it. */
export const beginsStream = ({ type }: DraftEvent): boolean => beginsMake(type);

/** The first of what waits and was never in doubt, as much of it as goes at once. What stands on a beginning in doubt is in doubt too. */
function together(entries: readonly KeptEntry[]): readonly DraftEvent[] {
  const doubted = new Set<string>();
  const drafts: DraftEvent[] = [];
  let characters = 0;
  for (const { draft, refused, aside } of entries) {
    if (refused || aside) {
      if (beginsStream(draft)) doubted.add(draft.streamId);
      continue;
    }
    if (doubted.has(draft.streamId)) continue;
    characters += JSON.stringify(draft).length;
    if (drafts.length === MOST_TOGETHER || characters > MOST_CHARACTERS) break;
    drafts.push(draft);
  }
  return drafts;
}

/**
 * Sends what is kept, in order and many at once; one after another where the server does not take them together. Waits and tries
 * again while the server is away.
 */
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

  async function wasStored(events: readonly StoredEvent[]): Promise<void> {
    for (const event of events) host.stored(event);
    await Promise.all(events.map(({ id }) => forgetDraft(id).catch(() => undefined)));
  }

  /** All that can go at once. @returns whether the server is there */
  async function roundTogether(): Promise<boolean> {
    for (;;) {
      const drafts = together(host.entries());
      if (drafts.length < 2) return true;
      const sent = await send(drafts);
      host.reached(sent.outcome !== 'away');
      if (sent.outcome === 'away') return false;
      // Which of them it is shows when each goes by itself.
      if (sent.outcome !== 'stored') return true;
      await wasStored(sent.events);
    }
  }

  /** One pass over all that is kept. @returns after how many ms another is due, `null` when nothing is left to try */
  async function round(): Promise<number | null> {
    if (!(await roundTogether())) return RETRY_MS;
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
      const sent = await send([draft]);
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
        await wasStored(sent.events);
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
