/** What other features may use of this one. */
export { UpkeepPanel } from './UpkeepPanel.tsx';
