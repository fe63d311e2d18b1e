/** What other features may use of this one. */
export { ReadBook } from './ReadBook.tsx';
