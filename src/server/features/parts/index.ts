/** What other features may use of this one. */
export { addPartIn } from './parts.service.ts';
