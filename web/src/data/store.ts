import { EVENT_VERSION } from '@morning-crock/core/entry-version';
import type {
  DraftEvent,
  ErrorBody,
  EventOf,
  EventType,
  KeptDay,
  KeptMethod,
  StoredEvent,
} from '@morning-crock/core/contract';
import { beginsMake, EVENT_FACTS, isPracticeId, type Register, type StreamKind } from '@morning-crock/core';
import { configureStore, original } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { monotonicFactory } from 'ulid';
import { api, TAGS } from './api.ts';
import { keepAnswer, takeShownOld } from './last-known.ts';
import { createSender, forgetDraft, keepDraft, keptDrafts, outboxSlice } from './outbox.ts';
import { now } from './clock.ts';
import { chosenCook, deviceId } from './device.ts';
import { liveSlice } from './live-slice.ts';
import { practising } from './practice-door.ts';
import type * as RegisterPictures from './register-pictures.ts';

export const store = configureStore({
  reducer: { [api.reducerPath]: api.reducer, outbox: outboxSlice.reducer, live: liveSlice.reducer },
  middleware: (get) =>
    // Forecasts and logs are large and made by us: checking them on every action would cost more than they do.
    get({ serializableCheck: false, immutableCheck: false }).concat(api.middleware),
});

type RootState = ReturnType<typeof store.getState>;
export const useAppSelector = useSelector.withTypes<RootState>();
export const useAppDispatch = useDispatch.withTypes<typeof store.dispatch>();

/** To keep a log is to copy it: a long one is kept less often. */
const LONG_LOG = 1000;
const KEEP_AFTER_MS = 500;
const KEEP_LONG_AFTER_MS = 20_000;
const keepingSoon = new Set<string>();

/** A make's log as the page has it, kept for when the server is away: what came live is in no answer. */
function keepMake(makeId: string): void {
  const { data } = api.endpoints.make.select(makeId)(store.getState());
  if (!data || keepingSoon.has(makeId)) return;
  keepingSoon.add(makeId);
  setTimeout(() => keepMakeNow(makeId), data.length < LONG_LOG ? KEEP_AFTER_MS : KEEP_LONG_AFTER_MS);
}

function keepMakeNow(makeId: string): void {
  keepingSoon.delete(makeId);
  const { data } = api.endpoints.make.select(makeId)(store.getState());
  if (data) keepAnswer(`api/makes/${makeId}`, { events: data, now: new Date(now()).toISOString() });
}

type ListTag = Exclude<(typeof TAGS)[number], 'makes' | 'make' | 'tablets' | 'calendar'>;
const staleSoon = new Set<ListTag>();
let staleTimer: ReturnType<typeof setTimeout> | undefined;
/** A file of milkings is thousands of entries at once: what they change is asked for again together. */
const STALE_AFTER_MS = 120;

function invalidateSoon(tags: readonly ListTag[]): void {
  for (const tag of tags) staleSoon.add(tag);
  staleTimer ??= setTimeout(() => {
    staleTimer = undefined;
    const stale = [...staleSoon];
    staleSoon.clear();
    store.dispatch(api.util.invalidateTags(stale));
  }, STALE_AFTER_MS);
}

type Pictures = typeof RegisterPictures;
let pictures: Pictures | null = null;

/** How registers carry an entry out comes with the first place that shows one; without it there is no picture yet. */
export const picturesCame = (module: Pictures): void => {
  pictures = module;
};
function onPictures(draw: (pictures: Pictures) => void): void {
  if (pictures) draw(pictures);
}

/**
 * Carries an entry of the ledger out on the page's picture at once, then asks for the whole again: a late entry, a
 * correction or an undo may have changed more.
 */
function receiveMilk(event: StoredEvent): void {
  onPictures(({ carriedOut }) => {
    store.dispatch(
      api.util.updateQueryData('milkRoom', undefined, (picture) => {
        if (event.seq <= picture.lastSeq) return picture;
        return { ...picture, lots: carriedOut(picture.lots, [event]), lastSeq: event.seq };
      }),
    );
  });
  invalidateSoon(['milk', 'milk-lines']);
}

/** The same for an entry about a culture. */
function receiveCulture(event: StoredEvent): void {
  onPictures(({ culturesAfter }) => {
    store.dispatch(
      api.util.updateQueryData('cultures', undefined, (picture) => {
        if (event.seq <= picture.lastSeq) return picture;
        return { ...picture, cultures: culturesAfter(picture.cultures, [event]), lastSeq: event.seq };
      }),
    );
  });
  invalidateSoon(['cultures']);
}

let goodsPicture: ((event: StoredEvent) => void) | null = null;

/** How an entry about goods is carried out on the picture of the larder comes with that picture, after the first view. */
export const goodsPictureCame = (carryOut: (event: StoredEvent) => void): void => {
  goodsPicture = carryOut;
};

/** The same for an entry about goods. */
function receiveGoods(event: StoredEvent): void {
  goodsPicture?.(event);
  // What is put up may have stood in the milk room.
  invalidateSoon(['larder', 'milk', 'milk-lines']);
  // What went into a make is in what that cost.
  if (event.type === 'larder-moved' && event.data.kind === 'take' && event.data.into !== null)
    store.dispatch(api.util.invalidateTags(['makes']));
}

/** Clocks of tablets differ by no more than this. */
const CLOCKS_DIFFER_MS = 60_000;
let seenMs = Number.NEGATIVE_INFINITY;

/** The moment of an entry made now: after all that this device has seen happen, though another's clock is ahead of its own. */
function entryMs(): number {
  const nowMs = now();
  return Math.max(nowMs, Math.min(seenMs, nowMs + CLOCKS_DIFFER_MS));
}

/** How an entry of a register's own is carried out. */
const CARRIED_OUT: Readonly<Record<Register, (event: StoredEvent) => void>> = {
  milk: receiveMilk,
  cultures: receiveCulture,
  larder: receiveGoods,
};
/** The register that streams of a kind are kept in. */
const OF_STREAM: Readonly<Partial<Record<StreamKind, Register>>> = {
  lot: 'milk',
  culture: 'cultures',
  goods: 'larder',
};
/** The register an entry is of, where it is of one alone. */
function registerOf(type: EventType): Register | undefined {
  const [first, ...others] = EVENT_FACTS[type].of;
  return first !== undefined && others.length === 0 ? OF_STREAM[first] : undefined;
}

/** Puts an entry into its make's log, where the page has that; the same entry twice changes nothing. */
function addToMake(event: StoredEvent): void {
  store.dispatch(
    api.util.updateQueryData('make', event.streamId, (draft) => {
      // A make may have ten thousands of them: none is to be watched for changes.
      const events = original(draft);
      if (events.some((known) => known.id === event.id)) return draft;
      const last = events.at(-1);
      const grown = [...events, event];
      return !last || last.seq < event.seq ? grown : grown.sort((a, b) => a.seq - b.seq);
    }),
  );
}

/**
 * A make begun here is stored. It stays under way until the list has it, and its log goes on from what is known: asked for first, it
 * would be gone for as long as the answer takes.
 */
function beginHere(event: StoredEvent): void {
  const isOwn = store.getState().outbox.entries.some(({ draft }) => draft.id === event.id);
  if (!isOwn || !beginsMake(event.type)) return;
  if (!api.endpoints.make.select(event.streamId)(store.getState()).data)
    store.dispatch(
      api.util.upsertQueryEntries([
        { endpointName: 'make', arg: event.streamId, value: Object.freeze([event]) as StoredEvent[] },
      ]),
    );
  store.dispatch(outboxSlice.actions.begunStored(event.streamId));
}

/** An entry of a make, or one that changes any other. */
function receiveOfMake(event: StoredEvent): void {
  const { feeds = [], changes, unlisted, teaches } = EVENT_FACTS[event.type];
  if (feeds.includes('milk')) receiveMilk(event);
  if (feeds.includes('cultures')) invalidateSoon(['cultures']);
  // It may be anything that is changed.
  if (changes) invalidateSoon(['larder', 'methods']);
  beginHere(event);
  addToMake(event);
  // An answer that is on its way may have been given before this was stored: it is put into that too.
  const running = store.dispatch(api.util.getRunningQueryThunk('make', event.streamId));
  if (running) void running.then(() => addToMake(event));
  if (!unlisted) store.dispatch(api.util.invalidateTags(['makes']));
  if (teaches) store.dispatch(api.util.invalidateTags(['factors']));
  keepMake(event.streamId);
}

/** How the lists of days and methods go on from an entry: each comes with the first that shows such a list. */
interface Lists {
  readonly days?: (days: readonly KeptDay[], event: StoredEvent) => readonly KeptDay[];
  readonly methods?: (methods: readonly KeptMethod[], event: StoredEvent) => readonly KeptMethod[];
}
let lists: Lists = {};
export const listsCame = (came: Lists): void => {
  lists = { ...lists, ...came };
};

/**
 * Carries an entry about a day or a method out on the page's own list, before that is asked for again: till the answer comes what was
 * changed would stand there as it was before.
 */
function receiveListed(event: StoredEvent): void {
  const { days: daysAfter, methods: methodsAfter } = lists;
  if (daysAfter)
    store.dispatch(
      api.util.updateQueryData('days', undefined, (draft) => {
        const days = original(draft);
        const after = daysAfter(days, event);
        return after === days ? draft : [...after];
      }),
    );
  if (methodsAfter)
    store.dispatch(
      api.util.updateQueryData('methods', undefined, (draft) => {
        const methods = original(draft);
        const after = methodsAfter(methods, event);
        return after === methods ? draft : [...after];
      }),
    );
}

/** Puts an event of the log where the page keeps what it is about; the same event twice changes nothing. */
export function receiveEvent(event: StoredEvent): void {
  seenMs = Math.max(seenMs, Date.parse(event.at));
  // A file of milkings comes as thousands of these, none of them from this page's outbox and none of them in a jar.
  if (event.type === 'milk-moved' && event.data.kind === 'intake' && event.data.forRecord) {
    invalidateSoon(['milk', 'milk-lines']);
    return;
  }
  const { of, renews } = EVENT_FACTS[event.type];
  const register = registerOf(event.type);
  if (register) CARRIED_OUT[register](event);
  else if (of.includes('make')) receiveOfMake(event);
  if (renews) {
    receiveListed(event);
    invalidateSoon(renews);
  }
  store.dispatch(outboxSlice.actions.left(event.id));
}

const ALONE_SINCE = 'mc-alone-since';

/**
 * Takes note of whether the kitchen's computer answers. Since when it does not is kept: a page that is opened anew meanwhile
 * says the same.
 */
export function foundReachable(ok: boolean): void {
  if (store.getState().outbox.reachable === ok) {
    if (ok) localStorage.removeItem(ALONE_SINCE);
    return;
  }
  const atMs = ok ? now() : Number(localStorage.getItem(ALONE_SINCE)) || now();
  if (ok) localStorage.removeItem(ALONE_SINCE);
  else localStorage.setItem(ALONE_SINCE, String(Math.round(atMs)));
  store.dispatch(outboxSlice.actions.reached({ ok, atMs }));
}

const sender = createSender({
  entries: () => store.getState().outbox.entries,
  stored: receiveEvent,
  refused: (id, error) => store.dispatch(outboxSlice.actions.refused({ id, error })),
  setAside: (id, error) => store.dispatch(outboxSlice.actions.setAside({ id, error })),
  reached: foundReachable,
});

/** Ids in the order of their making, also within one moment and when the clock goes back: what is not sent yet has no other. */
const nextId = monotonicFactory();

/** Two taps within this time on one control count once. */
const DOUBLE_TAP_MS = 400;
let latest = { key: '', atMs: 0 };

/**
 * Records that something happened: shown at once, kept on this device, then sent. Nothing typed is lost when the
 * server is away.
 * @returns the entry's identity
 */
export async function record<T extends EventType>(
  streamId: string,
  type: T,
  data: EventOf<T>['data'],
  atMs = entryMs(),
): Promise<string> {
  const key = `${streamId} ${type} ${JSON.stringify(data)}`;
  const tappedMs = Date.now();
  if (key === latest.key && tappedMs - latest.atMs < DOUBLE_TAP_MS) return '';
  latest = { key, atMs: tappedMs };
  // With its practice closed, it goes nowhere.
  if (isPracticeId(streamId)) return practising(streamId)?.(type, data) ?? '';
  const draft = {
    id: nextId(),
    streamId,
    at: new Date(Math.round(atMs)).toISOString(),
    cookId: chosenCook(),
    deviceId: deviceId(),
    version: EVENT_VERSION,
    type,
    data,
  } as DraftEvent;
  store.dispatch(outboxSlice.actions.kept(draft));
  const register = registerOf(draft.type);
  if (
    register &&
    (draft.type === 'milk-moved' || draft.type === 'culture-changed' || draft.type === 'larder-moved')
  )
    store.dispatch(
      liveSlice.actions.entered({
        register,
        entry: { id: draft.id, streamId: draft.streamId, kind: draft.data.kind },
      }),
    );
  else if (draft.type === 'voided') store.dispatch(liveSlice.actions.taken(draft.data.target));
  // A browser that keeps nothing (a private window) still sends.
  await keepDraft(draft).catch(() => undefined);
  sender.flush();
  return draft.id;
}

/** Records one entry after another. */
export async function recordAll(
  streamId: string,
  entries: readonly {
    [T in EventType]: { readonly type: T; readonly data: EventOf<T>['data'] };
  }[EventType][],
): Promise<void> {
  for (const { type, data } of entries) await record(streamId, type, data);
}

/**
 * Waits until an entry is stored, refused or known to be kept here for longer.
 * @returns the server's reason when it was refused
 */
export function whenSettled(id: string): Promise<ErrorBody | null> {
  return new Promise((resolve) => {
    const look = (): boolean => {
      const { entries, reachable } = store.getState().outbox;
      const entry = entries.find((e) => e.draft.id === id);
      if (entry && !entry.refused && !entry.aside && reachable) return false;
      resolve(entry?.refused ?? null);
      return true;
    };
    if (look()) return;
    const stop = store.subscribe(() => {
      if (look()) stop();
    });
  });
}

/** Takes a refused entry away after the maker has seen why. */
export async function dropRefused(id: string): Promise<void> {
  await forgetDraft(id).catch(() => undefined);
  store.dispatch(outboxSlice.actions.left(id));
}

/** Brings back what a reload found kept here, and sends it. */
export async function restoreOutbox(): Promise<void> {
  const drafts = await keptDrafts().catch(() => []);
  if (drafts.length > 0) store.dispatch(outboxSlice.actions.restored(drafts));
  sender.flush();
}

/** Asks for everything again when the page had to show what it last knew. */
export function renewOld(): void {
  if (takeShownOld()) store.dispatch(api.util.invalidateTags([...TAGS]));
}

/** The server writes what this page cannot read. */
export function foundOutdated(): void {
  store.dispatch(liveSlice.actions.outdatedTurned(true));
}

/** Tries again at once, when the server shows signs of life. */
export function flushOutbox(): void {
  sender.flush();
}
