import { beforeEach, describe, expect, test } from '@jest/globals';
import { renderHook, waitFor } from '@testing-library/react';
import { defaultKitchen, defaultPlan, foldDays, foldMethods, SHIPPED_METHODS } from '@morning-crock/core';
import {
  errorOf,
  type DayDoc,
  type DraftEvent,
  type MakeSummary,
  type StoredEvent,
} from '@morning-crock/core/contract';
import { dayLike, lineLike } from '@morning-crock/core/fixtures';
import { Provider } from 'react-redux';
import { answerWith, emptyOutbox, kept, quietKitchen } from '../testing/page.tsx';
import { api } from './api.ts';
import { makeLog } from './make-log.ts';
import { useUnderWayLogs } from './under-way-logs.ts';
import { useDays } from './use-days.ts';
import { useMethods } from './use-methods.ts';
import { receiveEvent, record, store, whenSettled } from './store.ts';

const MAKE = '01HZZZZZZZZZZZZZZZZZZZZZZS';
let seq = 0;
const stored = (draft: DraftEvent): StoredEvent => ({ ...draft, seq: ++seq, receivedAt: draft.at });
const takesAll = (path: string, entry: DraftEvent | null) =>
  entry ? { status: 200, body: { events: [stored(entry)] } } : quietKitchen(path, null);

beforeEach(() => {
  emptyOutbox();
  answerWith(quietKitchen);
});

describe('an entry', () => {
  test('is there at once, and leaves when the server has it', async () => {
    answerWith(takesAll);
    const entered = record(MAKE, 'noted', { text: 'stirred' });
    expect(kept().map((e) => e.draft.type)).toEqual(['noted']);
    const id = await entered;
    expect(await whenSettled(id)).toBeNull();
    expect(kept()).toEqual([]);
  });

  test('made twice by a double tap is made once; another at once is another', async () => {
    answerWith(() => 'away');
    const first = await record(MAKE, 'noted', { text: 'twice' });
    expect(await record(MAKE, 'noted', { text: 'twice' })).toBe('');
    await record(MAKE, 'noted', { text: 'another' });
    expect(kept().map((e) => (e.draft.data as { text: string }).text)).toEqual(['twice', 'another']);
    expect(first).not.toBe('');
  });

  test('that is refused tells why, and stays', async () => {
    const why = errorOf('bad-input', [{ path: 'data.text', message: 'needs a word' }]);
    answerWith((path, entry) => (entry ? { status: 400, body: why } : quietKitchen(path, null)));
    const id = await record(MAKE, 'noted', { text: '!' });
    expect(await whenSettled(id)).toEqual(why);
    expect(kept()[0]).toMatchObject({ draft: { id }, refused: why });
  });

  test('with nobody to take it is settled as kept', async () => {
    answerWith(() => 'away');
    const id = await record(MAKE, 'noted', { text: 'alone' });
    expect(await whenSettled(id)).toBeNull();
    expect(kept()).toHaveLength(1);
    expect(store.getState().outbox.reachable).toBe(false);
  });

  test('is never before what this device has already seen happen', async () => {
    answerWith(() => 'away');
    const aheadMs = Date.now() + 20_000;
    receiveEvent(
      stored({
        id: '01HYYYYYYYYYYYYYYYYYYYYY01',
        streamId: MAKE,
        at: new Date(aheadMs).toISOString(),
        cookId: null,
        deviceId: 'other',
        version: 1,
        type: 'noted',
        data: { text: 'from a clock that is ahead' },
      }),
    );
    await record(MAKE, 'noted', { text: 'after it' });
    expect(Date.parse(kept()[0]!.draft.at)).toBeGreaterThanOrEqual(aheadMs);
  });
});

test('an event of the stream takes its place in the log of its make, once', async () => {
  answerWith((path) =>
    path === `/api/makes/${MAKE}`
      ? { status: 200, body: { events: [], now: new Date().toISOString() } }
      : quietKitchen(path, null),
  );
  const query = store.dispatch(api.endpoints.make.initiate(MAKE));
  await query;
  const event = (n: number): StoredEvent => ({
    id: `01HYYYYYYYYYYYYYYYYYYYYZ${String(n).padStart(2, '0')}`,
    streamId: MAKE,
    at: new Date(n * 1000).toISOString(),
    cookId: null,
    deviceId: 'other',
    version: 1,
    type: 'noted',
    data: { text: `note ${n}` },
    seq: 100 + n,
    receivedAt: new Date(n * 1000).toISOString(),
  });
  for (const n of [2, 1, 2]) receiveEvent(event(n));
  const log = () =>
    api.endpoints.make
      .select(MAKE)(store.getState())
      .data?.map((e) => e.seq);
  await waitFor(() => expect(log()).toEqual([101, 102]));
  query.unsubscribe();
});

test('an event that comes while an older answer is on its way is put into that too', async () => {
  const other = '01HZZZZZZZZZZZZZZZZZZZZZZQ';
  answerWith((path) =>
    path === `/api/makes/${other}`
      ? { status: 200, body: { events: [], now: new Date().toISOString() } }
      : quietKitchen(path, null),
  );
  const query = store.dispatch(api.endpoints.make.initiate(other));
  receiveEvent(
    stored({
      id: '01HYYYYYYYYYYYYYYYYYYYYY77',
      streamId: other,
      at: new Date(1000).toISOString(),
      cookId: null,
      deviceId: 'other',
      version: 1,
      type: 'noted',
      data: { text: 'meanwhile' },
    }),
  );
  await query;
  const log = () =>
    api.endpoints.make
      .select(other)(store.getState())
      .data?.map((e) => e.id);
  await waitFor(() => expect(log()).toEqual(['01HYYYYYYYYYYYYYYYYYYYYY77']));
  query.unsubscribe();
});

test('a log is folded once for each change of it, and a note leaves what a forecast follows from as it was', () => {
  const note = (n: number): StoredEvent =>
    ({
      id: `N${n}`,
      streamId: MAKE,
      at: new Date(n).toISOString(),
      type: 'noted',
      data: { text: '' },
      seq: n,
    }) as StoredEvent;
  const one = [note(1)];
  const first = makeLog(MAKE, one, []);
  expect(makeLog(MAKE, one, [])).toBe(first);
  const second = makeLog(MAKE, [...one, note(2)], []);
  expect(second).not.toBe(first);
  expect(second.events).toHaveLength(2);
  expect(second.shaping).toBe(first.shaping);
});

test('a batch begun here never goes away between what waits, what is stored and the list', async () => {
  const id = '01HZZZZZZZZZZZZZZZZZZZZZZN';
  let listed: readonly MakeSummary[] = [];
  answerWith((path, entry) => {
    if (entry) return { status: 200, body: { events: [stored(entry)] } };
    return path === '/api/makes'
      ? { status: 200, body: { makes: listed, now: new Date().toISOString() } }
      : quietKitchen(path, null);
  });
  const { result, unmount } = renderHook(() => useUnderWayLogs(), {
    wrapper: ({ children }) => <Provider store={store}>{children}</Provider>,
  });
  /** Whether it was under way, with its state, at each change of what the page knows. */
  const seen: boolean[] = [];
  const stop = store.subscribe(() => seen.push(result.current.some(({ state }) => state?.id === id)));
  const plan = defaultPlan(defaultKitchen('UTC'), new Date().toISOString());
  await whenSettled(await record(id, 'make-started', { plan }));
  expect(kept()).toEqual([]);
  await waitFor(() => expect(result.current.map(({ state }) => state?.id)).toEqual([id]));
  expect(store.getState().outbox.begun).toEqual([id]);
  listed = [lineLike(1, { id, status: 'under-way' })];
  await store.dispatch(api.endpoints.recentMakes.initiate(undefined, { forceRefetch: true }));
  await waitFor(() => expect(store.getState().outbox.begun).toEqual([]));
  expect(result.current.map(({ state }) => state?.id)).toEqual([id]);
  expect(seen.slice(seen.indexOf(true))).not.toContain(false);
  // What is over by then is over, begun here or not.
  listed = [lineLike(1, { id, status: 'kept' })];
  await store.dispatch(api.endpoints.recentMakes.initiate(undefined, { forceRefetch: true }));
  await waitFor(() => expect(result.current).toEqual([]));
  stop();
  unmount();
});

test('a day and a method that were changed here never stand there as they were before, while the list is asked for again', async () => {
  const id = '01HZZZZZZZZZZZZZZZZZZZZZZM';
  const own = '01HZZZZZZZZZZZZZZZZZZZZZZP';
  // A kitchen's computer that answers from what it stored.
  const log: StoredEvent[] = [];
  answerWith((path, entry) => {
    if (entry) log.push(stored(entry));
    if (entry) return { status: 200, body: { events: log.slice(-1) } };
    if (path === '/api/days') return { status: 200, body: { days: foldDays(log) } };
    if (path === '/api/methods') return { status: 200, body: { methods: foldMethods(log), lastSeq: seq } };
    return quietKitchen(path, null);
  });
  await store.dispatch(api.endpoints.days.initiate(undefined, { forceRefetch: true }));
  await store.dispatch(api.endpoints.methods.initiate(undefined, { forceRefetch: true }));
  const day = (version: number): DayDoc =>
    dayLike({
      version,
      makes: [
        {
          id: MAKE,
          name: 'Yogurt',
          methodId: 'yogurt',
          litres: 2,
          by: null,
          fixed: {},
          who: {},
          makeId: null,
        },
      ],
    });
  const { result, unmount } = renderHook(
    () =>
      [useDays().map((kept) => kept.day.version), useMethods().own.map((m) => m.versions.length)] as const,
    { wrapper: ({ children }) => <Provider store={store}>{children}</Provider> },
  );
  const seen: string[] = [];
  const stop = store.subscribe(() => seen.push(JSON.stringify(result.current)));
  const change = async (version: number): Promise<void> => {
    await whenSettled(await record(id, 'day-changed', { kind: 'laid', day: day(version) }));
    await waitFor(() => expect(result.current[0]).toEqual([version]));
  };
  await change(1);
  await change(2);
  const [method] = SHIPPED_METHODS;
  await whenSettled(
    await record(own, 'method-changed', { kind: 'saved', method: { ...method!, id: own, version: 1 } }),
  );
  await waitFor(() => expect(result.current).toEqual([[2], [1]]));
  // What the kitchen's computer says in the end is the same.
  await store.dispatch(api.endpoints.days.initiate(undefined, { forceRefetch: true }));
  await store.dispatch(api.endpoints.methods.initiate(undefined, { forceRefetch: true }));
  expect(result.current).toEqual([[2], [1]]);
  const versions = seen.map((text) => (JSON.parse(text) as [number[], number[]])[0][0] ?? 0);
  expect(versions).toEqual([...versions].sort((a, b) => a - b));
  await whenSettled(await record(id, 'day-changed', { kind: 'dropped' }));
  await waitFor(() => expect(result.current[0]).toEqual([]));
  stop();
  unmount();
});
