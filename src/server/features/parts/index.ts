/** What other features may use of this one. */
export { insertFitted } from './parts.queries.ts';
export { addPartIn } from './parts.service.ts';
export { preparePart, revisePart, takeBackOfPart } from './line.ts';
