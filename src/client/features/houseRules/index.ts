/** What other features may use of this one. */
export { ProposalsPanel } from './ProposalsPanel.tsx';
