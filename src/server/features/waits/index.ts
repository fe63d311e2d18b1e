/** What other features may use of this one. */
export { waitsNow } from './waits.service.ts';
