/** What other features may use of this one. */
export { PrintLabels } from './PrintLabels.tsx';
