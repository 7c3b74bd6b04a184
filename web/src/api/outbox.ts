import {
  appendResponse,
  errorBody,
  type DraftEvent,
  type ErrorBody,
  type StoredEvent,
} from '@morning-crock/core/contract';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { ENTRIES, openDeviceDatabase } from './database.ts';

/** An entry made here that the server has not acknowledged. */
export interface KeptEntry {
  readonly draft: DraftEvent;
  /** Set when the server refused it: it stays here until somebody decides. */
  readonly refused: ErrorBody | null;
}

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
        .map((draft) => ({ draft, refused: null }));
      return { ...state, entries: [...fresh, ...state.entries] };
    },
    kept: (state, { payload }: PayloadAction<DraftEvent>) => ({
      ...state,
      entries: [...state.entries, { draft: payload, refused: null }],
    }),
    left: (state, { payload }: PayloadAction<string>) => ({
      ...state,
      entries: state.entries.filter((e) => e.draft.id !== payload),
    }),
    refused: (state, { payload }: PayloadAction<{ id: string; error: ErrorBody }>) => ({
      ...state,
      entries: state.entries.map((e) => (e.draft.id === payload.id ? { ...e, refused: payload.error } : e)),
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
  | { readonly outcome: 'away' };

async function send(draft: DraftEvent): Promise<Sent> {
  try {
    const answer = await fetch('/api/events', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ events: [draft] }),
    });
    const body: unknown = await answer.json();
    if (answer.ok) return { outcome: 'stored', event: appendResponse.parse(body).events[0]! };
    const error = errorBody.parse(body);
    // A server that is there but cannot store now is as good as away.
    return answer.status >= 500 ? { outcome: 'away' } : { outcome: 'refused', error };
  } catch {
    return { outcome: 'away' };
  }
}

/** What the sender needs of its surroundings. */
export interface SenderHost {
  entries(): readonly KeptEntry[];
  stored(event: StoredEvent): void;
  refused(id: string, error: ErrorBody): void;
  reached(ok: boolean): void;
}

const RETRY_MS = 2000;

/** Sends what is kept, one after another in order; waits and tries again while the server is away. */
export function createSender(host: SenderHost): { flush(): void } {
  const turn = { busy: false, again: false };
  /** Whether somebody asked for another round meanwhile; asks once. */
  const askedAgain = (): boolean => {
    const asked = turn.again;
    turn.again = false;
    return asked;
  };
  let timer: ReturnType<typeof setTimeout> | undefined;
  const flush = async (): Promise<void> => {
    if (turn.busy) {
      turn.again = true;
      return;
    }
    turn.busy = true;
    clearTimeout(timer);
    try {
      do {
        for (const { draft, refused } of host.entries()) {
          if (refused) continue;
          const sent = await send(draft);
          if (sent.outcome === 'away') {
            host.reached(false);
            timer = setTimeout(() => void flush(), RETRY_MS);
            return;
          }
          host.reached(true);
          if (sent.outcome === 'stored') {
            host.stored(sent.event);
            await forgetDraft(draft.id).catch(() => undefined);
          } else {
            host.refused(draft.id, sent.error);
          }
        }
      } while (askedAgain());
    } finally {
      turn.busy = false;
    }
  };
  return { flush: () => void flush() };
}
