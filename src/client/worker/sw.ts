/**
 * The service worker: what the app is made of, and what this device has seen, while the server is away. What is asked goes to the
 * server first; only where it does not answer in time is the last answer given, marked with when the server gave it.
 */
import { ExpirationPlugin } from 'workbox-expiration';
import { precacheAndRoute } from 'workbox-precaching';
import { registerRoute } from 'workbox-routing';
import { NetworkFirst, StaleWhileRevalidate } from 'workbox-strategies';
import { PAGE_CACHE, SEEN_CACHE, SEEN_HEADER } from '../shared/seen.ts';

/** Of a service worker's own world, what is used here; the rest of the client is typed for pages. */
declare const self: {
  location: Location;
  clients: { claim: () => Promise<void> };
  skipWaiting: () => Promise<void>;
  addEventListener: (
    type: 'install' | 'activate',
    on: (event: { waitUntil: (done: Promise<unknown>) => void }) => void,
  ) => void;
};
/** Every file that was built, by the name that changes with what is in it. */
declare const __BUILT_FILES__: { url: string; revision: string | null }[];

/** So long the server may take; in a shop's far corner an answer may come, late. */
const ANSWER_SECONDS = 4;
const MONTH_SECONDS = 30 * 24 * 3600;
const PAGE = '/';

precacheAndRoute(__BUILT_FILES__);

// The page is the same at every address. It carries a number of its own in its policy, so that it is kept as it came.
registerRoute(
  ({ request, url }) => request.mode === 'navigate' && !/^\/(?:l|api)\//.test(url.pathname),
  new NetworkFirst({
    cacheName: PAGE_CACHE,
    networkTimeoutSeconds: ANSWER_SECONDS,
    plugins: [{ cacheKeyWillBeUsed: async () => PAGE }],
  }),
);

/** What is shown from here says when the server gave it. */
const markSeen = {
  cachedResponseWillBeUsed: async ({ cachedResponse: known }: { cachedResponse?: Response }) => {
    if (!known) return null;
    const headers = new Headers(known.headers);
    headers.set(SEEN_HEADER, known.headers.get('date') ?? new Date(0).toUTCString());
    return new Response(await known.blob(), { status: known.status, statusText: known.statusText, headers });
  },
};

const PICTURE = /^\/api\/photos\/[^/]+\/\w+$/;
/** Not kept: what goes on for ever, and what is made to be taken away. */
const NOT_SEEN = /^\/api\/(?:live|health|voice)|\/(?:pdf|csv|json|book\.pdf|book\.zip)$/;

registerRoute(
  ({ url }) => url.origin === self.location.origin && PICTURE.test(url.pathname),
  new StaleWhileRevalidate({
    cacheName: SEEN_CACHE,
    plugins: [
      new ExpirationPlugin({ maxEntries: 600, maxAgeSeconds: MONTH_SECONDS, purgeOnQuotaError: true }),
    ],
  }),
);
registerRoute(
  ({ url }) =>
    url.origin === self.location.origin && url.pathname.startsWith('/api/') && !NOT_SEEN.test(url.pathname),
  new NetworkFirst({
    cacheName: SEEN_CACHE,
    networkTimeoutSeconds: ANSWER_SECONDS,
    plugins: [
      markSeen,
      new ExpirationPlugin({ maxEntries: 600, maxAgeSeconds: MONTH_SECONDS, purgeOnQuotaError: true }),
    ],
  }),
);

self.addEventListener('install', (event) => {
  event.waitUntil(caches.open(PAGE_CACHE).then((cache) => cache.add(PAGE)));
  void self.skipWaiting();
});
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
