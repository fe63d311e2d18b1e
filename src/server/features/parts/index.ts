/** What other features may use of this one. */
export { insertFitted } from './parts.queries.ts';
export { preparePart, revisePart, takeBackOfPart } from './line.ts';
export { addPartIn } from './written.ts';
