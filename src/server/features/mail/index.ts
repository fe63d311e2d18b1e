/** What other features may use of this one. */
export { takeMail } from './replies.ts';
