/** What other features may use of this one. */
export { UpkeepPanel } from './UpkeepPanel.tsx';
export { upkeepQuery } from './upkeep.queries.ts';
