import './ask-early.ts';
import '@fontsource-variable/newsreader';
import '@fontsource-variable/source-sans-3';
import './app/component-styles.ts';
import './app/base.css';
import './app/told.css';
import './app/layout.css';
import { MantineProvider } from '@mantine/core';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router';
import { createRouter } from './app/router.tsx';
import { keepInstallPrompt } from './data/install-prompt.ts';
import { restoreOutbox, store } from './data/store.ts';
import { cssVariables, theme } from './app/theme.ts';
import { beginWorker } from './workers/kitchen-client.ts';

void restoreOutbox();
keepInstallPrompt();
// From the plain address a device that trusts this kitchen is led to the secure one.
if (!globalThis.isSecureContext) void import('./data/secure-way.ts').then(({ leadOn }) => leadOn());
beginWorker();
// Only a page from this computer or a secure address may be kept by the browser; elsewhere it goes without.
if ('serviceWorker' in navigator && import.meta.env.PROD) {
  void navigator.serviceWorker.register('/sw.js').catch(() => undefined);
}

/** What is asked for first stands before anything else is fetched, ms. */
const FIRST_VIEW_MS = 1500;
/** A moment in which the page has nothing to do; where a browser cannot tell, a little later. */
const idle = (): Promise<void> =>
  new Promise((resolve) => {
    if ('requestIdleCallback' in globalThis) requestIdleCallback(() => resolve(), { timeout: FIRST_VIEW_MS });
    else setTimeout(resolve, FIRST_VIEW_MS / 10);
  });

// Once the first view stands, fetch the rest of the page, a part at a time: it must go on when the server is away.
async function fetchRest(): Promise<void> {
  for (const fetchPart of [
    () => import('./places/make/MakePlace.tsx'),
    () => import('./places/new-make/NewMake.tsx'),
    () => import('./app/Kept.tsx'),
    () => import('./app/OneMake.tsx'),
    () => import('./app/KeyList.tsx'),
    () => import('./places/day/DayPlace.tsx'),
    () => import('./places/milk-room/MilkRoom.tsx'),
    () => import('./places/cultures/CulturesPlace.tsx'),
    () => import('./places/daybook/Daybook.tsx'),
    () => import('./places/daybook/Record.tsx'),
    () => import('./places/kitchen/KitchenPlace.tsx'),
    () => import('./places/sums/SumsPlace.tsx'),
    () => import('./places/methods/MethodsPlace.tsx'),
    () => import('./places/file/FilePlace.tsx'),
    () => import('./charts/Chart.tsx'),
  ]) {
    await idle();
    await fetchPart().catch(() => undefined);
  }
}
setTimeout(() => void fetchRest(), FIRST_VIEW_MS);

const root = document.getElementById('root');
if (!root) throw new Error('the page has no root');
createRoot(root).render(
  <StrictMode>
    <Provider store={store}>
      <MantineProvider theme={theme} cssVariablesResolver={cssVariables} defaultColorScheme="auto">
        <RouterProvider router={createRouter()} />
      </MantineProvider>
    </Provider>
  </StrictMode>,
);
