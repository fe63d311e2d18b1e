/** What other features may use of this one. */
export { shopOf } from './session.queries.ts';
