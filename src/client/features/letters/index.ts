/** What other features may use of this one. */
export { lettersQuery, useDraftLetter } from './letters.queries.ts';
export { HowTold } from './HowTold.tsx';
