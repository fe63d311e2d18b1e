/** What other features may use of this one. */
export { mailLetter } from './letters.mail.ts';
export { guardOf, lettersMoney } from './compose.ts';
