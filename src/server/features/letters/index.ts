/** What other features may use of this one. */
export { mailLetter, mailReader, textLetter } from './letters.mail.ts';
export { markReturned } from './letters.queries.ts';
export { guardOf, lettersMoney } from './compose.ts';
export { planNow } from './plan.ts';
export { lettersFor } from './scoped.ts';
