/** What other features may use of this one. */
export { FreesToday } from './FreesToday.tsx';
export { holdsOf, waitsQuery } from './waits.queries.ts';
