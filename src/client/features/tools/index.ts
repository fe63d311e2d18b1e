/** What other features may use of this one. */
export { OverdueLoans } from './OverdueLoans.tsx';
