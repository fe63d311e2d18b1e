/** Answers that this device has seen, which the service worker gives out while the server is away. */

export const SEEN_CACHE = 'avrik-seen';
/** The page itself, by whose name every address opens. */
export const PAGE_CACHE = 'avrik-page';

/** The service worker marks what it gives out of its own store: when the server had said so. */
export const SEEN_HEADER = 'x-avrik-seen';

/** Nothing of what one person saw is shown to the next. */
export function forgetSeen(): void {
  if ('caches' in globalThis) void caches.delete(SEEN_CACHE);
}
