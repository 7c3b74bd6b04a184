import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { errorOf, type DraftEvent, type ErrorBody, type StoredEvent } from '@morning-crock/core/contract';
import { createSender, outboxSlice, type KeptEntry } from './outbox.ts';

const AT = '2026-03-02T10:00:00.000Z';
const id = (n: number): string => `01ARZ3NDEKTSV4RRFFQ69G5F${String(n).padStart(2, '0')}`;
const draft = (n: number): DraftEvent => ({
  id: id(n),
  streamId: id(90),
  at: AT,
  cookId: null,
  deviceId: 'tablet',
  version: 1,
  type: 'noted',
  data: { text: `note ${n}` },
});
const stored = (entry: DraftEvent): StoredEvent => ({ ...entry, seq: 7, receivedAt: AT });

const isStored = (body: unknown): body is { events: StoredEvent[] } =>
  typeof body === 'object' && body !== null && 'events' in body;

/** A server that answers as it is told, and a page that keeps entries as the store does. */
function createScene(
  answer: (entry: DraftEvent, attempt: number) => { status: number; body: unknown } | 'away',
) {
  let state = outboxSlice.reducer(undefined, { type: 'begin' });
  const sent: string[] = [];
  const done: string[] = [];
  const { kept, left, refused, setAside } = outboxSlice.actions;
  const act = (action: Parameters<typeof outboxSlice.reducer>[1]): void => {
    state = outboxSlice.reducer(state, action);
  };
  globalThis.fetch = (_url, init) => {
    const { events } = JSON.parse(init?.body as string) as { events: DraftEvent[] };
    sent.push(events.map((e) => e.id).join(' '));
    const answers = events.map((entry) => answer(entry, sent.length));
    if (answers.includes('away')) return Promise.reject(new TypeError('failed to fetch'));
    const told = answers.filter((a) => a !== 'away');
    // All of them or none is stored.
    const bad = told.find(({ body }) => !isStored(body));
    return Promise.resolve(
      bad
        ? Response.json(bad.body, { status: bad.status })
        : Response.json({ events: told.flatMap(({ body }) => (isStored(body) ? body.events : [])) }),
    );
  };
  const sender = createSender({
    entries: () => state.entries,
    stored: (event) => {
      done.push(event.id);
      act(left(event.id));
    },
    refused: (entryId, error) => act(refused({ id: entryId, error })),
    setAside: (entryId, error) => act(setAside({ id: entryId, error })),
    reached: (ok) => act(outboxSlice.actions.reached({ ok, atMs: 0 })),
  });
  return {
    sender,
    sent,
    done,
    enter: (...drafts: DraftEvent[]): void => drafts.forEach((d) => act(kept(d))),
    get entries(): readonly KeptEntry[] {
      return state.entries;
    },
    get reachable(): boolean {
      return state.reachable;
    },
  };
}
const good = (entry: DraftEvent) => ({ status: 200, body: { events: [stored(entry)] } });
const REFUSAL: ErrorBody = errorOf('bad-input', [{ path: 'data.text', message: 'needs a word' }]);
/** Lets promises and the clock go on. */
const pass = (ms: number) => jest.advanceTimersByTimeAsync(ms);
const realFetch = globalThis.fetch;

beforeEach(() => {
  jest.useFakeTimers();
});
afterEach(() => {
  jest.useRealTimers();
  globalThis.fetch = realFetch;
});

describe('entries kept here', () => {
  test('are sent together, in the order of their making', async () => {
    const scene = createScene(good);
    scene.enter(draft(1), draft(2), draft(3));
    scene.sender.flush();
    await pass(0);
    expect(scene.sent).toEqual([`${id(1)} ${id(2)} ${id(3)}`]);
    expect(scene.done).toEqual([id(1), id(2), id(3)]);
    expect(scene.entries).toEqual([]);
  });

  test('a long time away goes in as many parcels as the server takes', async () => {
    const scene = createScene(good);
    const many = Array.from({ length: 450 }, (_, i) => ({
      ...draft(1),
      id: `01ARZ3NDEKTSV4RRFFQ69G5${String(i).padStart(3, '0')}`,
    }));
    scene.enter(...many);
    scene.sender.flush();
    await pass(0);
    expect(scene.sent.map((s) => s.split(' ').length)).toEqual([200, 200, 50]);
    expect(scene.done).toEqual(many.map((e) => e.id));
  });

  test('wait while the server is away, and go when it is back, none twice and none lost', async () => {
    let away = true;
    const scene = createScene((entry) => (away ? 'away' : good(entry)));
    scene.enter(draft(1), draft(2));
    scene.sender.flush();
    await pass(0);
    expect(scene.reachable).toBe(false);
    expect(scene.entries).toHaveLength(2);
    // It asks again and again, with the same.
    await pass(4100);
    expect(new Set(scene.sent)).toEqual(new Set([`${id(1)} ${id(2)}`]));
    expect(scene.sent.length).toBeGreaterThan(1);
    away = false;
    await pass(2100);
    expect(scene.done).toEqual([id(1), id(2)]);
    expect(scene.reachable).toBe(true);
    expect(scene.entries).toEqual([]);
    const asked = scene.sent.length;
    await pass(60_000);
    expect(scene.sent).toHaveLength(asked);
  });

  test('a server that cannot store now is as good as away', async () => {
    const scene = createScene((entry, attempt) =>
      attempt === 1 ? { status: 503, body: errorOf('database-away') } : good(entry),
    );
    scene.enter(draft(1));
    scene.sender.flush();
    await pass(0);
    expect(scene.entries).toEqual([{ draft: draft(1), refused: null, aside: null }]);
    await pass(2100);
    expect(scene.done).toEqual([id(1)]);
  });

  test('a refused one stays with its reason, is not asked again, and holds up no other', async () => {
    const scene = createScene((entry) => (entry.id === id(1) ? { status: 400, body: REFUSAL } : good(entry)));
    scene.enter(draft(1), draft(2));
    scene.sender.flush();
    await pass(0);
    expect(scene.done).toEqual([id(2)]);
    expect(scene.entries).toEqual([{ draft: draft(1), refused: REFUSAL, aside: null }]);
    scene.enter(draft(3));
    scene.sender.flush();
    await pass(0);
    expect(scene.done).toEqual([id(2), id(3)]);
    // Once among others, once by itself.
    expect(scene.sent).toEqual([`${id(1)} ${id(2)}`, id(1), id(2), id(3)]);
  });

  test('one that the server falls over again and again is set aside; the others go on', async () => {
    let broken = true;
    const scene = createScene((entry) =>
      broken && entry.id === id(1) ? { status: 500, body: errorOf('internal') } : good(entry),
    );
    scene.enter(draft(1), draft(2));
    scene.sender.flush();
    await pass(0);
    // At first it is waited for, so that the order stays.
    expect(scene.done).toEqual([]);
    await pass(4100);
    expect(scene.done).toEqual([id(2)]);
    expect(scene.entries).toEqual([{ draft: draft(1), refused: null, aside: errorOf('internal') }]);
    scene.enter(draft(3));
    scene.sender.flush();
    await pass(0);
    expect(scene.done).toEqual([id(2), id(3)]);
    const asked = scene.sent.length;
    await pass(30_000);
    expect(scene.sent).toHaveLength(asked);
    broken = false;
    await pass(31_000);
    expect(scene.done).toEqual([id(2), id(3), id(1)]);
    expect(scene.entries).toEqual([]);
  });

  test('what follows a beginning that is set aside waits with it', async () => {
    const beginning = { ...draft(1), type: 'make-started' } as DraftEvent;
    const elsewhere: DraftEvent = { ...draft(3), streamId: id(91) };
    let broken = true;
    const scene = createScene((entry) =>
      broken && entry.id === id(1)
        ? { status: 500, body: errorOf('internal') }
        : // The answer repeats a note: the sender looks only at whose answer it is.
          { status: 200, body: { events: [stored({ ...draft(1), id: entry.id })] } },
    );
    scene.enter(beginning, draft(2), elsewhere);
    scene.sender.flush();
    await pass(4100);
    expect(scene.done).toEqual([id(3)]);
    broken = false;
    await pass(61_000);
    expect(scene.done).toEqual([id(3), id(1), id(2)]);
  });

  test('one entered while others are being sent goes along without another push', async () => {
    const scene = createScene(good);
    scene.enter(draft(1));
    scene.sender.flush();
    scene.enter(draft(2));
    scene.sender.flush();
    await pass(0);
    expect(scene.done).toEqual([id(1), id(2)]);
  });

  test('an answer nobody understands keeps the entry', async () => {
    const scene = createScene((entry, attempt) =>
      attempt === 1 ? { status: 200, body: 'a page of something else' } : good(entry),
    );
    scene.enter(draft(1));
    scene.sender.flush();
    await pass(0);
    expect(scene.entries).toHaveLength(1);
    await pass(2100);
    expect(scene.entries).toEqual([]);
  });
});

describe('after a reload', () => {
  const { restored, kept } = outboxSlice.actions;
  test('what was kept comes first, and nothing is there twice', () => {
    let state = outboxSlice.reducer(undefined, kept(draft(3)));
    state = outboxSlice.reducer(state, restored([draft(1), draft(2), draft(3)]));
    expect(state.entries.map((e) => e.draft.id)).toEqual([id(1), id(2), id(3)]);
    expect(outboxSlice.reducer(state, restored([draft(1)])).entries).toHaveLength(3);
  });
});
