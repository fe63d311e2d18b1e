/** What other features may use of this one. */
export { insertPerson, shopOf } from './session.queries.ts';
export { hashPassword, isPassword } from './session.service.ts';
