/** What other features may use of this one. */
export { liveLink, readerById, readersOf } from './links.queries.ts';
export { ensureLink, seesMoney, throughLink, throughLinkOf, type Opened } from './links.service.ts';
