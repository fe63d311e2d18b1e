/** What other features may use of this one. */
export { PapersPanel } from './PapersPanel.tsx';
