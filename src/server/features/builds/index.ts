/** What other features may use of this one. */
export { buildDetail, buildForUpdate, FLOOR_SQL, sayNext, type BuildDetail, type BuildKey } from './builds.queries.ts';
