/** What other features may use of this one. */
export { costsOf } from './costs.service.ts';
