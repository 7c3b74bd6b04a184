import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { cleanup, screen, waitFor } from '@testing-library/react';
import { defaultKitchen, defaultPlan, MINUTE_MS } from '@morning-crock/core';
import { errorOf, type DraftEvent } from '@morning-crock/core/contract';
import { now } from '../data/clock.ts';
import { liveSlice } from '../data/live-slice.ts';
import { outboxSlice } from '../data/outbox.ts';
import { record, store } from '../data/store.ts';
import { answerWith, emptyOutbox, kept, quietKitchen, show } from '../testing/page.tsx';
import { Kept } from './Kept.tsx';
import { OneMake } from './OneMake.tsx';

const MAKE = '01HZZZZZZZZZZZZZZZZZZZZZZM';
const NO_MILK = errorOf('not-enough', [{ path: 'data.plan.milk', message: 'Fern: 1 kg is free' }]);
const plan = {
  ...defaultPlan(defaultKitchen('UTC'), '2026-03-02T06:00:00.000Z', 2),
  name: 'Sunday yogurt',
};
/** Waits on this device, as if entered a moment ago. */
const waits = (n: number, type: string, data: object): DraftEvent => {
  const draft = {
    id: `01HYYYYYYYYYYYYYYYYYYYYY${String(n).padStart(2, '0')}`,
    streamId: MAKE,
    at: '2026-03-02T06:00:00.000Z',
    cookId: null,
    deviceId: 'tablet',
    version: 1,
    type,
    data,
  } as DraftEvent;
  store.dispatch(outboxSlice.actions.kept(draft));
  return draft;
};
const { refused, setAside, reached } = outboxSlice.actions;

beforeEach(() => {
  emptyOutbox();
  answerWith(quietKitchen);
});
afterEach(cleanup);

describe('what is kept on this device', () => {
  test('is told while the server is away, and by how many', () => {
    waits(1, 'noted', { text: 'one' });
    waits(2, 'noted', { text: 'two' });
    store.dispatch(reached({ ok: false, atMs: now() - 65 * MINUTE_MS }));
    show(<Kept />);
    expect(screen.getByRole('status').textContent).toMatch(/On its own since .*2 entries are safe/);
  });

  test('after an hour alone it is told what was handed over, until that is read', async () => {
    waits(1, 'noted', { text: 'one' });
    store.dispatch(reached({ ok: false, atMs: now() - 65 * MINUTE_MS }));
    store.dispatch(reached({ ok: true, atMs: now() }));
    const { user } = show(<Kept />);
    expect(screen.getByRole('status').textContent).toMatch(
      /Back since .*on its own for 1 h 5 min\. 1 entry went to the kitchen\./,
    );
    await user.click(screen.getByRole('button', { name: 'Got it' }));
    expect(screen.queryByRole('status')).toBeNull();
  });

  test('a moment in which nothing waited is not worth a word', () => {
    store.dispatch(reached({ ok: false, atMs: now() - 20_000 }));
    store.dispatch(reached({ ok: true, atMs: now() }));
    show(<Kept />);
    expect(screen.queryByRole('status')).toBeNull();
  });

  test('a page older than its server asks to be loaded anew', () => {
    show(<Kept />);
    expect(screen.queryByRole('button', { name: 'Reload page' })).toBeNull();
    cleanup();
    store.dispatch(liveSlice.actions.outdatedTurned(true));
    show(<Kept />);
    expect(screen.getByRole('status').textContent).toContain('Your entries are safe');
    expect(screen.getByRole('button', { name: 'Reload page' })).toBeDefined();
    cleanup();
    store.dispatch(liveSlice.actions.outdatedTurned(false));
  });

  test('a refused entry says why and goes when it is taken away', async () => {
    const { id } = waits(1, 'noted', { text: 'one' });
    store.dispatch(
      refused({ id, error: errorOf('bad-input', [{ path: 'data.text', message: 'needs a word' }]) }),
    );
    const { user } = show(<Kept />);
    expect(screen.getByRole('alert').textContent).toContain('needs a word');
    await user.click(screen.getByRole('button', { name: 'Remove entry' }));
    await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
    expect(kept()).toEqual([]);
  });

  test('one that the server falls over is told with what it is; it is not taken away', () => {
    const { id } = waits(1, 'temperature-read', {});
    store.dispatch(setAside({ id, error: errorOf('internal') }));
    show(<Kept />);
    expect(screen.getByRole('status').textContent).toMatch(/one entry \(a temperature\).*be tried again/);
    expect(screen.queryByRole('button')).toBeNull();
  });
});

describe('a make that was not begun', () => {
  beforeEach(() => {
    const { id } = waits(1, 'make-started', { plan });
    const step = waits(2, 'step-done', { step: 'pour' });
    store.dispatch(refused({ id, error: NO_MILK }));
    store.dispatch(refused({ id: step.id, error: errorOf('no-such-make') }));
  });

  test('is told once, with where to go on, not once for each entry after it', () => {
    show(<Kept />);
    const told = screen.getByRole('alert');
    expect(told.textContent).toContain('Fern: 1 kg is free');
    expect(screen.getByRole('link', { name: 'Open plan' }).getAttribute('href')).toBe(`/makes/${MAKE}`);
  });

  const place = <OneMake Make={() => <p>the make</p>} />;

  test('its plan is changed with all that was chosen', async () => {
    const { user, router } = show(place, `/makes/${MAKE}`);
    await user.click(await screen.findByRole('button', { name: 'Edit plan' }));
    await waitFor(() => expect(kept()).toEqual([]));
    expect(store.getState().live.draft).toEqual(plan);
    expect(router.state.location).toMatchObject({ pathname: '/new', search: '?draft=1' });
    store.dispatch(liveSlice.actions.draftKept(null));
  });

  test('it is given up, and nothing of it stays', async () => {
    const { user, router } = show(place, `/makes/${MAKE}`);
    await user.click(await screen.findByRole('button', { name: 'Discard batch' }));
    await waitFor(() => expect(kept()).toEqual([]));
    expect(router.state.location.pathname).toBe('/');
  });
});

describe('an address of one make', () => {
  test('that leads to nothing says so', async () => {
    show(<OneMake Make={() => <p>the make</p>} />, `/makes/${MAKE}`);
    expect(await screen.findByText(/This batch does not exist/)).toBeDefined();
  });

  test('opens what was begun here before the server knows of it', async () => {
    answerWith((path, entry) => (entry ? 'away' : quietKitchen(path, null)));
    await record(MAKE, 'make-started', { plan });
    show(<OneMake Make={({ state }) => <p>{state.plan.name}, begun</p>} />, `/makes/${MAKE}`);
    expect(await screen.findByText('Sunday yogurt, begun')).toBeDefined();
  });
});
