/** What other features may use of this one. */
export { costSums, type CostSums } from './costs.service.ts';
