/** What other features may use of this one. */
export { STATE_WORDS } from './words.ts';
