/** What other features may use of this one. */
export { addressOfCode } from './labels.service.ts';
