/** What other features may use of this one. */
export { papersGiven } from './papers.queries.ts';
export { paperGiven } from './papers.service.ts';
