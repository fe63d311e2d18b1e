/** What other features may use of this one. */
export { CarSelect } from './CarSelect.tsx';
export { CorrectDialog } from './CorrectLazy.tsx';
export { entriesQuery, knownQuery, useCorrectEntry } from './entries.queries.ts';
export { factText, FIELD_ORDER, fieldWord } from './facts.ts';
export { SaidHere } from './SaidHereLazy.tsx';
export { useThisCar } from './target.tsx';
export { useCapture } from './useCapture.ts';
