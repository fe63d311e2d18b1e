import './ui/theme.ts';
import '@fontsource-variable/archivo/index.css';
import '@fontsource/ibm-plex-mono/latin-400.css';
import '@fontsource/ibm-plex-mono/latin-600.css';
import { StrictMode, Suspense } from 'react';
import { createRoot } from 'react-dom/client';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { RouterProvider } from 'react-router';
import { makeRouter } from './router.tsx';
import { floorQuery } from './features/builds/floor.queries.ts';
import { ApiProblem } from './shared/api.ts';
import { sessionQuery } from './shared/session.ts';
import { GlobalStyle } from './ui/tokens.ts';

const TRIES = 2;

const client = new QueryClient({
  defaultOptions: {
    // Whether the server answers is seen by asking it: the browser's own opinion is often wrong, and what was seen before
    // can be shown without it.
    mutations: { networkMode: 'always' },
    queries: {
      networkMode: 'always',
      staleTime: 30_000,
      // What the server refused, it will refuse again; silence may pass.
      retry: (count, error) =>
        count < TRIES &&
        !(error instanceof ApiProblem && error.problem.status >= 400 && error.problem.status < 500),
    },
  },
});

// Asked for at once, side by side: the router would ask for one after the other.
void client.prefetchQuery(sessionQuery);
if (location.pathname === '/') void client.prefetchQuery(floorQuery);

const router = makeRouter(client);

/** When the first page has what it shows. */
const ready = new Promise<void>((resolve) => {
  if (router.state.initialized) return resolve();
  const leave = router.subscribe(({ initialized }) => {
    if (!initialized) return;
    leave();
    resolve();
  });
});

// Drawn once; until then the page says that it is opening. Not awaited here: pages that load later wait for this file.
void ready.then(() =>
  createRoot(document.getElementById('root')!).render(
    <StrictMode>
      <QueryClientProvider client={client}>
        <GlobalStyle />
        <Suspense>
          <RouterProvider router={router} />
        </Suspense>
      </QueryClientProvider>
    </StrictMode>,
  ),
);

/** Only what was built has a worker; it is fetched when the page has nothing else to do. */
if (import.meta.env.PROD && 'serviceWorker' in navigator)
  void ready.then(() =>
    setTimeout(() => void navigator.serviceWorker.register('/sw.js').catch(() => null), 4000),
  );
