/** What other features may use of this one. */
export { buildQuery } from './builds.queries.ts';
