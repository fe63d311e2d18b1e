/** What other features may use of this one. */
export { prepareSnag, takeBackOfSnag } from './line.ts';
export { snagsOf } from './snags.queries.ts';
