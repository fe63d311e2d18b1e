/** What other features may use of this one. */
export { costsQuery } from './costs.queries.ts';
