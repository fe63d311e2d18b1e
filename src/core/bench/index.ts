/** The calculators of the bench, by the names that the trade has for them. */
export { fastener } from './fastener.ts';
export { gearing } from './gearing.ts';
export { inductionFuel } from './inductionFuel.ts';
export { repairOrReplace } from './repairOrReplace.ts';
