/** What other features may use of this one. */
export { insertPerson, shopOf } from './session.queries.ts';
export { hashPassword, isPassword, noPassword, refuseWeakPassword } from './passwords.ts';
export { endSessions, isOpenSession } from './account.queries.ts';
export { mailPassword } from './account.mail.ts';
export { noteEvent } from './events.ts';
export { INVITATION_MS, passwordUrl } from './links.ts';
