/** What other features may use of this one. */
export { bindBook, readBook } from './book.jobs.ts';
export { bookGiven } from './book.queries.ts';
export { fileOf as fileOfBook } from './book.service.ts';
