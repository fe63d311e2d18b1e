/** What other features may use of this one. */
export { mailLetter } from './letters.mail.ts';
export { ensureLink } from './letters.service.ts';
export { liveLink } from './letters.queries.ts';
