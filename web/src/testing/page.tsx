import { MantineProvider } from '@mantine/core';
import { render } from '@testing-library/react';
import { userEvent } from '@testing-library/user-event';
import { defaultKitchen } from '@morning-crock/core';
import { errorOf, type DraftEvent } from '@morning-crock/core/contract';
import type { ReactNode } from 'react';
import { Provider } from 'react-redux';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { outboxSlice } from '../data/outbox.ts';
import { store } from '../data/store.ts';

/** What the server of a test answers: a body, a refusal with its status, or nothing at all. */
type Answer = { readonly status: number; readonly body: unknown } | 'away';
/** @param request path, and the entry when one is posted */
export type Server = (path: string, entry: DraftEvent | null) => Answer;

/** A kitchen that knows nothing yet, and is not reachable for entries. */
export const quietKitchen: Server = (path) => {
  if (path === '/api/kitchen')
    return {
      status: 200,
      body: {
        id: '01HZZZZZZZZZZZZZZZZZZZZZZZ',
        name: 'Test kitchen',
        demo: false,
        settings: defaultKitchen('UTC'),
        lastSeq: 0,
        now: new Date().toISOString(),
      },
    };
  if (path.startsWith('/api/makes?') || path === '/api/makes')
    return { status: 200, body: { makes: [], now: new Date().toISOString() } };
  return path.startsWith('/api/makes/') ? { status: 404, body: errorOf('not-found') } : 'away';
};

/** Lets a server of the test answer instead of a real one. */
export function answerWith(server: Server): void {
  globalThis.fetch = async (request, init) => {
    const asked =
      request instanceof Request ? request : new Request(new URL(String(request), location.href), init);
    const text = asked.method === 'POST' ? await asked.text() : '';
    const { events } = (text === '' ? {} : JSON.parse(text)) as { events?: DraftEvent[] };
    const answer = server(new URL(asked.url).pathname, events?.[0] ?? null);
    if (answer === 'away') throw new TypeError('failed to fetch');
    return Response.json(answer.body, { status: answer.status });
  };
}

/** Takes away what an earlier test left waiting. */
export function emptyOutbox(): void {
  for (const { draft } of store.getState().outbox.entries) store.dispatch(outboxSlice.actions.left(draft.id));
  store.dispatch(outboxSlice.actions.reached({ ok: true, atMs: 0 }));
  store.dispatch(outboxSlice.actions.backSeen());
}

/** Entries that wait on this device. */
export const kept = () => store.getState().outbox.entries;

/** Shows a part of the page as it stands in the frame. @param path where the page is */
export function show(part: ReactNode, path = '/') {
  const router = createMemoryRouter(
    [
      { path: '/makes/:id', element: part },
      { path: '*', element: part },
    ],
    { initialEntries: [path] },
  );
  const shown = render(
    <Provider store={store}>
      <MantineProvider env="test">
        <RouterProvider router={router} />
      </MantineProvider>
    </Provider>,
  );
  return { ...shown, router, user: userEvent.setup() };
}
